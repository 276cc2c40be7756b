import AxeBuilder from '@axe-core/playwright'
import { LEDGER, item, ledger, margin, mark, menu, setAugust } from './ledger'
import { by, chart, expect, made, question, sentence, slot, test } from './page'

test('a mark is looked into, deeper still, and back', async ({ page }) => {
  await chart(page, 'Monthly revenue')
  await mark(page, '2026-06').click()
  await item(page, 'by route').click()
  await expect(sentence(page)).toContainText('in Jun 2026')
  await expect(sentence(page)).toContainText('by route')
  const way = page.getByRole('navigation', { name: 'Looked into' })
  await expect(way).toContainText('Monthly revenue')
  await page.locator('svg.chart').focus()
  await page.keyboard.press('ArrowDown')
  await page.keyboard.press('Enter')
  await expect(menu(page, 'North')).toBeVisible()
  await item(page, 'by month').click()
  await expect(sentence(page)).toContainText('of North in Jun 2026')
  await page.reload()
  await expect(way).toContainText('North')
  await way.getByRole('button', { name: 'Jun 2026' }).click()
  await expect(sentence(page)).toContainText('by route')
  await way.getByRole('button', { name: 'Monthly revenue' }).click()
  await expect(page).toHaveURL(/\/charts\/\d+$/)
  await expect(sentence(page)).toContainText('in Jan–Dec 2026')
})

test('the rows of the files behind a mark are shown and saved', async ({ page }) => {
  await chart(page, 'Monthly revenue')
  await mark(page, '2026-06').click()
  await item(page, 'Source rows').click()
  const dialog = page.getByRole('dialog')
  await expect(dialog).toContainText('net-revenue.csv')
  await expect(dialog.getByRole('row')).toHaveCount(7)
  await dialog.getByRole('radio', { name: 'BU' }).click()
  await expect(dialog.getByRole('row')).toHaveCount(7)
  const download = page.waitForEvent('download')
  await dialog.getByRole('button', { name: 'Save all rows as CSV' }).click()
  expect((await download).suggestedFilename()).toContain('sources')
  await page.keyboard.press('Escape')
  await expect(dialog).toHaveCount(0)
})

test('members are moved and left out, and all is undone after a reload', async ({ page }) => {
  await question(page, 'Net revenue by route')
  await by(page, 'Route')
  const names = () => page.locator('svg.chart text[data-role=name]').allTextContents()
  await expect.poll(async () => (await names())[1]).toBe('Holm')
  await mark(page, 'Holm').click()
  await item(page, 'Move up').click()
  await expect.poll(async () => (await names())[0]).toBe('Holm')
  await page.keyboard.press('Escape')
  await mark(page, 'Sound').click()
  await item(page, 'Leave it out').click()
  await expect.poll(names).not.toContain('Sound')
  await page.reload()
  await expect.poll(async () => (await names())[0]).toBe('Holm')
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect.poll(names).toContain('Sound')
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect.poll(async () => (await names())[0]).toBe('North')
})

test('a message is taken from a statement, and says so once its number is another', async ({ page }) => {
  const id = await ledger(page, 'Messages')
  const statement = margin(page).getByText('Amount in Jul–Aug 2026').locator('xpath=ancestor-or-self::p')
  await statement.hover()
  await statement.getByRole('button', { name: 'as message' }).click()
  await expect(page.locator('svg.chart text[data-role=message]')).toContainText('above budget')
  await page.getByRole('region', { name: 'Message' }).getByRole('button', { name: 'Edit' }).click()
  await page.getByLabel('Message above the chart').fill('We are 23 above budget')
  await page.getByRole('button', { name: 'Set', exact: true }).click()
  await expect(page.locator('svg.chart text[data-role=message]')).toHaveText('We are 23 above budget')
  await expect(margin(page)).toContainText('The message says what the numbers say')
  await setAugust(page, id, '140')
  await expect(margin(page)).toContainText('says 23, is now 43')
  await page.getByRole('button', { name: 'Take the new numbers' }).click()
  await expect(page.locator('svg.chart text[data-role=message]')).toHaveText('We are 43 above budget')
  await expect(margin(page)).not.toContainText('is now')
})

test('a number of the reading shows its row, and the workings sort, copy and keep their height', async ({ page }) => {
  await chart(page, 'Monthly revenue')
  await margin(page).getByRole('button', { name: '7,427', exact: true }).click()
  const workings = page.getByRole('region', { name: 'Workings' })
  await expect(workings.getByRole('row', { name: /Year with forecast/ })).toHaveClass(/bg-accent-tint/)
  const first = () => workings.locator('tbody th').first().innerText()
  await workings.getByRole('button', { name: 'ΔBU', exact: true }).click()
  await expect.poll(first).toContain('Jul 2026')
  await workings.getByRole('button', { name: 'ΔBU', exact: true }).click()
  await expect.poll(first).toContain('Aug 2026')
  await workings.getByRole('button', { name: 'In the chart’s order' }).click()
  await expect.poll(first).toContain('Jan 2026')
  await workings.getByRole('button', { name: 'Copy the table' }).click()
  await expect(page.getByText(/Copied a table of 1\d rows\./)).toBeVisible()
  const copied = await page.evaluate(() => navigator.clipboard.readText())
  expect(copied.split('\n')[0]).toBe('Period\tAC\tFC\tBU\tPY\tShown\tΔBU\tΔBU %\tΔPY\tΔPY %')
  expect(copied).toContain('Jun 2026\t744\t')
  await workings.getByRole('separator').focus()
  for (let i = 0; i < 3; i++) await page.keyboard.press('ArrowUp')
  const high = await page.locator('#workings').evaluate(element => element.style.maxHeight)
  await page.reload()
  await page.locator('svg.chart').waitFor()
  await page.keyboard.press('w')
  await expect.poll(() => page.locator('#workings').evaluate(element => element.style.maxHeight)).toBe(high)
})

test('slots are typed into', async ({ page }) => {
  await question(page, 'Net revenue by route')
  await slot(page, 'Span').focus()
  await page.keyboard.type('l')
  await expect(page.getByLabel('Type the span')).toHaveValue('l')
  await page.keyboard.type('ast 3 months')
  await page.keyboard.press('Enter')
  await expect(sentence(page)).toContainText('in the last 3 months')
  await slot(page, 'Flag').click()
  await page.getByLabel('Type the flag').fill('2 % and 10k')
  await page.keyboard.press('Enter')
  await expect(sentence(page)).toContainText('flag gaps over 2 % and 10 k')
  await slot(page, 'Route').click()
  await page.getByLabel('Type the route').fill('north and holm')
  await page.keyboard.press('Enter')
  await expect(sentence(page)).toContainText('of North and Holm')
  await slot(page, 'Span').click()
  await page.getByLabel('Type the span').fill('soon')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('alert')).toContainText('"soon" is not a span.')
  await page.keyboard.press('Escape')
  await expect(sentence(page)).toContainText('in the last 3 months')
})

test('undo goes through the chart, its figures, notes and the closing period, as they were done', async ({ page }) => {
  const id = await ledger(page, 'One sitting')
  await by(page, 'quarter')
  await expect(sentence(page)).toContainText('by quarter')
  await setAugust(page, id, '999')
  await expect(page.locator('svg.chart')).toContainText('1,189')
  await by(page, 'year')
  await expect(sentence(page)).toContainText('by year')
  await page.reload()
  await expect(sentence(page)).toContainText('by year')
  const undo = page.getByRole('button', { name: 'Undo' })
  await undo.click()
  await expect(sentence(page)).toContainText('by quarter')
  await undo.click()
  await expect(page.getByText('Undone:')).toBeVisible()
  await expect(page.locator('svg.chart')).not.toContainText('1,189')
  await expect(sentence(page)).toContainText('by quarter')
  await undo.click()
  await expect(sentence(page)).toContainText('by month')
  for (let i = 0; i < 3; i++) await page.getByRole('button', { name: 'Redo' }).click()
  await expect(sentence(page)).toContainText('by year')
})

test('nothing in what opens on the chart view keeps anybody out', async ({ page }) => {
  const serious = async () =>
    (await new AxeBuilder({ page }).analyze()).violations
      .filter(violation => ['serious', 'critical'].includes(violation.impact ?? ''))
      .map(violation => `${violation.id}: ${violation.nodes[0]?.html}`)
  await chart(page, 'Monthly revenue')
  await mark(page, '2026-06').click()
  await expect(item(page, 'by route')).toBeVisible()
  expect(await serious()).toEqual([])
  await item(page, /Write a note/).click()
  expect(await serious()).toEqual([])
  await page.keyboard.press('Escape')
  await page.getByRole('button', { name: 'Finish' }).click()
  await expect(page.getByRole('group', { name: 'Named finishes' })).toBeVisible()
  expect(await serious()).toEqual([])
  await page.keyboard.press('Escape')
  await page.getByRole('button', { name: 'Export' }).click()
  expect(await serious()).toEqual([])
  await page.keyboard.press('Escape')
  await page.getByRole('button', { name: 'Beside' }).click()
  await expect(page.getByLabel('Chart beside it')).toBeVisible()
  expect(await serious()).toEqual([])
})

test('an amount that was typed in the figures is undone from the chart, in the same sitting', async ({ page }) => {
  const id = await made(page, 'Typed first', LEDGER)
  await page.goto(`/figures/${id}`)
  const cell = page.getByRole('gridcell', { name: /^All, Aug/ }).or(page.getByRole('gridcell', { name: /^North, Aug/ }))
  await expect(cell.first()).toBeVisible()
  await setAugust(page, id, '777')
  await page.getByRole('link', { name: 'Ask a question' }).click()
  await expect(page.locator('svg.chart')).toContainText('827')
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.locator('svg.chart')).not.toContainText('827')
  await expect(page.getByText(/^Undone:/)).toBeVisible()
})

test('a page that is open while names are swapped goes on about the same, and saves it so', async ({ page }) => {
  const csv = 'Month,Route,Amount\n2026-01,Sound,100\n2026-01,Holm,8000\n2026-02,Sound,110\n2026-02,Holm,8100\n'
  const id = await made(page, 'Swapped names', csv)
  const where = [{ field: 'Route', in: ['Sound'] }]
  const recipe = { keenMargin: 1, question: { by: 'month', where }, kind: 'variance-tiers' }
  const data = { dataset: id, name: 'Of the sound', recipe }
  const { id: kept } = await (await page.request.post('/api/charts', { data })).json()
  await page.goto(`/charts/${kept}`)
  await expect(sentence(page)).toContainText('of Sound')
  for (const [rename, to] of [
    ['Sound', 'Old sound'],
    ['Holm', 'Sound'],
  ]) {
    const dataset = await (await page.request.get(`/api/datasets/${id}`)).json()
    const headers = { 'If-Match': `"${dataset.version}"` }
    const path = `/api/datasets/${id}/breakdowns/${dataset.breakdowns[0].id}`
    expect((await page.request.patch(path, { headers, data: { rename, to } })).status()).toBe(200)
  }
  await expect(sentence(page)).toContainText('of Old sound')
  await expect(page.locator('svg.chart text[data-role=value-label]').first()).toHaveText('100')
  await by(page, 'quarter')
  await expect
    .poll(async () => (await (await page.request.get(`/api/charts/${kept}`)).json()).recipe.question)
    .toMatchObject({ by: 'quarter', where: [{ field: 'Route', in: ['Old sound'] }] })
  await page.getByRole('button', { name: 'Undo' }).click()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(sentence(page)).toContainText('of Old sound')
})

test('a chart about what was deleted says so, and is about something else by one choice', async ({ page }) => {
  const id = await made(page, 'A member goes', 'Month,Route,Amount\n2026-01,Sound,100\n2026-01,Holm,80\n')
  const settings = async (data: object) => {
    const dataset = await (await page.request.get(`/api/datasets/${id}`)).json()
    const headers = { 'If-Match': `"${dataset.version}"` }
    const path = `/api/datasets/${id}/breakdowns/${dataset.breakdowns[0].id}`
    expect((await page.request.patch(path, { headers, data })).status()).toBe(200)
  }
  await settings({ add: 'Reef' })
  const recipe = {
    keenMargin: 1,
    question: { by: 'month', where: [{ field: 'Route', in: ['Reef'] }] },
    kind: 'variance-tiers',
  }
  const data = { dataset: id, name: 'Of the reef', recipe }
  const { id: kept } = await (await page.request.post('/api/charts', { data })).json()
  await settings({ remove: 'Reef' })
  await page.goto('/charts')
  await expect(page.getByRole('article').filter({ hasText: 'Of the reef' })).toContainText('Reef, which was deleted')
  await expect(page.getByRole('img', { name: 'Picture of Of the reef' })).toHaveCount(0)
  await page.goto(`/charts/${kept}`)
  await expect(page.getByText('Route has no "Reef, which was deleted"')).toBeVisible()
  await page.getByLabel('“Reef, which was deleted” of Route is not here.').selectOption('Holm')
  await page.getByRole('button', { name: 'Ask it so' }).click()
  await expect(sentence(page)).toContainText('of Holm')
  await expect
    .poll(async () => (await (await page.request.get(`/api/charts/${kept}`)).json()).recipe.question.where)
    .toEqual([{ field: 'Route', in: ['Holm'] }])
})

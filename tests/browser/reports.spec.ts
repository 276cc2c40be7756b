import AxeBuilder from '@axe-core/playwright'
import { expect, made, test } from './page'
import { aboutSlot, aside, block, FARES, kept, openPack, pack, PORTS, recipe, says, settle, sheet } from './pack'

test('from five charts to a report to its PDF', async ({ page }) => {
  const dataset = await made(page, 'Fares of five', FARES)
  for (const name of ['Five A', 'Five B', 'Five C', 'Five D', 'Five E'])
    await page.request.post('/api/charts', { data: { dataset, name, recipe: recipe() } })
  await page.goto('/reports')
  await page.getByRole('button', { name: 'New report' }).click()
  await page.getByLabel('What it is called').fill('Pack of five')
  for (const name of ['Five A', 'Five B', 'Five C', 'Five D', 'Five E'])
    await page.getByRole('checkbox', { name: new RegExp(name) }).click()
  await page.getByRole('button', { name: 'Make it of 5 charts' }).click()
  await expect(sheet(page)).toBeVisible()
  await expect(aside(page).locator('[data-page]')).toHaveCount(3)
  await expect(sheet(page).locator('svg.chart[tabindex]')).toHaveCount(2)
  // A message, and key figures.
  await page.getByRole('button', { name: /^Write the message/ }).click()
  await page.keyboard.type('Fares are ahead of budget')
  await page.keyboard.press('Enter')
  await expect(says(page)).toHaveText('Fares are ahead of budget')
  await page.getByRole('button', { name: 'add a row' }).last().click()
  await page.getByRole('button', { name: 'Key figures of Fares of five' }).click()
  await expect(sheet(page).getByRole('group', { name: 'Key figures' }).first()).toContainText('Amount')
  const id = Number(/reports\/(\d+)/.exec(page.url())?.[1])
  const pdf = await page.request.get(`/reports/${id}.pdf`)
  expect(pdf.headers()['content-type']).toBe('application/pdf')
  expect((await pdf.body()).subarray(0, 5).toString()).toBe('%PDF-')
  // In the list it has a picture, is duplicated, deleted and brought back.
  await page.getByRole('link', { name: 'Reports', exact: true }).click()
  const card = page.getByRole('article').filter({ hasText: 'Pack of five' }).first()
  await expect(card.getByRole('img')).toBeVisible()
  await page.getByLabel('Find a report').fill('Pack of five')
  await expect(page.getByRole('article')).toHaveCount(1)
  await page.getByRole('button', { name: 'More for Pack of five' }).click()
  await page.getByRole('menuitem', { name: 'Duplicate' }).click()
  await expect(page.getByRole('article')).toHaveCount(2)
  await page.getByRole('button', { name: 'More for Pack of five (copy)' }).click()
  await page.getByRole('menuitem', { name: 'Delete' }).click()
  await expect(page.getByRole('article')).toHaveCount(1)
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByRole('article')).toHaveCount(2)
})

test('what a page is about stands over its charts, and changes are gathered', async ({ page }) => {
  const calls = await made(page, 'Calls of about', PORTS)
  const { id, dataset } = await pack(page, { title: 'About' })
  await page.request.put(`/api/reports/${id}`, {
    headers: { 'If-Match': '"1"' },
    data: {
      document: {
        keenMargin: 1,
        report: 'About',
        closedThrough: '2026-03',
        pages: [
          {
            id: 'first',
            rows: [
              { id: 'r', blocks: [{ id: 'c', dataset: String(dataset), chart: recipe() }] },
              { id: 's', blocks: [{ id: 'o', dataset: String(calls), chart: recipe({ against: [] }) }] },
            ],
          },
        ],
      },
    },
  })
  await openPack(page, id)
  await aboutSlot(page, 'Filter').click()
  await page.getByRole('checkbox', { name: 'North' }).click()
  await page.keyboard.press('Escape')
  await expect(aboutSlot(page, 'Filter')).toHaveText('North')
  await expect(block(page, 'c').locator('svg text[data-role=title]').first()).toContainText('North')
  await expect(sheet(page).locator('svg')).not.toHaveCount(0)
  await expect(sheet(page)).toContainText('Not as its page: It has no Route, and shows all.')
  // Two changes, one drawing.
  await aboutSlot(page, 'Span').click()
  await page.getByRole('button', { name: /Gather changes/ }).click()
  await page.getByRole('button', { name: '2026', exact: true }).click()
  await page.keyboard.press('Escape')
  await expect(page.getByText('1 part differs from the page.')).toBeVisible()
  await aboutSlot(page, 'References').click()
  await page.getByRole('checkbox', { name: 'BU budget' }).click()
  await page.keyboard.press('Escape')
  await expect(page.getByText('2 parts differ from the page.')).toBeVisible()
  expect((await kept(page, id)).pages[0].about.span).toBeUndefined()
  await page.getByRole('button', { name: 'Apply together' }).click()
  await expect(aboutSlot(page, 'Span')).toHaveText('Jan–Dec 2026')
  await expect(aboutSlot(page, 'References')).toHaveText('budget')
  await page.getByRole('button', { name: 'Undo', exact: true }).click()
  await expect(aboutSlot(page, 'Span')).toHaveText('the time of each chart')
  // A scale of its own for each chart.
  await page.getByRole('button', { name: 'Scale: one scale' }).first().click()
  await page.getByRole('option', { name: 'a scale of its own for each chart' }).click()
  await expect.poll(async () => (await kept(page, id)).pages[0].scale).toBe('own')
})

test('rolling on tells first what would be said wrongly', async ({ page }) => {
  const { id } = await pack(page, { title: 'Rolled' })
  await openPack(page, id)
  await expect(settle(page)).toContainText('2 charts, every check holds')
  await page.getByRole('button', { name: 'One period on' }).click()
  const dialog = page.getByRole('dialog')
  await expect(dialog).toContainText('Roll on to Apr 2026')
  await expect(dialog).toContainText('2 numbers stay and would be wrong')
  await expect(dialog).toContainText('The message says 10; it will be')
  await dialog.getByRole('button', { name: 'Roll on to Apr 2026' }).click()
  await expect(page.getByRole('group', { name: 'Books closed through' })).toContainText('Apr 2026')
  await expect(settle(page)).toContainText('The message says 10; it is now 38.')
  await expect(settle(page)).toContainText('A text says 10; it is now 38.')
  await expect(sheet(page).locator('[data-role=stale-number]')).toHaveCount(2)
  // One is taken, the other accepted with a reason.
  await settle(page).getByRole('button', { name: 'Take 38' }).first().click()
  await expect(says(page)).toHaveText('Fares are 38 ahead')
  await expect(settle(page)).not.toContainText('The message says')
  await settle(page).getByRole('button', { name: 'Accept' }).first().click()
  await settle(page).getByLabel('Why it can stay').fill('Rewritten on Monday')
  await settle(page).getByRole('button', { name: 'Accept' }).first().click()
  await expect(settle(page)).toContainText('Accepted: Rewritten on Monday')
  // All of it is undone.
  for (let steps = 0; steps < 3; steps++) await page.getByRole('banner').getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByRole('group', { name: 'Books closed through' })).toContainText('Mar 2026')
  await expect(says(page)).toHaveText('Fares are 10 ahead')
})

test('a report is issued, figures change, and what changed since is told', async ({ page }) => {
  const { id, dataset } = await pack(page, { title: 'Issued' })
  await openPack(page, id)
  await page.getByRole('button', { name: /^Issue Mar 2026/ }).click()
  await page.getByLabel('Signed').fill('Ida Marsh')
  await page
    .getByRole('dialog')
    .getByRole('button', { name: /^Issue Mar 2026/ })
    .click()
  await expect(page.getByRole('link', { name: /Mar 2026.*Ida Marsh/ })).toBeVisible()
  const before = await (await page.request.get(`/api/reports/${id}/issues/1`)).text()
  const set = await page.request.post(`/api/datasets/${dataset}/edits`, {
    data: {
      measure: 'Amount',
      by: 'Route',
      rows: ['North'],
      periods: [{ key: '2026-01', scenario: 'AC' }],
      amounts: [['104']],
    },
  })
  expect(set.status()).toBe(200)
  // The draft follows within a second.
  await expect(settle(page)).toContainText('The message says 10; it is now 14.')
  await page.getByRole('button', { name: 'What changed since' }).click()
  const changes = page.getByRole('region', { name: 'What changed' })
  await expect(changes).toContainText('Mar 2026 as issued, against the draft of Mar 2026')
  await expect(changes.getByRole('row', { name: /Jan 2026, AC/ }).first()).toContainText('150')
  await expect(changes.getByRole('row', { name: /Jan 2026, AC/ }).first()).toContainText('154')
  await expect(block(page, 'c')).toContainText('changed')
  await changes.getByRole('button', { name: 'Close' }).click()
  await page.getByRole('button', { name: 'Mar 2026 with the figures as they are now' }).click()
  await expect(changes).toContainText('restated')
  // What went out stays as it went.
  await page.getByRole('link', { name: /Mar 2026.*Ida Marsh/ }).click()
  await expect(page.getByText('Mar 2026, as issued')).toBeVisible()
  await expect(says(page)).toHaveText('Fares are 10 ahead')
  await expect(page.getByRole('complementary', { name: 'Issued report' })).toContainText('Pasted table')
  expect(await (await page.request.get(`/api/reports/${id}/issues/1`)).text()).toBe(before)
  const axe = await new AxeBuilder({ page }).analyze()
  expect(axe.violations).toEqual([])
})

test('two hands on one report: different blocks are brought together, the same one is asked about', async ({
  page,
  browser,
}) => {
  const { id } = await pack(page, { title: 'Two hands' })
  await openPack(page, id)
  const other = await browser.newPage()
  await openPack(other, id)
  await page.getByRole('button', { name: /^Write the message/ }).click()
  await page.keyboard.press('Control+a')
  await page.keyboard.type('Ida wrote this')
  await page.keyboard.press('Enter')
  await expect(says(page)).toHaveText('Ida wrote this')
  // The other page learns of it, and changes something else.
  await expect(says(other)).toHaveText('Ida wrote this')
  await other.getByLabel('Title of the report').fill('Two hands, one report')
  await other.getByLabel('Title of the report').press('Enter')
  await expect(page.getByLabel('Title of the report')).toHaveValue('Two hands, one report')
  // Both change the same before either knows.
  await other.route('**/pulse', route => route.abort())
  await page.getByRole('button', { name: /^Write the message/ }).click()
  await page.keyboard.press('Control+a')
  await page.keyboard.type('Ida again')
  await page.keyboard.press('Enter')
  await expect(says(page)).toHaveText('Ida again')
  await other.getByRole('button', { name: /^Write the message/ }).click()
  await other.keyboard.press('Control+a')
  await other.keyboard.type('Tom again')
  await other.keyboard.press('Enter')
  await expect(other.getByRole('alert')).toContainText('Somebody else changed the same part')
  expect((await kept(page, id)).pages[0].message).toBe('Ida again')
  await other.getByRole('button', { name: 'Put mine on top' }).click()
  await expect(says(page)).toHaveText('Tom again')
  await other.close()
})

test('a number is taken by pointing at a row, and follows its chart', async ({ page }) => {
  const { id, dataset } = await pack(page, { title: 'Pointed' })
  await openPack(page, id)
  await page.getByRole('button', { name: /^Write the message/ }).click()
  await page.keyboard.press('Control+a')
  await page.keyboard.type('January came to ')
  await block(page, 'c').locator('svg.chart [data-key="2026-01"][data-role=value]').click()
  const dialog = page.getByRole('dialog', { name: 'Take a number' })
  await dialog.getByRole('option', { name: /^150.*Jan 2026, AC/ }).click()
  await expect(page.getByRole('textbox', { name: 'Message of the page' })).toHaveText('January came to 150')
  await expect(page.getByRole('textbox', { name: 'Message of the page' })).toBeFocused()
  await page.keyboard.press('Enter')
  await expect(says(page)).toHaveText('January came to 150')
  await page.request.post(`/api/datasets/${dataset}/edits`, {
    data: {
      measure: 'Amount',
      by: 'Route',
      rows: ['Holm'],
      periods: [{ key: '2026-01', scenario: 'AC' }],
      amounts: [['51']],
    },
  })
  await expect(says(page)).toHaveText('January came to 151')
})

test('a chart of a page is changed where it stands, and a named one says where else it changes', async ({ page }) => {
  const { id, dataset } = await pack(page, { title: 'Changed' })
  const named = await page.request.post('/api/charts', { data: { dataset, name: 'Named fares', recipe: recipe() } })
  const chart = (await named.json()).id
  await page.request.post(`/api/reports/${id}/blocks`, { data: { chart } })
  await page.goto(`/reports/${id}?page=second`)
  await expect(sheet(page).locator('svg.chart[tabindex]')).toHaveCount(1)
  const tools = sheet(page).locator('.tools').last()
  await tools.focus()
  await page.keyboard.press('Enter')
  await expect(page.getByText('what is changed here changes wherever it stands')).toBeVisible()
  await page.getByRole('button', { name: 'Make it this page’s own' }).click()
  await expect(page.getByText('what is changed here changes wherever it stands')).toHaveCount(0)
  await page.getByRole('radio', { name: 'Nested columns' }).click()
  await expect.poll(async () => (await kept(page, id)).pages[1].rows[0].blocks[0].chart.kind).toBe('nested-columns')
  await expect(page.getByLabel('Margin')).toContainText('In words')
  await page.keyboard.press('Escape')
  await expect(aside(page)).toBeVisible()
  expect((await (await page.request.get(`/api/charts/${chart}`)).json()).recipe.kind).toBe('variance-tiers')
})

test('a page that is too full says so, and goes on on a second one', async ({ page }) => {
  const dataset = await made(page, 'Fares of full', FARES)
  const rows = Array.from({ length: 6 }, (_, i) => ({
    id: `r${i}`,
    blocks: [{ id: `b${i}`, dataset: String(dataset), chart: recipe({ by: 'Route' }) }],
  }))
  const { id } = await pack(page, { title: 'Full', pages: [{ id: 'first', title: 'Full', rows }] })
  await openPack(page, id)
  await expect(page.getByText(/This page is too full, by [\d,]+ points/).first()).toBeVisible()
  await page.getByRole('button', { name: 'Continue on a second page' }).click()
  await expect(aside(page).locator('[data-page]')).toHaveCount(2)
  await expect(aside(page)).toContainText('Full, continued')
})

test('a report is presented, and read on a phone', async ({ page }) => {
  const { id } = await pack(page, {
    title: 'Presented',
    pages: [
      { id: 'first', title: 'One', message: 'The first', rows: [] },
      { id: 'second', title: 'Two', message: ['The ', 'second'], rows: [] },
    ],
  })
  await openPack(page, id)
  await page.getByRole('link', { name: 'Present' }).click()
  await expect(page.getByRole('navigation', { name: 'Pages' })).toContainText('1 / 2')
  await expect(says(page)).toHaveText('The first')
  await page.keyboard.press('ArrowRight')
  await expect(says(page)).toHaveText('The second')
  await page.keyboard.press('ArrowRight')
  await expect(page.getByText('2 / 2').first()).toBeVisible()
  await page.keyboard.press('ArrowLeft')
  await expect(says(page)).toHaveText('The first')
  await page.keyboard.press('Escape')
  await expect(page).toHaveURL(new RegExp(`/reports/${id}\\?page=first`))
  await page.setViewportSize({ width: 390, height: 800 })
  await expect(page.getByRole('heading', { level: 1, name: 'Presented' })).toBeVisible()
  await expect(says(page)).toHaveText(['The first', 'The second'])
  const overflow = await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth)
  expect(overflow).toBeLessThanOrEqual(0)
  const axe = await new AxeBuilder({ page }).analyze()
  expect(axe.violations).toEqual([])
})

test('the browser prints the pages as they are', async ({ page }) => {
  await page.addInitScript(() => {
    window.print = () => document.documentElement.setAttribute('data-printed', 'yes')
  })
  const { id } = await pack(page, { title: 'Printed' })
  await page.goto(`/reports/${id}/print`)
  await expect(page.locator('html[data-printed=yes]')).toBeAttached()
  await expect(page.getByRole('article')).toHaveCount(2)
  await page.emulateMedia({ media: 'print' })
  const pdf = await page.pdf({ preferCSSPageSize: true })
  expect(pdf.toString('latin1').match(/\/Type \/Page\b/g)?.length).toBe(2)
})

test('the monthly review of the demo says what is to settle, and every view is accessible', async ({ page }) => {
  const list = await (await page.request.get('/api/reports?q=Monthly')).json()
  await page.goto(`/reports/${list.items[0].id}`)
  // What other paths do to the demo's figures may add to them.
  await expect(settle(page)).toContainText('The message says 175; it is now 213.')
  await expect(settle(page)).toContainText('Nothing stands in this block yet.')
  await expect(says(page)).toHaveText('July made up for June; the year is 24 k EUR ahead of budget')
  for (const view of [page.url(), '/reports']) {
    await page.goto(view)
    await expect(page.getByRole('article').first()).toBeVisible()
    const axe = await new AxeBuilder({ page }).analyze()
    expect(axe.violations.map(one => `${one.id}: ${one.nodes.map(node => node.target).join(' ')}`)).toEqual([])
  }
})

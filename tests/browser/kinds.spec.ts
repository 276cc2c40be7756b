import { by, chart, expect, kind, labels, made, question, read, sentence, slot, test } from './page'

/** Presses a key until something has the focus; fails where it never gets it. */
async function until(page: import('@playwright/test').Page, key: string, found: import('@playwright/test').Locator) {
  for (let i = 0; i < 40; i++) {
    if (await found.evaluate(element => element === document.activeElement)) return
    await page.keyboard.press(key)
  }
  await expect(found).toBeFocused()
}

test('from a question to each kind that the figures can answer, by mouse', async ({ page }) => {
  await question(page, 'Net revenue by route')
  await kind(page, 'Nested columns').click()
  await expect(kind(page, 'Nested columns')).toHaveAttribute('aria-checked', 'true')
  await expect(page.locator('svg.chart text[data-role=inside-label]').first()).toBeVisible()
  await kind(page, 'Target marks').click()
  await expect(page.locator('svg.chart')).toContainText('a tick marks BU, paler ones miss it')
  await kind(page, 'Gap line').click()
  await expect(page.locator('svg.chart path[data-role=value-line]')).toBeVisible()
  await kind(page, 'Hat graph').click()
  await expect(sentence(page)).toContainText('differ between North and Holm, by month')
  await expect(page.locator('svg.chart rect[data-role=change]').first()).toBeVisible()
  await kind(page, 'Variance tiers').click()
  await expect(sentence(page)).toContainText('compare with budget and prior year, by month')
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(kind(page, 'Hat graph')).toHaveAttribute('aria-checked', 'true')
})

test('a kind that the figures cannot answer says what is missing', async ({ page }) => {
  await question(page, 'Net revenue by route')
  const fill = kind(page, 'Capacity fill')
  await fill.hover()
  await expect(page.getByRole('tooltip').filter({ hasText: 'Two measures of one unit are missing' })).toBeVisible()
  await fill.click({ force: true })
  await expect(kind(page, 'Variance tiers')).toHaveAttribute('aria-checked', 'true')
})

test('each kind is chosen by keyboard', async ({ page }) => {
  await question(page, 'Net revenue by route')
  await page.keyboard.press('k')
  await expect(kind(page, 'Variance tiers')).toBeFocused()
  for (const name of ['Nested columns', 'Target marks', 'Gap line', 'Hat graph']) {
    await page.keyboard.press('ArrowRight')
    await expect(kind(page, name)).toBeFocused()
    await page.keyboard.press('Enter')
    await expect(kind(page, name)).toHaveAttribute('aria-checked', 'true')
  }
  await expect(sentence(page)).toContainText('differ between')
})

test('how full the decks are: the parts, the target, the labels, by mouse', async ({ page }) => {
  await question(page, 'Deck space')
  await kind(page, 'Capacity fill').click()
  await expect(sentence(page)).toContainText('How full was lane metres used of lane metres offered')
  await slot(page, 'Target').click()
  await page.getByLabel('A rate of').fill('85')
  await page.getByRole('button', { name: 'Set', exact: true }).click()
  await expect(sentence(page)).toContainText('and a rate of 85 %')
  await expect(page.locator('svg.chart')).toContainText('rate against 85.0 %')
  await slot(page, 'Capacity').click()
  await page.getByLabel('unused', { exact: true }).selectOption('Lane metres used')
  await expect(sentence(page)).toContainText('lane metres used of lane metres offered (not used)')
  await page.keyboard.press('Escape')
  await page.getByRole('button', { name: 'Finish' }).click()
  await page.getByRole('radio', { name: 'ends and extremes' }).click()
  await expect(page.locator('svg.chart text[data-role=rate-label]')).toHaveCount(2)
})

test('how full the decks are, by keyboard only', async ({ page }) => {
  await question(page, 'Deck space')
  await page.keyboard.press('k')
  await until(page, 'ArrowRight', kind(page, 'Capacity fill'))
  await page.keyboard.press('Enter')
  await expect(sentence(page)).toContainText('How full was')
  await until(page, 'Shift+Tab', slot(page, 'Target'))
  await page.keyboard.press('Enter')
  await until(page, 'Tab', page.getByLabel('A rate of'))
  await page.keyboard.type('90')
  await page.keyboard.press('Enter')
  await expect(sentence(page)).toContainText('a rate of 90 %')
})

test('two members held against each other, by mouse and turned round', async ({ page }) => {
  await chart(page, 'Foot passengers and cars')
  await expect(sentence(page)).toContainText('differ between Foot passengers and Cars, by route')
  await slot(page, 'Two members').click()
  await page.getByLabel('to', { exact: true }).selectOption('Bicycles')
  await expect(sentence(page)).toContainText('between Foot passengers and Bicycles')
  await page.getByRole('button', { name: 'The other way round' }).click()
  await expect(sentence(page)).toContainText('between Bicycles and Foot passengers')
  await page.keyboard.press('Escape')
  await by(page, 'month')
  await expect(sentence(page)).toContainText('by month')
  expect(await labels(page, 'period')).toHaveLength(8)
})

test('two members held against each other, by keyboard only', async ({ page }) => {
  await question(page, 'Bookings by route and vehicle class')
  await page.keyboard.press('k')
  await until(page, 'ArrowRight', kind(page, 'Hat graph'))
  await page.keyboard.press('Enter')
  await expect(sentence(page)).toContainText('differ between')
  const before = await read(page)
  await until(page, 'Shift+Tab', slot(page, 'Two members'))
  await page.keyboard.press('Enter')
  await until(page, 'Tab', page.getByLabel('to', { exact: true }))
  await page.keyboard.press('End')
  await expect.poll(() => read(page)).not.toBe(before)
  await expect(page.locator('svg.chart rect[data-role=change]').first()).toBeVisible()
})

test('by structure: rows, order, the largest, and a chart for each member', async ({ page }) => {
  await question(page, 'Operating statement')
  await by(page, 'Line')
  await expect(sentence(page)).toContainText('by line?')
  expect((await labels(page, 'name')).slice(0, 2)).toEqual(['Fares and freight', 'Passenger fares'])
  await slot(page, 'Rows').click()
  await page.getByRole('radio', { name: 'smallest first' }).click()
  await expect(sentence(page)).toContainText('by line, smallest first?')
  expect((await labels(page, 'name'))[0]).toBe('Running costs')
  await page.getByLabel('How many members').selectOption('3')
  await expect(sentence(page)).toContainText('the 3 largest, smallest first')
  await expect.poll(() => labels(page, 'name')).toContain('Other (6)')
  await page.getByLabel('A chart for each').selectOption('Route')
  await expect(sentence(page)).toContainText('for each route')
  await expect(page.locator('svg.chart text[data-role=panel]')).toHaveCount(6)
  await page.getByRole('radio', { name: 'quarter', exact: true }).click()
  await expect(sentence(page)).toContainText('by quarter, for each route?')
})

test('running totals and the landing', async ({ page }) => {
  await question(page, 'Net revenue by route')
  await slot(page, 'Rows').click()
  await page.getByRole('radio', { name: 'year to date' }).click()
  await expect(sentence(page)).toContainText('by month, year to date?')
  await page.getByLabel('Where the year will land, set apart').check()
  await expect(page.locator('svg.chart rect[data-key=landing]').first()).toBeVisible()
  await page.keyboard.press('Escape')
  const workings = page.getByRole('region', { name: 'Workings' })
  await workings.getByRole('button', { name: 'Workings' }).click()
  await expect(workings.getByRole('row', { name: /Landing 2026/ })).toBeVisible()
  await expect(workings).toContainText('Shown, in the period alone')
})

test('looks are finished and rows highlighted, by mouse and by keyboard, and undone', async ({ page }) => {
  await question(page, 'Net revenue by route')
  await page.keyboard.press('w')
  await page.getByRole('button', { name: 'Highlight Jul 2026' }).click()
  await expect(page.locator('svg.chart rect[data-role=highlight]')).toHaveCount(1)
  await page.locator('svg.chart').focus()
  await page.keyboard.press('ArrowRight')
  await page.keyboard.press('h')
  await expect(page.locator('svg.chart rect[data-role=highlight]')).toHaveCount(2)
  await page.getByRole('button', { name: 'Finish' }).click()
  await page.getByRole('button', { name: 'Highlight none' }).click()
  await expect(page.locator('svg.chart rect[data-role=highlight]')).toHaveCount(0)
  await page.getByRole('radiogroup', { name: 'Variance' }).getByRole('radio', { name: 'percent' }).click()
  await expect(page.locator('svg.chart rect[data-role=variance]')).toHaveCount(0)
  await page.getByLabel('Turn: bars from top to bottom').check()
  await expect(page.locator('svg.chart text[data-role=name]')).toHaveCount(12)
  await page.keyboard.press('Escape')
  await page.keyboard.press('Control+z')
  await expect(page.locator('svg.chart text[data-role=name]')).toHaveCount(0)
})

test('a list without periods is drawn by its names', async ({ page }) => {
  const id = await made(
    page,
    'Landing stages',
    `Stage\tActual\tBudget\nPier\t120\t100\n${'Long '.repeat(16)}\t80\t90\n<script>alert(1)</script>\t0\t0\n`,
  )
  await page.goto(`/charts/new?dataset=${id}`)
  await expect(sentence(page)).toContainText('How did amount of all stages compare with budget, by stage?')
  await expect(page.locator('svg.chart')).toContainText('<script>alert(1)</script>')
  await expect(kind(page, 'Gap line')).toHaveAttribute('aria-disabled', 'true')
  await kind(page, 'Nested columns').click()
  await expect(page.locator('svg.chart rect[data-role=reference]')).toHaveCount(3)
})

test('pointing at a bar of a chart for each tells the row of that chart', async ({ page }) => {
  await chart(page, 'Each route against budget')
  await page.locator('svg.chart rect[data-key="Holm/2026-07"][data-role=value]').hover()
  await expect(page.getByRole('status').filter({ hasText: 'Holm: Jul 2026' })).toBeVisible()
})

import { item, margin, mark, menu } from './ledger'
import { by, chart, expect, kind, labels, made, question, sentence, slot, test } from './page'
import type { Locator, Page } from '@playwright/test'

const LIST = 'Step\tAmount\nOpening\t120\nFares\t40\nFuel\t-70\nCrew\t-110\nFreight\t45\nClosing\t25\n'
const rows = (page: Page) => page.locator('svg.chart rect[data-role=change]')
const names = (page: Page) => labels(page, 'name')
async function select(page: Page, key: string, role = 'change') {
  await mark(page, key, role).first().click({ force: true })
}
/** Presses a key until something has the focus. */
async function until(page: Page, key: string, found: Locator) {
  for (let i = 0; i < 40; i++) {
    if (await found.evaluate(element => element === document.activeElement)) return
    await page.keyboard.press(key)
  }
  await expect(found).toBeFocused()
}

test('a pasted list with an opening and a closing value is a waterfall in four actions', async ({ page }) => {
  await page.goto('/')
  await page.getByRole('button', { name: 'Paste a table' }).click()
  await page.getByLabel('Table', { exact: true }).fill(LIST)
  await page.getByRole('button', { name: 'Read it' }).click()
  await page.getByRole('button', { name: 'Bring in' }).click()
  await expect(kind(page, 'Bridge waterfall')).toHaveAttribute('aria-checked', 'true')
  await expect(rows(page)).toHaveCount(4)
  expect(await labels(page, 'value-label')).toEqual(['120', '25'])
  await expect(margin(page)).toContainText('falls below nought at Crew and rises above nought at Freight')
  await expect(margin(page)).toContainText('Start and steps add up to the end')
})

test('a row of a list is told to be something else, and back', async ({ page }) => {
  const id = await made(page, 'A list of its own', LIST.replace('Fuel', 'Half way').replace('-70', '160'))
  await page.goto(`/charts/new?dataset=${id}`)
  await expect(margin(page)).toContainText('unexplained')
  await select(page, 'Half way')
  await item(page, 'It is a subtotal').click()
  await expect(page.locator('svg.chart rect[data-role=total]')).toHaveCount(3)
  await expect(margin(page)).toContainText('leave -70 unexplained')
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.locator('svg.chart rect[data-role=total]')).toHaveCount(2)
})

test('from budget to actual by line: a step is opened in place and closed again', async ({ page }) => {
  await question(page, 'Operating statement')
  await kind(page, 'Bridge waterfall').click()
  await expect(sentence(page)).toContainText('get from budget to actual, by line')
  const before = await names(page)
  await select(page, 'Fuel')
  await item(page, /Open by route/).click()
  await expect(page.locator('svg.chart rect[data-role=opened]')).toHaveCount(1)
  expect(await names(page)).toEqual(expect.arrayContaining(['North', 'Outer']))
  await expect(margin(page)).toContainText('Opened steps add up to the step they are of')
  await select(page, 'Fuel', 'opened')
  await item(page, /Close it/).click()
  await expect(page.locator('svg.chart rect[data-role=opened]')).toHaveCount(0)
  expect(await names(page)).toEqual(before)
})

test('the same by keyboard only', async ({ page }) => {
  await question(page, 'Operating statement')
  await page.keyboard.press('k')
  await until(page, 'ArrowRight', kind(page, 'Bridge waterfall'))
  await page.keyboard.press('Enter')
  await expect(rows(page).first()).toBeVisible()
  await until(page, 'Tab', page.locator('svg.chart'))
  for (let i = 0; i < 6; i++) await page.keyboard.press('ArrowDown')
  await page.keyboard.press('Enter')
  await expect(menu(page, 'Fuel')).toBeVisible()
  await expect(item(page, /Open by route/)).toBeVisible()
  await page.keyboard.press('o')
  await expect(page.locator('svg.chart rect[data-role=opened]')).toHaveCount(1)
  await page.keyboard.press('Control+z')
  await expect(page.locator('svg.chart rect[data-role=opened]')).toHaveCount(0)
})

test('steps are moved, a subtotal stands between them, and all of it is undone over a reload', async ({ page }) => {
  await question(page, 'Net revenue by route')
  await kind(page, 'Bridge waterfall').click()
  await by(page, 'Route')
  await expect(rows(page)).toHaveCount(6)
  const [first, second] = (await names(page)).slice(1, 3)
  await page.locator('svg.chart').focus()
  await page.keyboard.press('ArrowDown')
  await page.keyboard.press('ArrowDown')
  await page.keyboard.press('Alt+ArrowDown')
  await expect.poll(async () => (await names(page)).slice(1, 3)).toEqual([second, first])
  await select(page, String(first))
  await item(page, /Subtotal after it/).click()
  await expect(page.locator('svg.chart text[data-role=name]', { hasText: 'Subtotal' })).toBeVisible()
  await page.reload()
  await expect(page.locator('svg.chart text[data-role=name]', { hasText: 'Subtotal' })).toBeVisible()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.locator('svg.chart text[data-role=name]', { hasText: 'Subtotal' })).toHaveCount(0)
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect.poll(async () => (await names(page)).slice(1, 3)).toEqual([first, second])
})

test('a step is dragged by its handle to the place of another', async ({ page }) => {
  await question(page, 'Net revenue by route')
  await kind(page, 'Bridge waterfall').click()
  await by(page, 'Route')
  await expect(rows(page)).toHaveCount(6)
  await mark(page, 'North', 'change').first().hover({ force: true })
  const handle = page.locator('svg.chart .handle')
  await expect(handle).toBeVisible()
  const from = await handle.boundingBox()
  const to = await mark(page, 'Sound', 'change').first().boundingBox()
  if (!from || !to) throw new Error('There is no handle or no place.')
  await page.mouse.move(from.x + from.width / 2, from.y + from.height / 2)
  await page.mouse.down()
  await page.mouse.move(to.x + to.width / 2, to.y + to.height / 2, { steps: 5 })
  await page.mouse.up()
  await expect.poll(async () => (await names(page)).slice(1, 4)).toEqual(['Holm', 'Sound', 'North'])
})

test('a statement stands beside its budget and prior year, with its variances', async ({ page }) => {
  await question(page, 'Operating statement')
  await kind(page, 'Statement waterfall').click()
  await expect(sentence(page)).toContainText('come to, against budget')
  expect(await labels(page, 'tier-name')).toEqual(expect.arrayContaining(['AC/FC', 'BU', 'ΔBU']))
  await expect(page.locator('svg.chart')).toContainText('Fares and freight')
  expect((await names(page)).filter(name => name === '=').length).toBe(2)
  await kind(page, 'Variance tiers').click()
  await expect(page.locator('svg.chart text[data-role=name]', { hasText: 'Result' })).toBeVisible()
})

test('what drives a value: volume, mix and rate, opened into their members', async ({ page }) => {
  await chart(page, 'What drove bookings revenue')
  expect(await names(page)).toEqual(expect.arrayContaining(['Volume', 'Mix', 'Rate']))
  await expect(margin(page)).toContainText('Opened steps add up')
  await select(page, 'rate')
  await item(page, /Open by vehicle class/).click()
  await expect(page.locator('svg.chart rect[data-role=opened]')).toHaveCount(2)
  await slot(page, 'From and to').click()
  await page.getByLabel(/By what drives Revenue/).uncheck()
  await page.keyboard.press('Escape')
  await expect(page.locator('svg.chart text[data-role=name]', { hasText: 'Volume' })).toHaveCount(0)
})

test('from a variance chart to what explains it, and back', async ({ page }) => {
  await chart(page, 'Monthly revenue')
  const link = margin(page).getByRole('button', { name: /of 6 routes explain/ })
  await expect(link).toBeVisible()
  await link.click()
  await expect(kind(page, 'Bridge waterfall')).toHaveAttribute('aria-checked', 'true')
  await expect(sentence(page)).toContainText('from budget to actual, by route')
  await page.getByRole('navigation', { name: 'Looked into' }).getByRole('button').first().click()
  await expect(kind(page, 'Variance tiers')).toHaveAttribute('aria-checked', 'true')
})

test('a bridge is typed, and asked over time', async ({ page }) => {
  await question(page, 'Net revenue by route')
  await kind(page, 'Bridge waterfall').click()
  await by(page, 'Route')
  await slot(page, 'From and to').click()
  await page.keyboard.type('2024 to 2025')
  await page.keyboard.press('Enter')
  await expect(sentence(page)).toContainText('get from 2024 to 2025, by route')
  await expect(page.locator('svg.chart')).toContainText('from 2024 to 2025')
  await slot(page, 'From and to').click()
  await page.getByRole('button', { name: 'Year to date, on the year' }).click()
  await expect(sentence(page)).toContainText('from a year before to the year to date')
})

test('the row of kinds stays one line on a narrow window, and a group opens to its kinds', async ({ page }) => {
  await page.setViewportSize({ width: 900, height: 800 })
  await chart(page, 'Monthly revenue')
  const line = page.getByRole('group', { name: 'Drawn as' })
  expect((await line.boundingBox())?.height).toBeLessThan(40)
  await line.getByRole('button', { name: 'Why' }).click()
  await page.getByRole('menuitemradio', { name: /Build-up waterfall/ }).click()
  await expect(rows(page).first()).toBeVisible()
})

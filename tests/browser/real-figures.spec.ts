import { readFileSync } from 'node:fs'
import { margin, mark } from './ledger'
import { by, choose, expect, labels, made, read, sentence, slot, test } from './page'

const CUSTOMERS = `Customer\tMonth\tScenario\tAmount
Ann\t2026-01\tAC\t100
Ann\t2026-02\tBU\t120
Bob\t2026-01\tAC\t50
Bob\t2026-02\tAC\t50
Bob\t2026-01\tBU\t60
Bob\t2026-02\tBU\t60
Cid\t2026-01\tBU\t40
`
const ledger = (month: string) => readFileSync(`tests/fixtures/ledger/ledger-2026-${month}.csv`)
const workings = (page: import('@playwright/test').Page, row: string) =>
  page.locator(`#workings [data-row="${row}"] td`).allTextContents()
async function openWorkings(page: import('@playwright/test').Page, row: string) {
  await page.getByRole('button', { name: /^Workings/ }).click()
  await expect(page.locator(`#workings [data-row="${row}"]`)).toBeVisible()
}
const words = (texts: string[]) => texts.map(text => text.trim().replace(/\s+/g, ' '))

test('a ledger by day is drawn as it is, month after month', async ({ page }) => {
  await page.goto('/')
  await choose(page, 'ledger-2026-08.csv', ledger('08'))
  await expect(page.getByLabel('Name of the dataset')).toHaveValue('Ledger')
  await expect(page.getByLabel('Summary')).toContainText('Amount in EUR')
  await page.getByLabel('Name of the dataset').fill('Berths')
  await page.getByRole('button', { name: 'Bring in' }).click()
  await expect(sentence(page)).toContainText('in Jan–Aug 2026')
  expect((await labels(page, 'value-label')).slice(0, 2)).toEqual(['251', '208'])
  expect((await labels(page, 'variance-label')).slice(0, 2)).toEqual(['+92', '+29'])
  await expect(margin(page)).toContainText('1,745')
  await by(page, 'Port')
  await openWorkings(page, 'Tarn')
  expect(words(await workings(page, 'Tarn')).slice(0, 2)).toEqual(['485', '419'])
  await expect(margin(page)).toContainText('Ports add up to the total')

  await page.getByRole('button', { name: 'One period back' }).click()
  await expect(page.getByRole('group', { name: 'Books closed through' })).toContainText('Jul 2026')
  await page.getByTitle(/^Type a month, or a day/).click()
  await page.getByLabel(/^Books closed through: a month/).fill('15 Aug 2026')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('group', { name: 'Books closed through' })).toContainText('15 Aug 2026')

  await page.goto('/')
  await choose(page, 'ledger-2026-09.csv', ledger('09'))
  await page.getByRole('button', { name: /^Dataset:/ }).click()
  await page.getByRole('option', { name: 'Berths' }).click()
  await page.getByRole('button', { name: 'Bring in' }).click()
  await expect(page.getByLabel('Dataset')).toContainText('1,631 figures, 1 Jan 2025–27 Sep 2026')
})

test('who bought nothing, and who was not budgeted, is in the numbers', async ({ page }) => {
  const id = await made(page, 'Customers', CUSTOMERS)
  await page.goto(`/charts/new?dataset=${id}`)
  await by(page, 'Customer')
  await expect(page.locator('svg.chart')).toContainText('Cid')
  expect(await labels(page, 'variance-label')).toEqual(['−20', '−20', '−40', '−80'])
  await openWorkings(page, 'Cid')
  expect(words(await workings(page, 'Cid'))).toEqual(['–', '40', '−40', '−100.0'])
  await expect(margin(page)).toContainText('1 customer has budget and no actual, counted as nothing')
  await mark(page, 'Cid', 'reference').hover()
  await expect(page.getByRole('status').filter({ hasText: 'Cid' })).toContainText('−40')
})

test('a variance of part of the time says so wherever it stands', async ({ page }) => {
  const id = await made(page, 'Half budgeted', CUSTOMERS.replace('Bob\t2026-02\tAC\t50\n', ''))
  await page.goto(`/charts/new?dataset=${id}`)
  await by(page, 'Customer')
  await expect(page.locator('svg.chart')).toContainText('ΔBU without Feb')
  await openWorkings(page, 'Bob')
  expect(words(await workings(page, 'Bob'))[2]).toBe('−10Jan only')
  await expect(margin(page)).toContainText('Feb: budget only, so not compared')
})

test('what the name tells of a measure is asked once', async ({ page }) => {
  const id = await made(page, 'Costs', 'Month\tCosts actual\tCosts budget\n2026-01\t5\t6\n')
  await page.goto(`/charts/new?dataset=${id}`)
  const better = slot(page, 'Better')
  await expect(better).toContainText('Less is better?')
  await better.click()
  await page.getByRole('option', { name: /^Less is better/ }).click()
  await expect(better).not.toContainText('?')
  await page.reload()
  await expect(page.locator('svg.chart')).toBeVisible()
  await expect(slot(page, 'Better')).toHaveText('Less is better')
})

test('what nobody has asked for stands behind one quiet slot', async ({ page }) => {
  const id = await made(
    page,
    'Two measures',
    'Month\tRoute\tFuel\tSailings\n2026-01\tNorth\t5\t60\n2026-01\tHolm\t4\t30\n',
  )
  await page.goto(`/charts/new?dataset=${id}`)
  await expect(page.locator('svg.chart')).toBeVisible()
  expect(await read(page)).not.toContain('whatever')
  await page.getByRole('button', { name: 'More that can be asked' }).click()
  await page.getByRole('option').first().click()
  await expect(slot(page, 'Numbers')).toHaveAttribute('aria-expanded', 'true')
  await page.getByLabel('Sailings at least').fill('50')
  await page.getByRole('button', { name: 'Filter', exact: true }).click()
  await expect(sentence(page)).toContainText('where sailings is at least 50')
})

test('the two rules of a measure are read, changed and kept', async ({ page }) => {
  await page.goto('/')
  await choose(page, 'scores.csv', 'Store,Month,Satisfaction score\nA,2026-01,80\nB,2026-01,90\n')
  await expect(page.getByLabel('Satisfaction score over periods')).toHaveValue('average')
  await expect(page.getByLabel('Satisfaction score over members')).toHaveValue('average')
  await page.getByLabel('Satisfaction score over members').selectOption('sum')
  await page.getByLabel('Name of the dataset').fill('Scores')
  await page.getByRole('button', { name: 'Bring in' }).click()
  await expect(margin(page)).toContainText('170')
  await page.goto('/figures')
  await page.getByRole('link', { name: 'Scores', exact: true }).click()
  await page.getByRole('link', { name: 'Settings' }).click()
  await page.getByLabel('How members of Satisfaction score are counted together').selectOption('average')
  const dialog = page.getByRole('dialog')
  if (await dialog.isVisible()) await dialog.getByRole('button', { name: 'Do it' }).click()
  await page.getByRole('link', { name: 'To the figures' }).click()
  await expect(page.getByRole('table').or(page.getByRole('grid')).first()).toContainText('85')
})

test('fractions among percentages are asked about, a title names what it is over', async ({ page }) => {
  await page.goto('/')
  await choose(page, 'margin.csv', 'Month,Margin\n2026-01,12 %\n2026-02,0.5\n')
  await expect(page.getByText('Plain numbers beside percentages')).toBeVisible()
  await page.getByLabel('Plain numbers beside percentages').selectOption('fractions')
  await page.getByRole('button', { name: 'Bring in' }).click()
  await expect(page.locator('svg.chart')).toBeVisible()
  expect(await labels(page, 'value-label')).toEqual(['12.0', '50.0'])

  await page.goto('/')
  await page.getByRole('button', { name: 'Paste a table' }).click()
  await page
    .getByLabel('Table', { exact: true })
    .fill('Costs by department, k EUR\n\nDepartment\tJan 2026\tFeb 2026\nCrew\t1.5\t2\nPort\t3\t4\n')
  await page.getByRole('button', { name: 'Read it' }).click()
  await expect(page.getByLabel('Name of the dataset')).toHaveValue('Costs by department')
  await expect(page.getByLabel('What is counted')).toHaveValue('Costs')
  await expect(page.getByText('By its name, less is better.')).toBeVisible()
  await page.getByRole('button', { name: 'Yes', exact: true }).click()
  await expect(page.getByText('By its name, less is better.')).toBeHidden()
  await page.getByRole('button', { name: 'Bring in' }).click()
  await expect(page.locator('svg.chart')).toContainText('in EUR')
  expect(await labels(page, 'value-label')).toEqual(['4,500', '6,000'])
  await expect(slot(page, 'Better')).toHaveText('Less is better')
})

import { readFileSync } from 'node:fs'
import AxeBuilder from '@axe-core/playwright'
import { grid, choose, expect, labels, sentence, test } from './page'

const fixture = (name: string) => readFileSync(`tests/fixtures/figures/${name}`)
const unique = (name: string) => `${name} ${Math.random().toString(36).slice(2, 7)}`

/** A dataset of its own from a file; returns its name. */
async function made(page: import('@playwright/test').Page, csv: string): Promise<string> {
  const name = unique('Ledger')
  await page.goto('/')
  await choose(page, 'ledger-2026-07.csv', csv)
  await page.getByRole('button', { name: /^Dataset:/ }).click()
  await page.getByRole('option', { name: 'a new dataset' }).click()
  await page.getByLabel('Name of the dataset').fill(name)
  await page.getByRole('button', { name: 'Bring in' }).click()
  await expect(page.locator('svg.chart')).toBeVisible()
  return name
}
async function figures(page: import('@playwright/test').Page, name: string) {
  await page.goto('/figures')
  await page.getByRole('link', { name, exact: true }).click()
  await expect(page.getByRole('heading', { name })).toBeVisible()
}

test('a workbook with two header rows becomes a chart', async ({ page }) => {
  await page.goto('/')
  await choose(page, 'plan-2026.xlsx', fixture('two-headers.xlsx'))
  await expect(page.getByRole('button', { name: 'Sheet: Plan' })).toBeVisible()
  await expect(page.getByRole('button', { name: 'Header: rows 4 and 5' })).toBeVisible()
  await expect(page.getByLabel('Summary')).toContainText('8 amounts')
  await expect(page.getByLabel('Summary')).toContainText('1 row of totals was left out; it ties with its figures.')
  await expect(page.getByLabel('Scale of Amount')).toHaveValue('1000')
  await page.getByLabel('What is counted').fill('Net revenue')
  await page.getByRole('button', { name: 'Bring in' }).click()
  await expect(sentence(page)).toContainText('How did net revenue of all routes in Jan–Feb 2026 compare with budget')
  expect(await labels(page, 'value-label')).toEqual(['303', '313'])
})

test('another header row and another sheet can be told', async ({ page }) => {
  await page.goto('/')
  await choose(page, 'plan-2026.xlsx', fixture('two-headers.xlsx'))
  await page.getByRole('button', { name: 'Header: rows 4 and 5' }).click()
  await page.getByLabel('The names of the columns stand in').selectOption('one row')
  await page.getByRole('button', { name: 'Look again' }).click()
  await expect(page.getByRole('button', { name: 'Header: row 4' })).toBeVisible()
  await page.getByRole('button', { name: 'Sheet: Plan' }).click()
  await page.getByRole('option', { name: 'Read me' }).click()
  await expect(page.getByRole('alert').last()).toContainText('The file has a header and no figures below it.')
})

test('a pasted list becomes a dataset without periods', async ({ page }) => {
  await page.goto('/')
  await page.getByRole('button', { name: 'Paste a table' }).click()
  await page.getByLabel('Table', { exact: true }).fill('Kiosk\t120.50\nFares\t+40\nFuel\t(70)\n')
  await page.getByRole('button', { name: 'Read it' }).click()
  await expect(page.getByText('this would be a plain list')).toBeVisible()
  await page.getByLabel('Name of the dataset').fill(unique('Steps'))
  await page.getByRole('button', { name: 'Bring in' }).click()
  await expect(page.getByText('a list without periods')).toBeVisible()
  const table = page.getByLabel('Figures', { exact: true })
  await expect(table.getByRole('row', { name: /^Fuel/ })).toContainText('−70.00')
  await expect(table.getByRole('row', { name: /^All/ })).toContainText('90.50')
})

test('years down and months across', async ({ page }) => {
  await page.goto('/')
  await choose(page, 'passengers.csv', fixture('years-down-months-across.csv'))
  await expect(page.getByLabel('Summary')).toContainText('Jan 2025–Feb 2026, by month')
  await expect(page.getByLabel('Role of Year')).toHaveValue('period')
  await page.getByRole('button', { name: 'Bring in' }).click()
  await expect(sentence(page)).toContainText('compare with prior year')
})

test("next month's file needs a drop and a confirmation", async ({ page }) => {
  const name = await made(page, 'Month,Route,Actual\n2026-06,North,10\n2026-07,North,20\n2026-07,Holm,5\n')
  await page.goto('/')
  await choose(page, 'ledger-2026-08.csv', 'Month,Route,Actual\n2026-07,North,22\n2026-08,North,30\n')
  await expect(page.getByRole('button', { name: `Dataset: ${name}` })).toBeVisible()
  const summary = page.getByLabel('Summary')
  await expect(summary).toContainText('added1')
  await expect(summary).toContainText('replaced1')
  await page.getByRole('button', { name: 'Bring in' }).click()
  await expect(page.getByRole('status').filter({ hasText: 'is in: 1 added, 1 replaced' })).toBeVisible()
  await expect(page.getByRole('heading', { name })).toBeVisible()
  await expect(page.getByLabel('Brought in')).toContainText('ledger-2026-08.csv')
  await expect(page.getByLabel('Figures', { exact: true }).getByRole('row', { name: /^North/ })).toContainText('22')
})

test('the same file twice is said, and a slip in a name is offered as the same', async ({ page }) => {
  const csv = `Month,Route,Actual\n2026-07,North,${Math.floor(Math.random() * 1e9)}\n2026-07,Holm,5\n`
  const name = await made(page, csv)
  await figures(page, name)
  await choose(page, 'again.csv', csv)
  await expect(page.getByText(`This very file came in on`)).toContainText(`into ${name}.`)
  await expect(page.getByLabel('Summary')).toContainText('unchanged2')
  await page.getByRole('button', { name: 'Cancel' }).click()
  await expect(page.getByRole('heading', { name })).toBeVisible()
  await choose(page, 'slip.csv', 'Month,Route,Actual\n2026-08,Norht,7\n')
  await expect(page.getByText('“Norht” looks like “North”.')).toBeVisible()
  await expect(page.getByLabel('Summary')).toContainText('New in Route')
  await page.getByRole('button', { name: 'Same', exact: true }).click()
  await expect(page.getByText('looks like')).toBeHidden()
  await expect(page.getByLabel('Summary')).not.toContainText('New in Route')
  await page.getByRole('button', { name: 'Bring in' }).click()
  await expect(page.getByLabel('Figures', { exact: true }).getByRole('row', { name: /^North/ })).toContainText('7')
})

test('a reading survives a reload until it is dropped', async ({ page }) => {
  await page.goto('/')
  await choose(page, 'plan-2026.xlsx', fixture('two-headers.xlsx'))
  await expect(page.getByLabel('Summary')).toContainText('8 amounts')
  await page.reload()
  await expect(page.getByLabel('Summary')).toContainText('8 amounts')
  const address = page.url()
  await page.getByRole('button', { name: 'Cancel' }).click()
  await page.goto(address)
  await expect(page.getByRole('alert')).toContainText('This file is no longer here. Choose it again.')
})

test('an import is taken back, and what came later stays', async ({ page }) => {
  const name = await made(page, 'Month,Route,Actual\n2026-06,North,10\n2026-07,North,20\n')
  await figures(page, name)
  await choose(page, 'second.csv', 'Month,Route,Actual\n2026-07,North,25\n2026-08,North,30\n')
  await page.getByRole('button', { name: 'Bring in' }).click()
  await expect(page.getByLabel('Brought in')).toContainText('second.csv')
  await choose(page, 'third.csv', 'Month,Route,Actual\n2026-08,North,33\n')
  await page.getByRole('button', { name: 'Bring in' }).click()
  const list = page.getByLabel('Brought in')
  await expect(list).toContainText('third.csv')
  const second = list.getByRole('listitem').filter({ hasText: 'second.csv' })
  await second.getByRole('button', { name: 'Take back' }).click()
  await expect(second).toContainText(
    '1 earlier one would come back. 1 figure of it was overwritten or removed by a later import and stays as it is.',
  )
  await expect(second).toContainText('North, Aug 2026, AC: now as third.csv has it')
  await second.getByRole('button', { name: 'Take the rest back' }).click()
  await expect(second).toContainText('taken back')
  const north = page.getByLabel('Figures', { exact: true }).getByRole('row', { name: /^North/ })
  await expect(north).toContainText('20')
  await expect(north).toContainText('33')
})

test('an amount leads to the rows that it came from, by keyboard', async ({ page }) => {
  await page.goto('/figures')
  await page.getByRole('link', { name: 'Operating statement', exact: true }).click()
  await grid(page).focus()
  for (const key of ['ArrowDown', 'ArrowDown', 'ArrowDown', 'ArrowDown', 'ArrowRight', 'ArrowRight', 's'])
    await page.keyboard.press(key)
  const sources = page.getByLabel('Where it came from')
  await expect(sources.getByRole('heading')).toContainText('Onboard sales, Mar, AC')
  await expect(sources).toContainText('operating-statement.csv')
  await expect(sources.getByRole('row')).toHaveCount(7)
  expect(
    (await new AxeBuilder({ page }).analyze()).violations.filter(
      one => one.impact === 'serious' || one.impact === 'critical',
    ),
  ).toEqual([])
})

test('a long reading shows how far it is and can be stopped', async ({ page }) => {
  const lines = ['Month,Route,Actual']
  for (let i = 0; i < 900_000; i++) lines.push(`2026-${String((i % 12) + 1).padStart(2, '0')},Route ${i % 901},${i}`)
  await page.goto('/')
  await choose(page, 'long.csv', lines.join('\n'))
  await expect(page.getByRole('button', { name: 'Stop' })).toBeVisible()
  await page.getByRole('button', { name: 'Stop' }).click()
  await expect(page.getByText('Stopped. Nothing was kept.')).toBeVisible()
  await expect(page.getByRole('button', { name: 'Bring in' })).toHaveCount(0)
  await page.getByRole('button', { name: 'Read it again' }).click()
  await expect(page.getByLabel('Summary')).toContainText('10,812 amounts', { timeout: 20_000 })
})

test('long work is shown on whichever page, and its answer comes', async ({ page }) => {
  const lines = ['Month,Route,Actual']
  for (let i = 0; i < 30_000; i++) lines.push(`2026-${String((i % 12) + 1).padStart(2, '0')},Route ${i % 2503},${i}`)
  await page.goto('/')
  await choose(page, 'many-routes.csv', lines.join('\n'))
  await expect(page.getByLabel('Summary')).toBeVisible({ timeout: 20_000 })
  await page.getByRole('button', { name: 'Bring in' }).click()
  await expect(page).toHaveURL(/\/charts\/new/, { timeout: 20_000 })
  await page.goto('/figures')
  await page.getByRole('link', { name: 'Many routes', exact: true }).click()
  // It is held as long as it takes to be seen.
  let isHeld = true
  await page.route('**/api/jobs/*', async route => {
    const response = await route.fetch()
    const job = await response.json()
    if (!isHeld || route.request().method() !== 'GET') return route.fulfill({ response })
    await route.fulfill({ response, json: { ...job, state: 'working', phase: 'series', done: 1200, of: 2503 } })
  })
  await page.getByRole('button', { name: 'Export' }).click()
  const download = page.waitForEvent('download')
  await page.getByRole('menuitem', { name: /^CSV/ }).click()
  const lineOfWork = page.getByRole('status').filter({ hasText: 'Many routes is being exported' })
  await expect(lineOfWork).toContainText('1,200 of 2,503 series')
  await expect(lineOfWork.getByRole('button', { name: 'Stop' })).toBeVisible()
  isHeld = false
  expect((await download).suggestedFilename()).toBe('many-routes.csv')
  await expect(lineOfWork).toHaveCount(0)
})

test('a dataset is exported and reads back in unchanged', async ({ page }) => {
  await page.goto('/figures')
  await page.getByRole('link', { name: 'Net revenue by route', exact: true }).click()
  for (const [label, ending] of [
    ['CSV', 'csv'],
    ['XLSX', 'xlsx'],
    ['ODS', 'ods'],
    ['JSON lines', 'jsonl'],
  ] as const) {
    await page.getByRole('button', { name: 'Export' }).click()
    const download = page.waitForEvent('download')
    await page.getByRole('menuitem', { name: new RegExp(`^${label}`) }).click()
    const file = await download
    expect(file.suggestedFilename()).toBe(`net-revenue-by-route.${ending}`)
    await choose(page, file.suggestedFilename(), readFileSync(await file.path()))
    await expect(page.getByLabel('Summary')).toContainText('unchanged444')
    await page.getByRole('button', { name: 'Cancel' }).click()
    await expect(page.getByRole('heading', { name: 'Net revenue by route' })).toBeVisible()
  }
})

test('the reading view has nothing serious against it', async ({ page }) => {
  await page.goto('/')
  await choose(
    page,
    'statement-2026.csv',
    'Operating statement, in k EUR\n\nMonth,Route,Actual\nJan,North,12.5\nFeb,Norht,13\nTotal,,25.5\n',
  )
  await expect(page.getByLabel('Summary')).toBeVisible()
  expect(
    (await new AxeBuilder({ page }).analyze()).violations.filter(
      one => one.impact === 'serious' || one.impact === 'critical',
    ),
  ).toEqual([])
})

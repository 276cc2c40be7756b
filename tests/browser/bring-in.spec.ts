import { expect, labels, sentence, test } from './page'

const CSV = 'Month;Actual;Budget\n02.2026;311;298\n01.2026;302;310\n03.2026;338;342,5\n'

test('a file becomes a chart', async ({ page }) => {
  await page.goto('/')
  await page.setInputFiles('input[type=file]', {
    name: 'monthly-results.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(CSV),
  })
  await expect(page.getByRole('heading', { name: 'monthly-results.csv' })).toBeVisible()
  await expect(page.getByLabel('Name of the dataset')).toHaveValue('Monthly results')
  await expect(page.getByLabel('Role of Month')).toHaveValue('period')
  await expect(page.getByLabel('Role of Budget')).toHaveValue('amount-BU')
  await expect(page.getByLabel('Decimal sign')).toHaveValue(',')
  await expect(page.getByLabel('Summary')).toContainText('6 amounts')
  await page.getByLabel('What is counted').fill('Net revenue')
  await page.getByRole('button', { name: 'Bring in' }).click()
  await expect(sentence(page)).toContainText('How did net revenue in Jan–Mar 2026 compare with budget')
  expect(await labels(page, 'period')).toEqual(['Jan', 'Feb', 'Mar'])
  expect(await labels(page, 'value-label')).toEqual(['302', '311', '338'])
})

test('a role can be changed before anything is kept', async ({ page }) => {
  await page.goto('/')
  await page.setInputFiles('input[type=file]', {
    name: 'plan.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from('Month,Actual,Other\n2026-01,5,7\n'),
  })
  await expect(page.getByLabel('Summary')).toContainText('AC')
  await page.getByLabel('Role of Other').selectOption('amount-BU')
  await expect(page.getByLabel('Summary')).toContainText('AC BU')
  await page.getByRole('button', { name: 'Cancel' }).click()
  await expect(page.getByRole('link', { name: 'Plan', exact: true })).toHaveCount(0)
})

test('a pasted table becomes a chart', async ({ page }) => {
  await page.goto('/')
  await page.getByRole('button', { name: 'Paste a table' }).click()
  await page
    .getByLabel('Table', { exact: true })
    .fill('Month\tRoute\tActual\tBudget\nJan 2026\tNorth\t5\t4\nJan 2026\tHolm\t3\t4\nFeb 2026\tNorth\t6\t4\n')
  await page.getByRole('button', { name: 'Read it' }).click()
  await page.getByLabel('Name of the dataset').fill('Pasted')
  await page.getByRole('button', { name: 'Bring in' }).click()
  await expect(sentence(page)).toContainText('all routes')
  expect(await labels(page, 'value-label')).toEqual(['8', '6'])
})

test("a sample shows the way without a file of one's own", async ({ page }) => {
  await page.goto('/')
  await page.getByRole('button', { name: 'Try a sample' }).click()
  await expect(page.getByLabel('Summary')).toContainText('Jan 2024–Dec 2026, by month')
  await expect(page.getByText('This very file came in')).toContainText('into Net revenue by route.')
  await page.getByRole('button', { name: /^Dataset:/ }).click()
  await page.getByRole('option', { name: 'a new dataset' }).click()
  await page.getByRole('button', { name: 'Bring in' }).click()
  await expect(sentence(page)).toContainText('of all routes in Jan–Dec 2026 compare with budget and prior year')
})

test('a refused file says which row and why, and leaves nothing behind', async ({ page }) => {
  await page.goto('/figures')
  await expect(page.locator('tbody tr').first()).toBeVisible()
  const before = await page.locator('tbody tr').count()
  await page.setInputFiles('input[type=file]', {
    name: 'bad.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from('Month,Actual\n2026-01,5\n2026-02,1.2.3\nwhenever,5\n'),
  })
  await expect(page.getByLabel('Refused', { exact: true })).toContainText(
    'Row 3: "1.2.3" is not a number. Mend it in the file, or leave the row out.',
  )
  await expect(page.getByLabel('Refused', { exact: true })).toContainText('Row 4: "whenever" is not a period.')
  await expect(page.getByRole('button', { name: 'Bring in' })).toBeDisabled()
  await page.goto('/figures')
  await expect(page.locator('tbody tr')).toHaveCount(before)
})

test('refused rows can be left out', async ({ page }) => {
  await page.goto('/')
  await page.setInputFiles('input[type=file]', {
    name: 'bad.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from('Month,Actual\n2026-01,5\n2026-02,6\nwhenever,11\n'),
  })
  await page.getByRole('button', { name: 'Leave this row out' }).click()
  await expect(page.getByText('1 row is left out.')).toBeVisible()
  await page.getByRole('button', { name: 'Bring in' }).click()
  await expect(page.locator('svg.chart')).toBeVisible()
  expect(await labels(page, 'value-label')).toEqual(['5', '6'])
})

test('what is no table is refused at once', async ({ page }) => {
  await page.goto('/')
  await page.setInputFiles('input[type=file]', { name: 'empty.csv', mimeType: 'text/csv', buffer: Buffer.from('') })
  await expect(page.getByRole('alert')).toContainText(
    'The file is empty. Give one with a header row and at least one row of figures.',
  )
})

test('names are text, however long and whatever is in them', async ({ page }) => {
  const long = 'Revenue of the whole and undivided northern archipelago with its piers and <b>bars</b>'
  await page.goto('/')
  await page.setInputFiles('input[type=file]', {
    name: 'long.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(`Month,Route,Actual,Budget\n2026-01,<script>alert(1)</script>,-5,-4\n2026-02,${long},-6,-7\n`),
  })
  await page.getByLabel('Name of the dataset').fill(long)
  await page.getByLabel('What is counted').fill(long)
  await page.getByRole('button', { name: 'Bring in' }).click()
  await expect(sentence(page)).toContainText('<b>bars</b>')
  await page.getByRole('button', { name: /^Route:/ }).click()
  await page.getByRole('checkbox', { name: '<script>alert(1)</script>' }).click()
  await expect(page.locator('svg.chart')).toContainText('<script>alert(1)</script>')
})

import { by, chart, expect, made, sentence, test } from './page'

type Page = import('@playwright/test').Page

async function three(page: Page, names: string[]) {
  const id = await made(
    page,
    `Looks ${names[0]}`,
    'Month\tRoute\tAmount\tBudget\n2026-07\tNorth\t100000\t90000\n2026-08\tNorth\t120000\t100000\n',
  )
  const recipe = { keenMargin: 1, question: { against: ['BU'] }, kind: 'variance-tiers' }
  const charts: number[] = []
  for (const name of names)
    charts.push((await (await page.request.post('/api/charts', { data: { dataset: id, name, recipe } })).json()).id)
  return charts
}

test('a finish is kept under a name, put on three charts at once, followed, and undone', async ({ page }) => {
  const names = ['First of three', 'Second of three', 'Third of three']
  const charts = await three(page, names)
  await page.goto(`/charts/${charts[0]}`)
  await page.getByRole('button', { name: 'Finish' }).click()
  await page.getByRole('radiogroup', { name: 'Colours' }).getByRole('radio', { name: 'greys' }).click()
  await page.getByRole('radiogroup', { name: 'Decimals' }).getByRole('radio', { name: '2' }).click()
  await page.getByLabel('Name for this finish').fill('For print')
  await page.getByRole('button', { name: 'Keep', exact: true }).click()
  await expect(page.getByRole('group', { name: 'Named finishes' })).toContainText('For print')
  await page.getByRole('button', { name: 'Use on charts…' }).click()
  for (const name of names.slice(1)) await page.getByRole('checkbox', { name: new RegExp(name) }).check()
  await page.getByRole('button', { name: /^Use on 3 charts|^Use on 2 charts/ }).click()
  const finish = async (id: number | undefined) =>
    (await (await page.request.get(`/api/charts/${id}`)).json()).recipe.finish ?? {}
  await expect.poll(() => finish(charts[1])).toEqual({ decimals: 2, colours: 'greys', named: 'For print' })
  expect(await finish(charts[2])).toEqual({ decimals: 2, colours: 'greys', named: 'For print' })
  await page.getByRole('button', { name: 'Undo' }).last().click()
  await expect.poll(() => finish(charts[2])).toEqual({})
  await page.request.post(
    `/api/finishes/${(await (await page.request.get('/api/finishes')).json()).items[0].id}/uses`,
    { data: { charts: charts.slice(1) } },
  )
  await page.goto(`/charts/${charts[1]}`)
  await expect(page.locator('svg.chart')).toContainText('120.00')
  await page.getByRole('button', { name: 'Finish' }).click()
  await page.getByRole('radiogroup', { name: 'Decimals' }).getByRole('radio', { name: '1' }).click()
  await page.getByRole('button', { name: 'Change it to this' }).click()
  await expect.poll(async () => (await finish(charts[2])).decimals).toBe(1)
  await page.getByRole('button', { name: 'Delete the finish For print' }).click()
  await expect.poll(async () => (await finish(charts[2])).named).toBeUndefined()
})

test('words, size and greys of a chart', async ({ page }) => {
  const [id] = await three(page, ['Worded chart'])
  await page.goto(`/charts/${id}`)
  await page.getByRole('button', { name: 'Finish' }).click()
  await page.getByRole('button', { name: /^Words/ }).click()
  await page.getByLabel('Who').fill('The whole fleet')
  await page.getByLabel('Footnote').fill('Without <b>harbour</b> dues')
  await page.getByLabel('Height of the chart').fill('700')
  await page.keyboard.press('Tab')
  await expect(page.locator('svg.chart')).toContainText('The whole fleet')
  await expect(page.locator('svg.chart text[data-role=footnote]')).toHaveText('Without <b>harbour</b> dues')
  await expect.poll(async () => Math.round(Number(await page.locator('svg.chart').getAttribute('height')))).toBe(700)
  await page.getByRole('radiogroup', { name: 'Colours' }).getByRole('radio', { name: 'greys' }).click()
  await expect(page.locator('svg.chart rect[data-role=variance]').first()).toHaveAttribute('fill', '#8B9096')
})

test('the chart is seen as other readers see it', async ({ page }) => {
  await chart(page, 'Monthly revenue')
  for (const reader of ['protan', 'deutan', 'tritan', 'grey print']) {
    await page.getByRole('button', { name: /Colour check|readers see it/ }).click()
    await page.getByRole('menuitem', { name: new RegExp(`As ${reader} readers`) }).click()
    await expect(page.getByRole('button', { name: `As ${reader} readers see it` })).toBeVisible()
    const filter = await page
      .locator('svg.chart')
      .evaluate(svg => getComputedStyle(svg.parentElement as Element).filter)
    expect(filter).toContain('reader-')
  }
  await page.getByRole('button', { name: /readers see it/ }).click()
  await page.getByRole('menuitem', { name: 'As it is' }).click()
  await expect(page.getByRole('button', { name: 'Colour check' })).toBeVisible()
})

test('a second chart stands beside the first on one scale, and survives a reload', async ({ page }) => {
  await chart(page, 'Monthly revenue')
  await page.keyboard.press('b')
  const second = page.getByLabel('Chart beside it')
  await expect(second.locator('svg.chart')).toBeVisible()
  await second.getByRole('button', { name: /^Rows:/ }).click()
  await second.getByRole('radio', { name: 'quarter', exact: true }).click()
  await page.keyboard.press('Escape')
  await expect(second.getByRole('heading', { level: 1 })).toContainText('by quarter')
  const height = async (of: import('@playwright/test').Locator, key: string) =>
    Number(await of.locator(`rect[data-key="${key}"][data-role=value]`).getAttribute('height'))
  const first = page.getByLabel('First chart')
  await expect
    .poll(async () => {
      const months = await Promise.all(['2026-01', '2026-02', '2026-03'].map(key => height(first, key)))
      return Math.abs(months.reduce((sum, one) => sum + one, 0) / (await height(second, '2026-Q1')) - 1)
    })
    .toBeLessThan(0.01)
  await expect(page.getByLabel('Margin')).toContainText('One scale in both charts')
  await page.reload()
  await expect(second.getByRole('heading', { level: 1 })).toContainText('by quarter')
  await page.getByRole('button', { name: 'One chart' }).click()
  await expect(second).toHaveCount(0)
  await expect(sentence(page)).toContainText('by month')
  await by(page, 'quarter')
  await page.getByRole('button', { name: 'Undo' }).click()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(second).toBeVisible()
})

test('charts are found, renamed, duplicated, deleted and brought back', async ({ page }) => {
  await three(page, ['Quiet one', 'Quiet other'])
  await page.goto('/charts')
  await page.getByLabel('Find a chart').fill('quiet o')
  await expect(page.getByRole('article')).toHaveCount(2)
  await page.getByRole('button', { name: 'More for Quiet one' }).click()
  await page.getByRole('menuitem', { name: 'Rename' }).click()
  await page.getByLabel('New name of Quiet one').fill('Quiet ones')
  await page.keyboard.press('Enter')
  await page.getByRole('button', { name: 'More for Quiet ones' }).click()
  await page.getByRole('menuitem', { name: 'Duplicate' }).click()
  await expect(page.getByRole('article')).toHaveCount(3)
  await page.getByRole('button', { name: 'More for Quiet ones (copy)' }).click()
  await page.getByRole('menuitem', { name: 'Delete' }).click()
  await expect(page.getByRole('article')).toHaveCount(2)
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByRole('article')).toHaveCount(3)
  await page.getByLabel('Find a chart').fill('no such chart')
  await expect(page.getByText('No chart is called so.')).toBeVisible()
})

test('a recipe is copied out, pasted on other figures, and asks for what these lack', async ({ page }) => {
  await made(page, 'Other figures', 'Month\tLine\tIncome\tBudget\n2026-07\tNorth\t100\t90\n2026-08\tSouth\t120\t100\n')
  await chart(page, 'Revenue by route, year to date')
  await page.keyboard.press('e')
  await page.getByRole('menuitem', { name: /^Copy the recipe/ }).click()
  await expect(page.getByText('The recipe is copied.')).toBeVisible()
  await page.goto('/charts')
  await page.getByRole('button', { name: 'Paste a recipe' }).click()
  const dialog = page.getByRole('dialog')
  await dialog.getByLabel('Recipe').fill('{ not a recipe')
  await dialog.getByRole('button', { name: 'Ask it' }).click()
  await expect(dialog.getByRole('alert')).toContainText('This is not a recipe')
  await dialog.getByLabel('Recipe').fill(await page.evaluate(() => navigator.clipboard.readText()))
  await dialog.getByLabel('Dataset').selectOption({ label: 'Other figures' })
  await dialog.getByRole('button', { name: 'Ask it' }).click()
  await expect(dialog).toContainText('The measure “Net revenue” is not here.')
  await dialog.getByLabel('The measure “Net revenue” is not here.').selectOption('Income')
  await dialog.getByLabel('The breakdown “Route” is not here.').selectOption('Line')
  await dialog.getByRole('button', { name: 'Ask it' }).click()
  await expect(page).toHaveURL(/\/charts\/new/)
  await expect(sentence(page)).toContainText('How did income of all lines')
  await expect(sentence(page)).toContainText('by line')
})

import { by, chart, expect, labels, question, read, sentence, slot, test } from './page'

test('every slot changes the question, and the chart with it', async ({ page }) => {
  await question(page, 'Net revenue by route')
  const before = await labels(page, 'value-label')

  await slot(page, 'Route').click()
  await page.getByRole('checkbox', { name: 'Holm' }).click()
  await expect(sentence(page)).toContainText('of Holm in')
  expect(await labels(page, 'value-label')).not.toEqual(before)
  await page.getByRole('checkbox', { name: 'North' }).click()
  await expect(sentence(page)).toContainText('of North and Holm in')
  await page.keyboard.press('Escape')

  await slot(page, 'Span').click()
  await page.getByRole('button', { name: 'Year to date' }).click()
  await expect(sentence(page)).toContainText('in the year to date')
  expect(await labels(page, 'period')).toHaveLength(8)

  await by(page, 'quarter')
  await expect(sentence(page)).toContainText('by quarter')
  expect(await labels(page, 'period')).toEqual(['Q1', 'Q2', 'Q3'])

  await slot(page, 'References').click()
  await page.getByRole('radiogroup', { name: 'Reference' }).getByRole('radio', { name: 'prior year' }).click()
  await expect(sentence(page)).toContainText('compare with prior year')
  await expect(page.locator('svg.chart')).toContainText('ΔPY')
  await page.keyboard.press('Escape')

  await slot(page, 'Better').click()
  await page.getByRole('option', { name: /Less is better/ }).click()
  await expect(sentence(page)).toContainText('Less is better')

  await slot(page, 'Flag').click()
  await page.getByLabel('Percent').fill('2.5')
  await page.getByLabel('Amount').fill('1.5k')
  await page.getByRole('button', { name: 'Flag', exact: true }).click()
  await expect(sentence(page)).toContainText('flag gaps over 2.5 % and 1.5 k')
})

test('the measure is a slot where there are several', async ({ page }) => {
  await question(page, 'Punctuality')
  await slot(page, 'Measure').click()
  await page.getByRole('option', { name: 'Punctuality' }).click()
  await expect(sentence(page)).toContainText('How did punctuality')
  await expect(page.locator('svg.chart')).toContainText('ΔTG pp')
  await expect(page.getByLabel('Checks')).toContainText('The total is On time over Sailings, both summed')
})

test('the whole question by keyboard', async ({ page }) => {
  await question(page, 'Fuel cost by route')
  await slot(page, 'Measure').focus()
  await page.keyboard.press('ArrowRight')
  await expect(slot(page, 'Route')).toBeFocused()
  await page.keyboard.press('Enter')
  for (let i = 0; i < 3; i++) await page.keyboard.press('ArrowDown')
  await page.keyboard.press('Enter')
  await expect(sentence(page)).toContainText('of Holm in')
  await page.keyboard.press('Escape')
  await expect(slot(page, 'Route')).toBeFocused()
  for (let i = 0; i < 3; i++) await page.keyboard.press('ArrowRight')
  await expect(slot(page, 'Rows')).toBeFocused()
  await page.keyboard.press('Enter')
  await page.keyboard.press('ArrowDown')
  await page.keyboard.press('ArrowDown')
  await page.keyboard.press('Enter')
  await expect(sentence(page)).toContainText('by quarter')
})

test('a threshold that is no number is said so', async ({ page }) => {
  await question(page, 'Net revenue by route')
  await slot(page, 'Flag').click()
  await page.getByLabel('Percent').fill('much')
  await page.getByRole('button', { name: 'Flag', exact: true }).click()
  await expect(page.getByRole('alert')).toContainText('"much" is not a number of zero or more.')
})

test('changes are undone and redone, survive a reload, and a link brings the same chart', async ({ page, context }) => {
  await question(page, 'Net revenue by route')
  const first = await read(page)
  await by(page, 'quarter')
  await expect(sentence(page)).toContainText('by quarter')
  const changed = await read(page)
  await page.reload()
  await expect(sentence(page)).toContainText('by quarter')
  const link = await context.newPage()
  await link.goto(page.url())
  await expect(sentence(link)).toContainText('by quarter')
  expect(await read(link)).toBe(changed)
  await link.close()
  await page.keyboard.press('Control+z')
  await expect(sentence(page)).toContainText('by month')
  expect(await read(page)).toBe(first)
  await page.getByRole('button', { name: 'Redo' }).click()
  await expect(sentence(page)).toContainText('by quarter')
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(sentence(page)).toContainText('by month')
})

test('a cut link says so and shows the first question', async ({ page }) => {
  await page.goto('/charts/new?dataset=1&recipe={"keenMargin":1')
  await expect(page.getByRole('alert')).toContainText('The recipe in this address is cut or changed.')
  await expect(page.locator('svg.chart')).toBeVisible()
})

test('a question that the figures cannot answer is said, and can be undone', async ({ page }) => {
  await question(page, 'Net revenue by route')
  const id = new URL(page.url()).searchParams.get('dataset')
  await page.goto(
    `/charts/new?dataset=${id}&recipe=${encodeURIComponent('{"keenMargin":1,"question":{"measure":"Fuel"},"kind":"variance-tiers"}')}`,
  )
  await expect(page.getByRole('alert')).toContainText('There is no measure "Fuel"; there is Net revenue.')
})

test('the closing period moves on and back, for every chart of the dataset', async ({ page }) => {
  await chart(page, 'Monthly revenue')
  const control = page.getByRole('group', { name: 'Books closed through' })
  await expect(control).toContainText('Aug 2026')
  await page.getByRole('button', { name: 'One period back' }).click()
  await expect(control).toContainText('Jul 2026')
  await expect(page.locator('svg.chart')).toContainText('AC to Jul, then FC')
  await page.keyboard.press('[')
  await expect(control).toContainText('Jun 2026')
  await chart(page, 'Revenue by quarter')
  await expect(page.getByRole('group', { name: 'Books closed through' })).toContainText('Jun 2026')
  await page.keyboard.press(']')
  await expect(control).toContainText('Jul 2026')
  await page.keyboard.press('Control+z')
  await expect(control).toContainText('Jun 2026')
  await page.keyboard.press(']')
  await page.keyboard.press(']')
  await expect(control).toContainText('Aug 2026')
  // The page shows it at once; other paths begin with what the server keeps.
  await expect
    .poll(async () => {
      const charts = await (await page.request.get('/api/charts?q=Revenue%20by%20quarter')).json()
      return (await (await page.request.get(`/api/datasets/${charts.items[0].dataset}`)).json()).closing
    })
    .toBe('2026-08')
})

import { by, chart, expect, made, served, slot, test } from './page'

test('anything that has a name is found', async ({ page }) => {
  await page.goto('/')
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
  await page.keyboard.press('/')
  await page.keyboard.type('onboard')
  await expect(page.getByRole('option', { name: /Onboard sales/ })).toBeVisible()
  await page.keyboard.press('Enter')
  await expect(page.getByRole('button', { name: 'Breakdown: Line' })).toBeVisible()
  await expect(page.getByText(/^Onboard sales, Aug, AC:/)).toBeVisible()
  await page.keyboard.press('Escape')
  await page.getByRole('button', { name: 'Find', exact: true }).click()
  await page.keyboard.type('no such thing')
  await expect(page.getByText('Nothing of that name.')).toBeVisible()
  await page.keyboard.press('Escape')
  await expect(page.getByRole('dialog')).toHaveCount(0)
})

test('a list becomes a dataset in three actions, and its bands are asked for', async ({ page }) => {
  await page.goto('/')
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
  await page.evaluate(() =>
    document.dispatchEvent(
      new ClipboardEvent('paste', { bubbles: true, clipboardData: Object.assign(new DataTransfer(), {}) }),
    ),
  )
  await page.evaluate(
    text => navigator.clipboard.writeText(text),
    'Route\tValue\tTarget\tPoor\tFair\nNorth\t72\t80\t75\t90\n',
  )
  await page.keyboard.press('ControlOrMeta+v')
  const bands = page.getByRole('radiogroup', { name: 'What the bands are' })
  await expect(bands).toContainText('the file does not tell: please check')
  await expect(bands).toContainText('North: 60, 72')
  await bands.getByLabel(/in percent of the target/).check()
  await page.getByLabel('Name of the dataset').fill('Punctuality by route')
  await page.getByRole('button', { name: 'Bring in' }).click()
  await expect(page.locator('svg.chart rect[data-role=band]')).toHaveCount(2)
  await page.getByRole('link', { name: 'Figures', exact: true }).click()
  await page.getByRole('link', { name: 'Punctuality by route', exact: true }).first().click()
  await page.getByRole('button', { name: /^Measure:/ }).click()
  await page.getByRole('option', { name: 'Fair' }).click()
  await expect(page.getByRole('grid').getByRole('row', { name: /^North/ })).toContainText('72')
})

test('a chart that pins an earlier closing period is marked as behind', async ({ page }) => {
  const id = await made(page, 'Pinned', 'Month,Actual\n2026-05,10\n2026-06,11\n')
  const question = { closedThrough: '2026-05' }
  await page.request.post('/api/charts', {
    data: { dataset: id, name: 'A pinned chart', recipe: { keenMargin: 1, question, kind: 'variance-tiers' } },
  })
  await page.goto('/')
  await expect(page.getByRole('article').filter({ hasText: 'A pinned chart' })).toContainText(
    'Closed through May 2026; its figures through Jun 2026.',
  )
})

test('two windows on one chart: the later one is told, and chooses', async ({ page, context }) => {
  const id = await made(page, 'Two charts', 'Month,Route,Actual,Budget\n2026-05,North,10,9\n2026-06,Holm,11,12\n')
  const answer = await page.request.post('/api/charts', {
    data: { dataset: id, name: 'In two windows', recipe: { keenMargin: 1, question: {}, kind: 'variance-tiers' } },
  })
  const other = await context.newPage()
  await chart(page, 'In two windows')
  await chart(other, 'In two windows')
  await by(page, 'quarter')
  const { id: named } = (await answer.json()) as { id: number }
  const saved = async () => (await (await page.request.get(`/api/charts/${named}`)).json()).recipe.question.by
  await expect.poll(saved).toBe('quarter')
  await slot(other, 'Better').click()
  await other.getByRole('option', { name: /Less is better/ }).click()
  await expect(other.getByRole('alert')).toContainText(
    'This chart was saved in another window meanwhile, with another choice of rows.',
  )
  await other.getByRole('button', { name: 'Put mine on top' }).click()
  await expect(other.getByRole('alert')).toHaveCount(0)
  await by(page, 'year')
  await page.getByRole('button', { name: 'Take theirs' }).click()
  await expect(page.getByRole('heading', { level: 1 })).toContainText('by month')
  await expect(page.getByRole('heading', { level: 1 })).toContainText('Less is better')
})

// Without the check for errors: that the part cannot be loaded is one.
served('a part of the application that cannot be loaded comes with the whole page', async ({ page }) => {
  await page.goto('/charts')
  await page.route('**/ChartView-*.js', route => route.abort(), { times: 1 })
  await page.getByRole('article').first().getByRole('link').first().click()
  await expect(page.locator('svg.chart')).toBeVisible()
})

import { readFileSync } from 'node:fs'
import AxeBuilder from '@axe-core/playwright'
import { by, chart, expect, question, sentence, slot, test } from './page'

test('a chart is kept when it is named, saves itself, and stands in the list with its picture', async ({ page }) => {
  await question(page, 'Operating statement')
  await page.getByRole('button', { name: 'Name and save this chart' }).click()
  await page.getByLabel('Name of the chart').fill('Statement, all lines')
  await page.keyboard.press('Enter')
  await expect(page).toHaveURL(/\/charts\/\d+$/)
  await expect(page.getByLabel('Margin')).toContainText('saved')
  const saved = page.waitForResponse(response => response.request().method() === 'PUT' && response.ok())
  await by(page, 'half-year')
  await saved
  await page.reload()
  await expect(sentence(page)).toContainText('by half-year')
  await page.goto('/charts')
  const picture = page.getByRole('img', { name: 'Picture of Statement, all lines' })
  await expect(picture).toBeVisible()
  expect(await picture.evaluate((image: HTMLImageElement) => image.decode().then(() => image.naturalWidth))).toBe(620)
  await page.getByRole('button', { name: 'More for Statement, all lines' }).click()
  await page.getByRole('menuitem', { name: 'Delete' }).click()
  await expect(picture).toHaveCount(0)
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(picture).toBeVisible()
})

test('pointing at a period tells all its numbers, by mouse and by keyboard', async ({ page }) => {
  await chart(page, 'Fuel cost since')
  await page.locator('svg.chart rect[data-key="2026-03"][data-role=value]').hover()
  const card = page.getByRole('status').filter({ hasText: 'Mar 2026' })
  for (const head of ['AC', 'FC', 'BU', 'PY', 'ΔBU', 'ΔBU %', 'ΔPY']) await expect(card).toContainText(head)
  await page.mouse.move(5, 5)
  await expect(card).toHaveCount(0)
  await page.locator('svg.chart').focus()
  await page.keyboard.press('ArrowRight')
  await page.keyboard.press('ArrowRight')
  await expect(page.getByRole('status').filter({ hasText: 'Feb 2026' })).toBeVisible()
})

test('the workings open, say their rules and light up with the chart', async ({ page }) => {
  await chart(page, 'Monthly revenue')
  await page.keyboard.press('w')
  const workings = page.getByRole('region', { name: 'Workings' })
  await expect(workings.getByRole('row')).toHaveCount(16)
  await expect(workings).toContainText('Shown minus budget')
  await workings.getByRole('row', { name: /Jun 2026/ }).hover()
  await expect(page.locator('svg.chart .lit')).toBeVisible()
  await page.mouse.move(5, 5)
  await page.keyboard.press('w')
  await expect(workings.getByRole('table')).toHaveCount(0)
})

test('the picture and the workings are exported, and the picture is copied', async ({ page }) => {
  await chart(page, 'Monthly revenue')
  const save = async (item: string) => {
    await page.keyboard.press('e')
    const download = page.waitForEvent('download')
    await page.getByRole('menuitem', { name: new RegExp(item) }).click()
    const file = await download
    return { name: file.suggestedFilename(), text: readFileSync(await file.path(), 'utf8') }
  }
  const svg = await save('Picture as SVG')
  expect(svg.name).toMatch(/^brackwater-ferries-net-revenue.*\.svg$/)
  expect(svg.text).toContain('@font-face')
  expect(svg.text).toContain('AC to Aug, then FC, against BU; PY marked')
  const csv = await save('Workings as CSV')
  expect(csv.text.split('\r\n')[0]).toBe(
    'Period,AC,FC,BU,PY,Shown,Variance BU,Variance BU %,Effect BU,Flagged BU,Compared BU,Absent BU,Variance PY,Variance PY %,Effect PY,Flagged PY,Compared PY,Absent PY',
  )
  await page.getByRole('button', { name: 'Export' }).click()
  await page.getByRole('menuitem', { name: /Copy picture and table/ }).click()
  await expect(page.getByText(/Copied the picture \(PNG and SVG\) and a table of 1\d rows\./)).toBeVisible()
  const size = await page.evaluate(async () => {
    const item = (await navigator.clipboard.read())[0]
    const image = await createImageBitmap(await (item as ClipboardItem).getType('image/png'))
    return image.width
  })
  expect(size).toBeGreaterThan(1200)
})

test('the chart is laid out anew for the width, its text keeps its size', async ({ page }) => {
  await chart(page, 'Monthly revenue')
  const size = () => page.locator('svg.chart text[data-role=period]').first().getAttribute('font-size')
  const wide = Number(await page.locator('svg.chart').getAttribute('width'))
  await page.setViewportSize({ width: 900, height: 700 })
  await expect.poll(async () => Number(await page.locator('svg.chart').getAttribute('width'))).toBeLessThan(wide)
  expect(await size()).toBe('11')
})

test('text in the browser is as wide as it was measured', async ({ page }) => {
  await chart(page, 'Monthly revenue')
  const off = await page.locator('svg.chart').evaluate(async svg => {
    await document.fonts.ready
    const answer = await (await fetch(`/api/charts`)).json()
    const saved = answer.items.find((item: { name: string }) => item.name === 'Monthly revenue')
    const drawing = await (
      await fetch(`/api/datasets/${saved.dataset}/drawings`, {
        method: 'POST',
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify({
          recipe: {
            ...saved.recipe,
            finish: { ...saved.recipe.finish, width: Math.round(Number(svg.getAttribute('width'))) },
          },
        }),
      })
    ).json()
    const told = drawing.scene.marks.flatMap((group: { marks: { type: string; width: number }[] }) =>
      group.marks.filter(mark => mark.type === 'text'),
    )
    const drawn = [...svg.querySelectorAll('text')].map(text => text.getComputedTextLength())
    return Math.max(...drawn.map((width, i) => Math.abs(width - told[i].width)))
  })
  expect(off).toBeLessThan(0.5)
})

test('what is not there says so', async ({ page }) => {
  await page.goto('/charts/999999')
  await expect(page.getByRole('alert')).toContainText('There is no chart 999999. It may have been deleted.')
  await page.goto('/nowhere')
  await expect(page.getByRole('heading')).toContainText('There is nothing at this address')
})

test('the keys are shown, and lead from area to area', async ({ page }) => {
  await page.goto('/')
  await page.keyboard.press('?')
  await expect(page.getByRole('dialog')).toContainText('Closing period back and on')
  await page.keyboard.press('Escape')
  await page.keyboard.press('g')
  await page.keyboard.press('f')
  await expect(page).toHaveURL(/\/figures$/)
})

for (const [name, open] of [
  ['start', '/'],
  ['figures', '/figures'],
  ['charts', '/charts'],
] as const) {
  test(`nothing on the ${name} page keeps anybody out`, async ({ page }) => {
    await page.goto(open)
    await page.waitForLoadState('networkidle')
    const found = await new AxeBuilder({ page }).analyze()
    expect(
      found.violations
        .filter(violation => ['serious', 'critical'].includes(violation.impact ?? ''))
        .map(violation => `${violation.id}: ${violation.nodes[0]?.html}`),
    ).toEqual([])
  })
}

test('nothing on the chart view and the reading keeps anybody out', async ({ page }) => {
  const serious = async () =>
    (await new AxeBuilder({ page }).analyze()).violations
      .filter(violation => ['serious', 'critical'].includes(violation.impact ?? ''))
      .map(violation => `${violation.id}: ${violation.nodes[0]?.html}`)
  await chart(page, 'Monthly revenue')
  await page.keyboard.press('w')
  expect(await serious()).toEqual([])
  await page.keyboard.press('w')
  await slot(page, 'Span').click()
  expect(await serious()).toEqual([])
  await page.goto('/')
  await page.setInputFiles('input[type=file]', {
    name: 'a.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from('Month,Actual\n2026-01,5\n2026-02,x\n'),
  })
  await expect(page.getByLabel('Refused', { exact: true })).toBeVisible()
  expect(await serious()).toEqual([])
})

import { readFileSync } from 'node:fs'
import { difference, drawnPdf } from './pictures'
import { chart, expect, test } from './page'

/** Chooses an export and gives the file. */
async function exported(page: import('@playwright/test').Page, item: string) {
  await page.keyboard.press('e')
  const download = page.waitForEvent('download')
  await page.getByRole('menuitem', { name: new RegExp(`^${item}`) }).click()
  const file = await download
  return { name: file.suggestedFilename(), bytes: readFileSync(await file.path()) }
}

test('each export is what it says', async ({ page }) => {
  await chart(page, 'Monthly revenue')
  const svg = await exported(page, 'Picture as SVG')
  expect(svg.name).toMatch(/\.svg$/)
  expect(svg.bytes.toString()).toContain('Nine sailings lost to the slipway repair in June.')
  const pdf = await exported(page, 'Picture as PDF')
  expect([pdf.name.slice(-4), pdf.bytes.subarray(0, 5).toString()]).toEqual(['.pdf', '%PDF-'])
  for (const scale of [1, 2, 3]) {
    const png = await exported(page, `Picture as PNG, ${scale}×`)
    expect([png.bytes.subarray(1, 4).toString(), png.bytes.readUInt32BE(16)]).toEqual(['PNG', 880 * scale])
  }
  expect((await exported(page, 'Workings as CSV')).bytes.toString()).toMatch(/^Period,AC,FC,BU,PY,Shown,/)
  const workbook = await exported(page, 'Workings as XLSX')
  expect([workbook.name.slice(-5), workbook.bytes.subarray(0, 2).toString()]).toEqual(['.xlsx', 'PK'])
  const recipe = JSON.parse((await exported(page, 'Recipe as JSON')).bytes.toString())
  expect([recipe.keenMargin, recipe.question.measure]).toEqual([1, 'Net revenue'])
})

test('the address of the picture is copied, and shows the chart as it is', async ({ page }) => {
  await chart(page, 'Monthly revenue')
  await page.keyboard.press('e')
  await page.getByRole('menuitem', { name: /^Address of the picture/ }).click()
  await expect(page.getByText('The address is copied.')).toBeVisible()
  const address = await page.evaluate(() => navigator.clipboard.readText())
  expect(address).toMatch(/\/charts\/\d+\.png\?scale=2$/)
  const picture = await page.request.get(address)
  expect([picture.status(), picture.headers()['content-type']]).toEqual([200, 'image/png'])
})

for (const name of [
  'Monthly revenue',
  'Statement, year to date',
  'Revenue inside its budget',
  'Three years against budget',
])
  test(`SVG, PDF, PNG and the screen draw the same: ${name}`, async ({ page }) => {
    await chart(page, name)
    const id = /\d+$/.exec(page.url())?.[0]
    const saved = await (await page.request.get(`/api/charts/${id}`)).json()
    const width = Number(await page.locator('svg.chart').getAttribute('width'))
    // The picture writes notes out below, the screen has them in the margin.
    const recipe = { ...saved.recipe, finish: { ...saved.recipe.finish, width, notes: false } }
    await page.request.put(`/api/charts/${id}`, {
      headers: { 'If-Match': `"${saved.version}"` },
      data: { name: saved.name, recipe: { ...saved.recipe, finish: { ...saved.recipe.finish, notes: false } } },
    })
    await page.reload()
    await expect(page.locator('svg.chart')).toHaveAttribute('width', String(width))
    await page.evaluate(async () => {
      await document.fonts.ready
      document.documentElement.style.background = '#fff'
    })
    await page.mouse.move(2, 300)
    // The whole picture has to be in sight to be taken.
    await page.setViewportSize({ width: 1280, height: 1400 })
    await expect(page.locator('svg.chart')).toHaveAttribute('width', String(width))
    const screen = await page.locator('svg.chart').screenshot()
    const made = async (format: string) =>
      (await page.request.post(`/api/datasets/${saved.dataset}/pictures.${format}`, { data: { recipe } })).body()
    const [svg, png, pdf] = [await made('svg'), await made('png'), drawnPdf(await made('pdf'))]
    const other = await page.context().newPage()
    await other.setViewportSize({ width, height: Math.ceil(Number(/height="([\d.]+)"/.exec(svg.toString())?.[1])) })
    await other.goto(`data:image/svg+xml;base64,${svg.toString('base64')}`)
    const drawn = await other.screenshot()
    await other.close()
    const now = await (await page.request.get(`/api/charts/${id}`)).json()
    await page.request.put(`/api/charts/${id}`, {
      headers: { 'If-Match': `"${now.version}"` },
      data: { name: saved.name, recipe: saved.recipe },
    })
    const apart = {
      screen: await difference(page, screen, drawn),
      png: await difference(page, png, drawn),
      pdf: await difference(page, pdf, drawn),
    }
    expect(apart.screen).toBeLessThan(0.004)
    expect(apart.png).toBeLessThan(0.01)
    expect(apart.pdf).toBeLessThan(0.015)
  })

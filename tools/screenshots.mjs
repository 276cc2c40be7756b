/* Makes docs/screenshots from the demo figures. Usage: node tools/screenshots.mjs BASE */
import { readFileSync } from 'node:fs'
import { chromium as playwright } from '@playwright/test'
import { chromium } from './browser.mjs'

const [base] = process.argv.slice(2)
const browser = await playwright.launch(chromium)

async function shoot(name, path, act = async () => {}, { width = 1280, height = 800 } = {}) {
  const page = await browser.newPage({ viewport: { width, height } })
  await page.goto(base + path)
  await page.waitForLoadState('networkidle')
  await act(page)
  await page.mouse.move(2, 400)
  await page.waitForTimeout(400)
  await page.screenshot({ path: `docs/screenshots/${name}.png` })
  await page.close()
}
const open = (name) => async (page) => {
  await page
    .getByRole('link', { name: new RegExp(name) })
    .first()
    .click()
  await page.waitForSelector('svg.chart')
}
const file =
  (text, name = 'monthly-results.csv') =>
  (page) =>
    page.setInputFiles('input[type=file]', {
      name,
      mimeType: 'text/csv',
      buffer: Buffer.from(text),
    })
const messy =
  'Month;Route;Actual;Budget;Memo\nJan 2026;North;121.986,50;119.000,00;\nFeb 2026;North;(1.200);118.400,00;corrected\nMar 2026;North;12x;120.100,00;\nApr 2026;Holm;98.110,25;97.000,00;\nTotal;;218.896,75;454.500,00;\n'

/** September's ledger, with a slip in a name, a correction of August and a row of totals. */
const ledger = readFileSync('demo/operating-statement.csv', 'utf8').split('\n')
const august = ledger.filter((line) => line.startsWith('2026-08,Actual'))
const next = [
  ledger[0],
  august[4].replace(/\d+$/, '79112'),
  ...august.map((line, i) =>
    line.replace('2026-08', '2026-09').replace(i === 5 ? 'North' : '', i === 5 ? 'Norht' : ''),
  ),
  `2026-09,Actual,Total,,${august.reduce((sum, line) => sum + Number(line.split(',').at(-1)), 0)}`,
].join('\n')
const statement = async (page) => {
  await page.getByRole('link', { name: 'Operating statement', exact: true }).first().click()
  await page.getByLabel('Figures', { exact: true }).waitFor()
}

await shoot('start', '/')
await shoot('figures', '/figures')
await shoot('dataset', '/figures', async (page) => {
  await statement(page)
  await page.getByRole('gridcell', { name: /^Fuel, Jul:/ }).click()
  await page.getByRole('button', { name: 'Where it came from' }).click()
  await page.getByLabel('Where it came from').getByRole('row').nth(3).waitFor()
})
await shoot('table', '/figures', async (page) => {
  await statement(page)
  await page.getByRole('button', { name: /^Route:/ }).click()
  await page.getByRole('checkbox', { name: 'North' }).click()
  await page.keyboard.press('Escape')
  await page.getByRole('button', { name: /^Scenario:/ }).click()
  await page.getByRole('option', { name: 'budget' }).click()
  await page.getByRole('gridcell', { name: /^Fuel, Jan:/ }).click()
  await page.keyboard.press('Shift+End')
  await page.getByRole('button', { name: 'Spread' }).click()
  await page.getByLabel('Amount to spread').fill('720,000')
  await page.getByLabel('as the prior year was').check()
})
await shoot('settings', '/figures', async (page) => {
  await statement(page)
  await page.getByRole('link', { name: 'Settings' }).click()
  await page.getByLabel('Choose Fuel').waitFor()
})
await shoot('checks', '/figures', async (page) => {
  await page.getByRole('link', { name: 'Operating result by route', exact: true }).first().click()
  await page.locator('[data-check=mixed-signs]').getByRole('button', { name: 'See them' }).click()
  await page
    .locator('[data-check=mixed-signs]')
    .getByRole('button', { name: /Jul 2026/ })
    .first()
    .click()
  await page.getByText(/^Lowen, Jul, AC/).waitFor()
})
await shoot('reading', '/', (page) => page.setInputFiles('input[type=file]', 'tests/fixtures/figures/two-headers.xlsx'))
await shoot('reading-next', '/', file(next, 'operating-statement-2026-09.csv'))
await shoot('reading-refused', '/', file(messy))
await shoot('charts', '/charts')
await shoot('chart', '/charts', open('Monthly revenue'))
await shoot('chart-table', '/charts', open('The statement in columns'))
await shoot('chart-thermometer', '/charts', open('The fleet renewal reserve and its goal'))
await shoot('chart-selected', '/charts', async (page) => {
  await open('Why the result missed its budget')(page)
  await page.locator('svg.chart rect[data-key="Crew"][data-role=change]').click({ force: true })
  await page.getByRole('menuitem', { name: 'Open by route' }).waitFor()
})
await shoot('chart-workings', '/charts', async (page) => {
  await open('Monthly revenue')(page)
  await page.locator('svg.chart rect[data-key="2026-06"][data-role=value]').click()
  await page.getByRole('menuitem', { name: 'by route' }).click()
  await page.getByRole('navigation', { name: 'Looked into' }).waitFor()
  await page.keyboard.press('w')
  await page.getByRole('button', { name: 'ΔBU', exact: true }).click()
})
await shoot('chart-beside', '/charts', async (page) => {
  await open('Monthly revenue')(page)
  await page.keyboard.press('b')
  const second = page.getByLabel('Chart beside it')
  await second.getByRole('button', { name: /^Rows:/ }).click()
  await second.getByRole('radio', { name: 'quarter', exact: true }).click()
  await page.keyboard.press('Escape')
  await second.locator('text', { hasText: 'Q1' }).first().waitFor()
})
await shoot('chart-bridge', '/charts', open('Why the result missed its budget'))
await shoot('chart-statement', '/charts', open('From fares to the result'))

/** One part of a page as a picture. */
async function part(name, path, selector, act) {
  const page = await browser.newPage({ viewport: { width: 1100, height: 800 } })
  await page.goto(base + path)
  await act(page)
  await page.waitForTimeout(400)
  const box = await page.locator(selector).boundingBox()
  const clip = { x: box.x - 12, y: box.y - 8, width: box.width + 24, height: box.height + 16 }
  await page.screenshot({ path: `docs/${name}.png`, clip })
  await page.close()
}
await part('coverage-table', '/figures', '[role=grid]', async (page) => {
  await page.getByRole('link', { name: 'Freight by customer', exact: true }).first().click()
  await page.getByRole('gridcell', { name: /^Halvik Wind, Jun/ }).waitFor()
})
await part('coverage-chart', '/charts', 'svg.chart', open('Freight by customer against budget'))

const sheet = await browser.newPage({ viewport: { width: 1420, height: 900 } })
await sheet.goto(new URL('../docs/kinds.html', import.meta.url).href)
await sheet.evaluate(() => document.fonts.ready)
await sheet.screenshot({ path: 'docs/kinds.png', fullPage: true })
// Last, as it brings September in.
await shoot('imports', '/', async (page) => {
  await file(next, 'operating-statement-2026-09.csv')(page)
  await page.getByRole('button', { name: 'Same', exact: true }).click()
  await page.getByRole('button', { name: 'Bring in' }).click()
  await page.getByLabel('Figures', { exact: true }).waitFor()
  await page.getByRole('button', { name: 'Take back' }).first().click()
  await page.getByRole('button', { name: 'Take it back' }).waitFor()
})
await browser.close()

/* Makes docs/screenshots from the demo figures. Usage: node tools/screenshots.mjs BASE */
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
const open = name => async page => {
  await page
    .getByRole('link', { name: new RegExp(name) })
    .first()
    .click()
  await page.waitForSelector('svg.chart')
}
const statement = async page => {
  await page.getByRole('link', { name: 'Operating statement', exact: true }).first().click()
  await page.getByLabel('Figures', { exact: true }).waitFor()
}

await shoot('start', '/')
await shoot('figures', '/figures')
await shoot('dataset', '/figures', async page => {
  await statement(page)
  await page.getByRole('gridcell', { name: /^Fuel, Jul:/ }).click()
  await page.getByRole('button', { name: 'Where it came from' }).click()
  await page.getByLabel('Where it came from').getByRole('row').nth(3).waitFor()
})
await shoot('table', '/figures', async page => {
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
await shoot('settings', '/figures', async page => {
  await statement(page)
  await page.getByRole('link', { name: 'Settings' }).click()
  await page.getByLabel('Choose Fuel').waitFor()
})
await shoot('reading', '/', page => page.setInputFiles('input[type=file]', 'tests/fixtures/figures/two-headers.xlsx'))
await shoot('charts', '/charts')
await shoot('chart', '/charts', open('Monthly revenue'))
await shoot('chart-bridge', '/charts', open('Why the result missed its budget'))
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
await part('coverage-table', '/figures', '[role=grid]', async page => {
  await page.getByRole('link', { name: 'Freight by customer', exact: true }).first().click()
  await page.getByRole('gridcell', { name: /^Halvik Wind, Jun/ }).waitFor()
})
await part('coverage-chart', '/charts', 'svg.chart', open('Freight by customer against budget'))

const sheet = await browser.newPage({ viewport: { width: 1420, height: 900 } })
await sheet.goto(new URL('../docs/kinds.html', import.meta.url).href)
await sheet.evaluate(() => document.fonts.ready)
await sheet.screenshot({ path: 'docs/kinds.png', fullPage: true })
// Last, as it brings September in.

const review = (await (await fetch(`${base}/api/reports?q=Monthly`)).json()).items[0].id
const settled = page => page.getByText('every check holds').waitFor()
const { items: waiting } = await (await fetch(`${base}/api/datasets/3/arrivals?waiting=1`)).json()
await shoot('month', '/month', page => page.getByText('forecast 1 day late').waitFor())
await shoot('arrival', `/arrivals/${waiting[0].id}`, page => page.getByText('Totals that move').waitFor())
await shoot('source', '/sources/1', async page => {
  await page.getByRole('button', { name: 'Look at the first rows' }).click()
  await page.getByLabel('Role of Customer').waitFor()
  await page.evaluate(() => scrollTo(0, 0))
})
await shoot('reports', '/reports', page => page.getByText('2 to settle').waitFor())
await shoot('report', `/reports/${review}`, settled)
await shoot('report-edited', `/reports/${review}?page=why`, async page => {
  await settled(page)
  await page.getByRole('button', { name: /^Write the message/ }).click()
})
await shoot('report-roll', `/reports/${review}?page=why`, async page => {
  await settled(page)
  await page.getByRole('button', { name: 'One period on' }).click()
  await page.getByText('Roll on to Sep 2026').first().waitFor()
})
await shoot('report-issued', `/reports/${review}/issues/1`)
await shoot('report-phone', `/reports/${review}`, async () => {}, { width: 390, height: 800 })
/* The pointer stays where it is. */
const presented = await browser.newPage({ viewport: { width: 1280, height: 800 } })
await presented.goto(`${base}/reports/${review}/present?page=space`)
await presented.locator('[data-block=space-routes] [data-key=Holm][data-role=value]').first().hover()
await presented.waitForTimeout(400)
await presented.screenshot({ path: 'docs/screenshots/report-present.png' })
await browser.close()

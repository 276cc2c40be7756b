/* From the click on a slot's choice to the new chart painted, in Chromium. Usage: node bench/paint.mjs BASE */
import { chromium as playwright } from '@playwright/test'
import { chromium } from '../tools/browser.mjs'

const base = process.argv[2]
const browser = await playwright.launch(chromium)
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
await page.goto(`${base}/charts`)
await page.getByRole('link', { name: /Monthly revenue/ }).click()
await page.waitForSelector('svg.chart')
const spent = []
for (let i = 0; i < 60; i++) {
  await page.getByRole('button', { name: /^Grain:/ }).click()
  await page.evaluate(() => {
    window.painted = new Promise((resolve) => {
      let clicked = 0
      window.addEventListener('pointerup', () => (clicked ||= performance.now()), { capture: true, once: true })
      const chart = document.querySelector('svg.chart')
      const before = chart.getAttribute('aria-label')
      const watch = new MutationObserver(() => {
        if (chart.getAttribute('aria-label') === before) return
        watch.disconnect()
        requestAnimationFrame(() => setTimeout(() => resolve(performance.now() - clicked)))
      })
      watch.observe(chart, { attributes: true, subtree: true, childList: true })
    })
  })
  await page.getByRole('option', { name: ['quarter', 'month', 'half-year', 'year'][i % 4], exact: true }).click()
  const time = await page.evaluate(() => window.painted)
  if (i >= 10) spent.push(time)
}
await browser.close()
spent.sort((a, b) => a - b)
console.log(JSON.stringify({ median: spent[25], p95: spent[47] }))

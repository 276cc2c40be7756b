/* From the click on a slot's choice to the new chart painted, in Chromium. Usage: node bench/paint.mjs BASE */
import { chromium as playwright } from '@playwright/test'
import { chromium } from '../tools/browser.mjs'

const base = process.argv[2]
const browser = await playwright.launch(chromium)
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
await page.goto(`${base}/charts`)
await page.getByRole('link', { name: /Monthly revenue/ }).click()
await page.waitForSelector('svg.chart')
/** From the release of the button to the frame after the chart that follows; times in milliseconds, sorted. */
async function times(rounds, warm, act) {
  const spent = []
  for (let i = 0; i < rounds; i++) {
    await page.evaluate(() => {
      window.painted = new Promise((resolve) => {
        let clicked = 0
        window.addEventListener('pointerup', () => (clicked = performance.now()), { capture: true })
        const chart = document.querySelector('svg.chart')
        const before = chart.innerHTML
        const watch = new MutationObserver(() => {
          if (chart.innerHTML === before) return
          watch.disconnect()
          requestAnimationFrame(() => setTimeout(() => resolve(performance.now() - clicked)))
        })
        watch.observe(chart, { attributes: true, subtree: true, childList: true })
      })
    })
    await act(i)
    const time = await page.evaluate(() => window.painted)
    if (i >= warm) spent.push(time)
  }
  return spent.sort((a, b) => a - b)
}
const middle = (spent) => spent[Math.floor(spent.length / 2)]
const late = (spent) => spent[Math.ceil(spent.length * 0.95) - 1]

await page.getByRole('button', { name: /^Rows:/ }).click()
const grains = await times(60, 10, (i) =>
  page.getByRole('radio', { name: ['quarter', 'month', 'half-year', 'year'][i % 4], exact: true }).click(),
)
await page.keyboard.press('Escape')
const kinds = []
const choose = (name) =>
  page.getByRole('radiogroup', { name: 'Drawn as' }).getByRole('radio', { name, exact: true }).click()
for (const kind of ['Nested columns', 'Target marks', 'Gap line', 'Hat graph']) {
  const spent = await times(44, 4, (i) => choose(i % 2 ? 'Variance tiers' : kind))
  kinds.push({ kind, median: middle(spent), p95: late(spent) })
}
await page.goto(`${base}/charts`)
await page.getByRole('link', { name: /How full the decks are/ }).click()
await page.waitForSelector('svg.chart')
const spent = await times(44, 4, (i) => choose(i % 2 ? 'Capacity fill' : 'Variance tiers'))
kinds.push({ kind: 'Capacity fill', median: middle(spent), p95: late(spent) })
await browser.close()
console.log(JSON.stringify({ median: middle(grains), p95: late(grains), kinds }))

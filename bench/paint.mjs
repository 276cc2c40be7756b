/* From the click on a slot's choice to the new chart painted, in Chromium. Usage: node bench/paint.mjs BASE */
import { chromium as playwright } from '@playwright/test'
import { chromium } from '../tools/browser.mjs'

const base = process.argv[2]
const browser = await playwright.launch(chromium)
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
await page.goto(`${base}/charts`)
await page
  .getByRole('link', { name: /Monthly revenue/ })
  .first()
  .click()
await page.waitForSelector('svg.chart')
const address = page.url()

/** Script that a first visit loads before anything is done, gzipped, by view. */
const { gzipSync } = await import('node:zlib')
const views = {}
for (const [name, url] of [
  ['start', base],
  ['chart view', address],
]) {
  const visitor = await (await browser.newContext()).newPage()
  const files = []
  visitor.on('response', response => response.url().endsWith('.js') && files.push(response))
  await visitor.goto(url)
  await visitor.waitForLoadState('networkidle')
  views[name] = 0
  for (const file of files) views[name] += gzipSync(await file.body()).length
  await visitor.context().close()
}

/** From the pointer's move onto a mark to the frame after its card stands there. */
const hovers = []
const marks = await page.locator('svg.chart rect[data-role=value]').all()
for (let i = 0; i < 110; i++) {
  const box = await marks[(i * 5) % marks.length].boundingBox()
  await page.evaluate(() => {
    window.hovered = new Promise(resolve => {
      let moved = 0
      window.addEventListener('pointermove', () => (moved ||= performance.now()), { capture: true })
      const watch = new MutationObserver(() => {
        if (!moved || !document.querySelector('[role=status].absolute')) return
        watch.disconnect()
        requestAnimationFrame(() => setTimeout(() => resolve(performance.now() - moved)))
      })
      watch.observe(document.querySelector('main'), {
        attributes: true,
        subtree: true,
        childList: true,
        characterData: true,
      })
    })
  })
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2)
  const time = await page.evaluate(() => window.hovered)
  if (i >= 10) hovers.push(time)
}
hovers.sort((a, b) => a - b)
await page.mouse.move(5, 300)
/** From the release of the button to the frame after the chart that follows; times in milliseconds, sorted. */
async function times(rounds, warm, act) {
  const spent = []
  for (let i = 0; i < rounds; i++) {
    await page.evaluate(() => {
      window.painted = new Promise(resolve => {
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
const middle = spent => spent[Math.floor(spent.length / 2)]
const late = spent => spent[Math.ceil(spent.length * 0.95) - 1]

await page.getByRole('button', { name: /^Rows:/ }).click()
const grains = await times(60, 10, i =>
  page.getByRole('radio', { name: ['quarter', 'month', 'half-year', 'year'][i % 4], exact: true }).click(),
)
await page.keyboard.press('Escape')
const kinds = []
const choose = name =>
  page.getByRole('radiogroup', { name: 'Drawn as' }).getByRole('radio', { name, exact: true }).click()
for (const kind of ['Nested columns', 'Target marks', 'Gap line', 'Hat graph']) {
  const spent = await times(44, 4, i => choose(i % 2 ? 'Variance tiers' : kind))
  kinds.push({ kind, median: middle(spent), p95: late(spent) })
}
await page.goto(`${base}/charts`)
await page
  .getByRole('link', { name: /How full the decks are/ })
  .first()
  .click()
await page.waitForSelector('svg.chart')
const spent = await times(44, 4, i => choose(i % 2 ? 'Capacity fill' : 'Variance tiers'))
kinds.push({ kind: 'Capacity fill', median: middle(spent), p95: late(spent) })
await browser.close()
const hover = { median: middle(hovers), p95: late(hovers) }
console.log(JSON.stringify({ median: middle(grains), p95: late(grains), kinds, views, hover }))

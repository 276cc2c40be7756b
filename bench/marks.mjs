/* Comparison tables in Chromium: 500 rows sorted anew, 5,000 rows opened and scrolled. Usage: node bench/marks.mjs BASE */
import { chromium as playwright } from '@playwright/test'
import { chromium } from '../tools/browser.mjs'

const base = process.argv[2]
const browser = await playwright.launch(chromium)
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
const send = async (path, data) => (await page.request.post(`${base}/api${path}`, { data })).json()
const middle = (list, share) => [...list].sort((a, b) => a - b)[Math.floor(share * (list.length - 1))]

/** Customers × 12 months of three scenarios, the same ones each time; the address of a chart of them. */
async function chart(customers) {
  const rows = ['Month,Customer,Actual,Budget,Prior year']
  for (let customer = 1; customer <= customers; customer++)
    for (let month = 1; month <= 12; month++) {
      const amount = prime => 100 + ((customer * prime + month * 7919) % 89_900)
      const name = `Customer ${String(customer).padStart(4, '0')}`
      rows.push(`2026-${String(month).padStart(2, '0')},${name},${amount(7907)},${amount(6131)},${amount(5651)}`)
    }
  const reading = await send('/readings', { name: 'customers.csv', text: `${rows.join('\n')}\n` })
  await send('/datasets', { reading: reading.id, name: `${customers} customers` })
  let dataset
  for (let i = 0; i < 100 && !dataset; i++) {
    const { items } = await (await page.request.get(`${base}/api/datasets?size=100`)).json()
    dataset = items.find(one => one.name === `${customers} customers`)?.id
    if (!dataset) await page.waitForTimeout(200)
  }
  const columns = ['AC', 'BU', 'ΔBU', 'ΔBU %', 'share', 'trend']
  const question = { by: 'Customer', columns, sort: { column: 'ΔBU' }, flag: { percent: '20' } }
  const recipe = { keenMargin: 1, question, kind: 'comparison-table' }
  return `${base}/charts/${(await send('/charts', { dataset, name: `${customers} customers`, recipe })).id}`
}

await page.goto(await chart(500))
await page.waitForSelector('svg.chart text')
const painted = []
for (let i = 0; i < 22; i++) {
  await page.getByRole('button', { name: /^Sorted:/ }).click()
  await page.evaluate(() => {
    window.painted = new Promise(resolve => {
      let clicked = 0
      window.addEventListener('pointerup', () => (clicked = performance.now()), { capture: true })
      const watch = new MutationObserver(() => {
        watch.disconnect()
        requestAnimationFrame(() => setTimeout(() => resolve(performance.now() - clicked)))
      })
      watch.observe(document.querySelector('svg.chart'), { subtree: true, childList: true })
    })
  })
  const name = ['by share largest first', 'by AC smallest first'][i % 2]
  await page.getByRole('option', { name }).click()
  const time = await page.evaluate(() => window.painted)
  if (i >= 2) painted.push(time)
}

const long = await chart(5000)
const begun = performance.now()
await page.goto(long)
await page.waitForSelector('svg.chart text')
const opened = performance.now() - begun
const sent = await page.evaluate(() =>
  performance
    .getEntriesByType('resource')
    .filter(one => one.name.endsWith('/drawings'))
    .reduce((sum, one) => sum + one.transferSize, 0),
)
await page.waitForTimeout(3000)
const frames = await page.evaluate(async () => {
  const isScrolled = one =>
    one.scrollHeight > one.clientHeight + 50 && ['auto', 'scroll'].includes(getComputedStyle(one).overflowY)
  let room = document.querySelector('svg.chart')
  while (room && !isScrolled(room)) room = room.parentElement
  room ??= document.scrollingElement
  const times = []
  let last = performance.now()
  for (let i = 0; i < 300; i++) {
    room.scrollBy(0, 66)
    await new Promise(resolve => requestAnimationFrame(resolve))
    const now = performance.now()
    times.push(now - last)
    last = now
  }
  return times
})
await browser.close()
console.log(
  JSON.stringify({
    painted: { median: middle(painted, 0.5), p95: middle(painted, 0.95) },
    opened,
    sent,
    frames: { median: middle(frames, 0.5), p95: middle(frames, 0.95) },
  }),
)

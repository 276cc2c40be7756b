/* A dataset of 5,000 × 36 figures: its table opened and painted, amounts set and the chart drawn anew. Usage: node bench/table.mjs BASE */
import { chromium as playwright } from '@playwright/test'
import { chromium } from '../tools/browser.mjs'
import { at, sender } from './http.mjs'

const base = process.argv[2]
const send = sender(base)

const MEMBERS = 5000
const months = Array.from(
  { length: 36 },
  (_, i) => `${2024 + Math.floor(i / 12)}-${String((i % 12) + 1).padStart(2, '0')}`,
)
const member = i => `Customer ${String(i).padStart(4, '0')}`
const lines = Array.from({ length: MEMBERS }, (_, i) =>
  [member(i), ...months.map((_, j) => ((i * 7919 + j * 104729) % 90000) + 10000)].join('\t'),
)
const text = `Customer\t${months.join('\t')}\n${lines.join('\n')}\n`
const reading = await send('POST', '/api/readings', { name: 'customers', text })
const dataset = await send('POST', '/api/datasets', { reading: reading.id, name: 'Customers by month' })
const recipe = { keenMargin: 1, question: { against: ['PY'], by: 'month' }, kind: 'variance-tiers' }

const edits = []
const redrawn = []
for (let i = 0; i < 120; i++) {
  const start = performance.now()
  await send('POST', `/api/datasets/${dataset.id}/edits`, {
    measure: 'Amount',
    by: 'Customer',
    rows: [member((i * 401) % MEMBERS)],
    periods: [{ key: months[(i * 5) % 36], scenario: 'AC' }],
    amounts: [[String(20000 + i)]],
  })
  const set = performance.now()
  await send('POST', `/api/datasets/${dataset.id}/drawings`, { recipe })
  if (i < 20) continue
  edits.push(set - start)
  redrawn.push(performance.now() - set)
}

const browser = await playwright.launch(chromium)
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
/** From the release of the button to the frame in which amounts of this period stand. */
const painted = async (click, period) => {
  await page.evaluate(label => {
    window.painted = new Promise(resolve => {
      let clicked = 0
      window.addEventListener('pointerup', () => (clicked = performance.now()), { capture: true, once: true })
      const isThere = () => document.querySelector(`[role=gridcell][aria-label^="Customer 0000, ${label}:"]`)
      const watch = new MutationObserver(() => {
        if (!clicked || !isThere()) return
        watch.disconnect()
        requestAnimationFrame(() => setTimeout(() => resolve(performance.now() - clicked)))
      })
      watch.observe(document, { subtree: true, childList: true, attributes: true })
    })
  }, period)
  await click()
  return page.evaluate(() => window.painted)
}
const opened = []
const widened = []
for (let i = 0; i < 14; i++) {
  await page.goto(`${base}/figures`)
  const link = page.getByRole('link', { name: 'Customers by month', exact: true })
  await link.waitFor()
  const open = await painted(() => link.click(), 'Jan')
  await page.getByRole('button', { name: /^Year:/ }).click()
  const all = await painted(() => page.getByRole('option', { name: 'all years' }).click(), 'Jan 2024')
  if (i < 2) continue
  opened.push(open)
  widened.push(all)
}
await browser.close()
const told = list => ({ median: at(list, 0.5), p95: at(list, 0.95) })
console.log(
  JSON.stringify({
    edits: told(edits),
    redrawn: told(redrawn),
    opened: told(opened),
    widened: told(widened),
    facts: dataset.facts,
  }),
)

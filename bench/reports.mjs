/*
 * Reports over 100,000 facts: a page of twelve charts painted, what it is about changed, a report of 20 pages and 100 charts
 * rolled on. Usage: node bench/reports.mjs BASE
 */
import { chromium as playwright } from '@playwright/test'
import { chromium } from '../tools/browser.mjs'
import { writeFileSync } from 'node:fs'
import { at, sender } from './http.mjs'

const base = process.argv[2]
const send = sender(base)
let seed = 18
const random = () => (seed = (seed * 48271) % 2147483647) / 2147483647
const months = Array.from(
  { length: 36 },
  (_, i) => `${2024 + Math.floor(i / 12)}-${String((i % 12) + 1).padStart(2, '0')}`,
)
const regions = Array.from({ length: 12 }, (_, i) => `Region ${i + 1}`)
const lines = ['Month,Region,Customer,Actual,Budget,Forecast']
for (const month of months)
  for (let i = 0; i < 926; i++)
    lines.push(
      [month, regions[i % 12], `Customer ${i}`, ...[0, 1, 2].map(() => (1000 * random()).toFixed(2))].join(','),
    )
const reading = await send('POST', '/api/readings', { name: 'bench.csv', text: lines.join('\n') })
const dataset = await send('POST', '/api/datasets', { reading: reading.id, name: 'Bench of reports' })

const asks = [
  ['variance-tiers', { by: 'month', against: ['BU'], forecast: 'FC' }],
  ['nested-columns', { by: 'Region', against: ['BU'] }],
  ['build-up', { by: 'Region' }],
  ['bridge', { by: 'Region', bridge: { from: 'BU', to: 'AC' } }],
  ['target-marks', { by: 'month', against: ['BU'] }],
  ['comparison-table', { by: 'Region', against: ['BU', 'PY'] }],
]
const chart = i => {
  const [kind, question] = asks[i % asks.length]
  const where = i % 2 ? undefined : [{ field: 'Region', in: [regions[(i * 5) % 12], regions[(i * 7 + 1) % 12]] }]
  return {
    id: `c${i}`,
    dataset: String(dataset.id),
    chart: { keenMargin: 1, kind, question: { span: { from: '2026-01', to: '2026-12' }, where, ...question } },
  }
}
/** Pages of so many charts, three in a row. */
const pages = sizes => {
  let next = 0
  return sizes.map((size, p) => ({
    id: `p${p}`,
    title: `Page ${p + 1}`,
    message: [
      'It differs by ',
      { said: '1', of: `c${next}`, row: { sum: 'total' }, column: 'variance:BU', exact: '1', follows: p % 2 === 0 },
    ],
    rows: Array.from({ length: Math.ceil(size / 3) }, (_, r) => ({
      id: `p${p}r${r}`,
      blocks: Array.from({ length: Math.min(3, size - 3 * r) }, () => chart(next++)),
    })),
  }))
}
const make = (title, sizes) =>
  send('POST', '/api/reports', {
    title,
    document: { keenMargin: 1, report: title, closedThrough: '2026-07', sheet: 'A4 upright', pages: pages(sizes) },
  })

const twelve = await make('Twelve', [12, 12])
const browser = await playwright.launch(chromium)
const page = await browser.newPage({ viewport: { width: 1600, height: 1000 } })
await page.goto(`${base}/reports/${twelve.id}`)
await page.waitForSelector('article svg.chart[tabindex]')

/** From the release of the button to the frame after the sheet that follows. */
async function times(rounds, warm, act) {
  const spent = []
  for (let i = 0; i < rounds; i++) {
    await page.evaluate(() => {
      window.painted = new Promise(resolve => {
        let clicked = 0
        window.addEventListener('pointerup', () => (clicked = performance.now()), { capture: true, once: true })
        const sheet = document.querySelector('article')
        const look = of =>
          of.getAttribute('aria-label') + [...of.querySelectorAll('[data-role=title]')].map(one => one.textContent)
        const before = look(sheet)
        const watch = new MutationObserver(() => {
          const now = document.querySelector('article')
          if (!clicked || look(now) === before || now.querySelectorAll('svg.chart[tabindex]').length < 12) return
          watch.disconnect()
          requestAnimationFrame(() => setTimeout(() => resolve(performance.now() - clicked)))
        })
        watch.observe(document.querySelector('main'), { attributes: true, subtree: true, childList: true })
      })
    })
    await act(i)
    const time = await page.evaluate(() => window.painted)
    if (i >= warm) spent.push(time)
    await page.waitForTimeout(150)
  }
  return { median: at(spent, 0.5), p95: at(spent, 0.95) }
}
const painted = await times(34, 4, i =>
  page
    .locator(`[data-page]`)
    .nth((i + 1) % 2)
    .click(),
)
await page.locator('[data-page]').first().click()
await page.waitForTimeout(500)
const slot = page.getByRole('group', { name: 'What the page is about' }).getByRole('button', { name: /^Filter:/ })
await slot.click()
const about = await times(34, 4, i => page.getByRole('checkbox', { name: regions[i % 2], exact: true }).click())
await browser.close()

const hundred = await make(
  'Hundred',
  Array.from({ length: 20 }, () => 5),
)
/* The same as files, for a process of its own. */
writeFileSync(
  'var/bench-report-document.json',
  JSON.stringify(await send('GET', `/api/reports/${hundred.id}/document`)),
)
writeFileSync('var/bench-report-figures.csv', lines.join('\n'))
const took = async path => {
  const start = performance.now()
  let answer = await fetch(base + path)
  if (answer.status === 202) {
    const { job } = await answer.json()
    for (;;) {
      const now = await (await fetch(`${base}/api/jobs/${job.id}`)).json()
      if (now.status !== null && now.status !== undefined) break
      await new Promise(resolve => setTimeout(resolve, 50))
    }
  } else await answer.arrayBuffer()
  return performance.now() - start
}
const pdf = []
const rolled = []
for (let i = 0; i < 5; i++) {
  pdf.push(await took(`/reports/${hundred.id}.pdf`))
  rolled.push(await took(`/api/reports/${hundred.id}/roll?to=2026-0${8 + (i % 2)}`))
}
console.log(
  JSON.stringify({
    facts: dataset.facts,
    painted,
    about,
    pdf: at(pdf, 0.5),
    rolled: at(rolled, 0.5),
    report: hundred.id,
  }),
)

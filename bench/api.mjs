/* Answers to changed questions over 100,000 facts, by HTTP, one after the other. Usage: node bench/api.mjs BASE */
const base = process.argv[2]
const months = Array.from(
  { length: 36 },
  (_, i) => `${2024 + Math.floor(i / 12)}-${String((i % 12) + 1).padStart(2, '0')}`,
)
let seed = 1
const random = () => (seed = (seed * 48271) % 2147483647) / 2147483647
const customers = Array.from({ length: 926 }, (_, i) => `Customer ${String(i + 1).padStart(3, '0')}`)
const lines = ['Month,Customer,Actual,Budget,Forecast']
for (const month of months)
  for (const customer of customers)
    lines.push([month, customer, ...[0, 1, 2].map(() => (1000 * random()).toFixed(2))].join(','))

const post = async (path, body) => {
  const response = await fetch(base + path, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify(body),
  })
  if (!response.ok) throw new Error(await response.text())
  return response.json()
}
const start = performance.now()
const reading = await post('/api/readings', { name: 'bench.csv', text: lines.join('\n') })
const dataset = await post('/api/datasets', { reading: reading.id, name: 'Bench' })
const imported = performance.now() - start

const spans = [undefined, 'year to date', { from: '2025-01', to: '2026-12' }, { last: 12, unit: 'month' }]
const spent = []
for (let i = 0; i < 240; i++) {
  const chosen = customers.filter(() => random() < 0.01)
  const question = {
    forecast: 'FC',
    against: i % 2 ? ['BU', 'PY'] : ['BU'],
    by: ['month', 'quarter', 'year'][i % 3],
    closedThrough: '2026-08',
    span: spans[i % 4],
    where: i % 5 === 0 && chosen.length ? [{ field: 'Customer', in: chosen }] : undefined,
  }
  const asked = performance.now()
  await post(`/api/datasets/${dataset.id}/drawings`, { recipe: { keenMargin: 1, question, kind: 'variance-tiers' } })
  if (i >= 40) spent.push(performance.now() - asked)
}
spent.sort((a, b) => a - b)

/* A chart as a file, by HTTP. */
const pictures = {}
const recipe = {
  keenMargin: 1,
  question: { forecast: 'FC', against: ['BU', 'PY'], by: 'month', closedThrough: '2026-08' },
  kind: 'variance-tiers',
}
for (const format of ['svg', 'png', 'png?scale=3', 'pdf']) {
  const times = []
  for (let i = 0; i < 25; i++) {
    const asked = performance.now()
    const response = await fetch(`${base}/api/datasets/${dataset.id}/pictures.${format}`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ recipe }),
    })
    if (!response.ok) throw new Error(await response.text())
    await response.arrayBuffer()
    if (i >= 5) times.push(performance.now() - asked)
  }
  times.sort((a, b) => a - b)
  pictures[format] = { median: times[10], p95: times[18] }
}
console.log(JSON.stringify({ facts: dataset.facts, imported, median: spent[100], p95: spent[190], pictures }))

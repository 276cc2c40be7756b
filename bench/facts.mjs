/* Questions over a million facts by HTTP, and the same over a tenth of them. Usage: node bench/facts.mjs BASE */
import { at, sender } from './http.mjs'

const base = process.argv[2]
const send = sender(base)
const datasets = (await send('GET', '/api/datasets')).items
const find = name => datasets.find(one => one.name === name)
const customer = i => `Customer ${String(i).padStart(5, '0')} of the Brackwater archipelago`
const some = Array.from({ length: 25 }, (_, i) => customer(1 + i * 190))

const question = (by, where) => ({
  recipe: { keenMargin: 1, question: { against: ['BU'], by, where }, kind: 'variance-tiers' },
})
const bridge = {
  recipe: { keenMargin: 1, question: { by: 'Customer', bridge: { from: 'BU', to: 'AC' }, top: 15 }, kind: 'bridge' },
}
const table = where => ({ by: 'Customer', year: '2026', order: 'largest first', where })
const asked = {
  'by month': id => ['POST', `/api/datasets/${id}/drawings`, question('month')],
  'by month, some customers': id => [
    'POST',
    `/api/datasets/${id}/drawings`,
    question('month', [{ field: 'Customer', in: some }]),
  ],
  'by month, all but one': id => [
    'POST',
    `/api/datasets/${id}/drawings`,
    question('quarter', [{ field: 'Customer', notIn: [customer(7)] }]),
  ],
  'by customer, the 20 largest drawn': id => ['POST', `/api/datasets/${id}/drawings`, question('Customer')],
  'from budget to actual by customer, gathered to 15 steps': id => ['POST', `/api/datasets/${id}/drawings`, bridge],
  'which breakdown explains it': id => ['POST', `/api/datasets/${id}/explanations`, question('month')],
  'by customer': id => ['POST', `/api/datasets/${id}/tables`, table()],
  'by customer, one route': id => ['POST', `/api/datasets/${id}/tables`, table([{ field: 'Route', in: ['North'] }])],
}
const spent = {}
for (let round = 0; round < 60; round++)
  for (const [what, of] of Object.entries(asked))
    for (const [size, name] of [
      ['million', 'million 0'],
      ['tenth', 'First'],
    ]) {
      const start = performance.now()
      await send(...of(find(name).id))
      if (round >= 10) ((spent[what] ??= {})[size] ??= []).push(performance.now() - start)
    }
console.log(
  JSON.stringify({
    facts: { million: find('million 0').facts, tenth: find('First').facts },
    questions: Object.fromEntries(
      Object.entries(spent).map(([what, { million, tenth }]) => [
        what,
        { p95: at(million, 0.95), median: at(million, 0.5), ratio: at(million, 0.5) / at(tenth, 0.5) },
      ]),
    ),
  }),
)

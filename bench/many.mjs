/* Many readers and editors at once over a million figures. Usage: node bench/many.mjs BASE */
import { at, sender } from './http.mjs'

const SECONDS = 12
const base = process.argv[2]
const send = sender(base)
const { id } = (await send('GET', '/api/datasets')).items.find(one => one.name === 'million 0')
const dataset = await send('GET', `/api/datasets/${id}`)
const measure = dataset.measures[0].name
const [customer, ...others] = dataset.breakdowns
const where = Object.fromEntries(others.map(one => [one.name, one.members[0]]))
const period = dataset.periodList.at(-1)?.key ?? dataset.closing
const drawing = { recipe: { keenMargin: 1, question: { against: ['BU'], by: 'month' }, kind: 'variance-tiers' } }
let count = 0
const does = {
  edit: user => [
    'POST',
    `/api/datasets/${id}/edits`,
    {
      measure,
      by: customer.name,
      where,
      rows: [customer.members[user]],
      periods: [{ key: period, scenario: 'AC' }],
      amounts: [[String(++count)]],
    },
  ],
  draw: () => ['POST', `/api/datasets/${id}/drawings`, drawing],
  beat: () => ['GET', `/api/datasets/${id}/pulse`],
}

/** So many users, each of whom asks anew so many milliseconds after the answer: none, or as fast as people may be. */
async function crowd(users, of, pause = 0) {
  const spent = {}
  let errors = 0
  const until = performance.now() + 1000 * SECONDS
  const one = async user => {
    for (let i = 0; performance.now() < until; i++) {
      const what = of(user, i)
      const start = performance.now()
      await send(...does[what](user)).catch(() => errors++)
      ;(spent[what] ??= []).push(performance.now() - start)
      if (pause) await new Promise(resolve => setTimeout(resolve, pause * (0.5 + Math.random())))
    }
  }
  await Promise.all(Array.from({ length: users }, (_, user) => one(user)))
  const all = Object.values(spent).flat()
  const told = (list = [0]) => ({ p50: at(list, 0.5), p95: at(list, 0.95), most: Math.max(...list) })
  return { users, rate: all.length / SECONDS, errors, ...told(all), edit: told(spent.edit) }
}

const mixed = (user, i) => (user % 2 === 0 && i % 3 === 0 ? 'edit' : i % 2 === 0 ? 'draw' : 'beat')
console.log(
  JSON.stringify({
    people: await crowd(20, () => 'edit', 300),
    editors: await crowd(20, () => 'edit'),
    twenty: await crowd(20, mixed),
    hundred: await crowd(100, mixed),
  }),
)

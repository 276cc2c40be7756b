import { ref, shallowRef, triggerRef, watch, type Ref } from 'vue'
import { ask, Problem, says } from '../../shared/api'
import type { FigureRow, FigureTable } from '../types'

/** So many rows come at once. */
const CHUNK = 100
/** So often rows that a change took away again are asked for. */
const MOST_TRIES = 10

/** What became of an asking: `dropped` is what a later one has overtaken. */
type Outcome = 'came' | 'dropped' | 'failed'

/**
 * The rows of a table that may be long: those in sight are asked for, the others when they come into sight.
 *
 * @param body what the table shows; none while that is not known
 */
export function useTableRows(dataset: Ref<number | null>, body: Ref<object | null>) {
  const head = shallowRef<FigureTable | null>(null)
  const rows = shallowRef<(FigureRow | undefined)[]>([])
  const problem = ref('')
  let asked = 0
  /** How often what the table shows has been changed, and whether its rows are still those from before. */
  let wish = 0
  let isOfEarlierWish = true
  let sight = { first: 0, last: 0 }
  /** Chunks that have been asked for and have not come. */
  const under = new Map<number, Promise<Outcome>>()
  /** Texts that are shown before the server has answered, by member and column. */
  const ahead = new Map<string, Map<number, string>>()
  /** The latest asking; whoever waits for an earlier one waits for this. */
  let latest: Promise<unknown> = Promise.resolve()

  /** Asks for a chunk; where it is asked for already, waits for that. */
  function load(chunk: number): Promise<Outcome> {
    const coming = under.get(chunk)
    if (coming) return coming
    const asking = fetched(chunk)
    under.set(chunk, asking)
    return asking
  }

  async function fetched(chunk: number): Promise<Outcome> {
    if (dataset.value === null || !body.value) return 'dropped'
    const mine = asked
    try {
      const answer = await ask<FigureTable>('POST', `/datasets/${dataset.value}/tables`, {
        body: { ...body.value, from: chunk * CHUNK },
      })
      if (mine !== asked) return 'dropped'
      if (isOfEarlierWish) rows.value = []
      isOfEarlierWish = false
      rows.value.length = answer.count
      answer.rows.forEach((row, i) => (rows.value[answer.from + i] = withAhead(row)))
      triggerRef(rows)
      head.value = answer
      problem.value = ''
      return 'came'
    } catch (error) {
      if (mine !== asked) return 'dropped'
      problem.value = says(error)
      return 'failed'
    } finally {
      if (mine === asked) under.delete(chunk)
    }
  }

  function withAhead(row: FigureRow): FigureRow {
    const texts = ahead.get(row.member)
    return texts ? { ...row, cells: row.cells.map((cell, i) => texts.get(i) ?? cell) } : row
  }

  /** Whether all rows of a chunk have come. */
  function isThere(chunk: number): boolean {
    const last = Math.min((chunk + 1) * CHUNK, rows.value.length)
    for (let i = chunk * CHUNK; i < last; i++) if (!rows.value[i]) return false
    return true
  }

  const inSight = () => {
    const chunks = []
    for (let i = Math.floor(sight.first / CHUNK); i <= Math.floor(sight.last / CHUNK); i++) chunks.push(i)
    return chunks
  }

  /** Tells which rows are looked at. */
  function look(first: number, last: number) {
    sight = { first: Math.max(0, first), last: Math.max(0, last) }
    // What comes next is asked for before it is in sight.
    const next = Math.floor(Math.min(sight.last + CHUNK / 2, rows.value.length - 1) / CHUNK)
    for (const chunk of new Set([...inSight(), next])) if (head.value && chunk >= 0 && !isThere(chunk)) void load(chunk)
  }

  /**
   * All rows of a stretch that the table has, also those that have not been in sight.
   *
   * @throws Problem where they do not come, or where others stand there since
   */
  async function all(first: number, last: number): Promise<FigureRow[]> {
    const mine = wish
    const stretch = () => rows.value.slice(first, Math.min(last + 1, rows.value.length))
    const seen = stretch().map(row => row?.member)
    for (let tries = 0; tries < MOST_TRIES; tries++) {
      if (isOfEarlierWish || mine !== wish) throw new Problem(0, 'The table is being fetched. Try it once more.')
      const now = stretch()
      const known = Array.from(now).filter(row => row !== undefined)
      if (known.length === now.length) {
        const isMoved = now.some((row, i) => seen[i] !== undefined && row?.member !== seen[i])
        if (!isMoved) return known
        throw new Problem(0, 'The order of the rows has changed meanwhile. Choose them once more.')
      }
      for (let i = Math.floor(first / CHUNK); i * CHUNK < first + now.length; i++)
        if (!isThere(i) && (await load(i)) === 'failed') throw new Problem(0, problem.value)
    }
    throw new Problem(0, 'The rows have not come, as they change all the time. Try it once more.')
  }

  /** Asks again for what is in sight, and forgets the rest. */
  async function refresh() {
    asked++
    under.clear()
    ahead.clear()
    const chunks = inSight()
    const kept = rows.value
    rows.value = Array(kept.length)
    for (const chunk of chunks)
      for (let i = chunk * CHUNK; i < Math.min(kept.length, (chunk + 1) * CHUNK); i++) rows.value[i] = kept[i]
    await begun(Promise.all(chunks.map(chunk => load(chunk))))
  }

  async function begun(asking: Promise<unknown>) {
    latest = asking
    await asking
    while (latest !== asking) await (asking = latest)
  }

  /** Shows a text at once, before the server has answered. */
  function put(row: number, column: number, text: string) {
    const known = rows.value[row]
    if (!known) return
    ahead.set(known.member, (ahead.get(known.member) ?? new Map<number, string>()).set(column, text))
    rows.value[row] = withAhead(known)
    triggerRef(rows)
  }

  watch(
    [dataset, body],
    () => {
      asked++
      under.clear()
      ahead.clear()
      sight = { first: 0, last: 0 }
      wish++
      isOfEarlierWish = true
      if (dataset.value !== null && body.value) void begun(load(0))
    },
    { immediate: true },
  )

  return { head, rows, problem, look, all, refresh, put }
}

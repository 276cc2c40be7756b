import { ref, shallowRef, triggerRef, watch, type Ref } from 'vue'
import { ask, says } from '../../shared/api'
import type { FigureRow, FigureTable } from '../types'

/** So many rows come at once. */
const CHUNK = 100

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
  let sight = { first: 0, last: 0 }
  const under = new Set<number>()
  /** The latest asking; whoever waits for an earlier one waits for this. */
  let latest: Promise<unknown> = Promise.resolve()

  async function load(chunk: number, isFirst: boolean) {
    if (dataset.value === null || !body.value || under.has(chunk)) return
    const mine = asked
    under.add(chunk)
    try {
      const answer = await ask<FigureTable>('POST', `/datasets/${dataset.value}/tables`, {
        body: { ...body.value, from: chunk * CHUNK },
      })
      if (mine !== asked) return
      if (isFirst || rows.value.length !== answer.count) rows.value = rows.value.slice(0, answer.count)
      rows.value.length = answer.count
      answer.rows.forEach((row, i) => (rows.value[answer.from + i] = row))
      triggerRef(rows)
      head.value = answer
      problem.value = ''
    } catch (error) {
      if (mine === asked) problem.value = says(error)
    } finally {
      if (mine === asked) under.delete(chunk)
    }
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
    const ahead = Math.floor(Math.min(sight.last + CHUNK / 2, rows.value.length - 1) / CHUNK)
    for (const chunk of [...new Set([...inSight(), ahead])])
      if (head.value && chunk >= 0 && !rows.value[chunk * CHUNK]) void load(chunk, false)
  }

  /** All rows of a stretch, also those that have not been in sight. */
  async function all(first: number, last: number): Promise<FigureRow[]> {
    for (let i = Math.floor(first / CHUNK); i <= Math.floor(last / CHUNK); i++)
      if (!rows.value[i * CHUNK]) await load(i, false)
    return rows.value.slice(first, last + 1).filter((row) => row !== undefined)
  }

  /** Asks again for what is in sight, and forgets the rest. */
  async function refresh() {
    asked++
    under.clear()
    const chunks = inSight()
    const kept = rows.value
    rows.value = Array(kept.length)
    for (const chunk of chunks)
      for (let i = chunk * CHUNK; i < Math.min(kept.length, (chunk + 1) * CHUNK); i++) rows.value[i] = kept[i]
    await begun(Promise.all(chunks.map((chunk) => load(chunk, false))))
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
    rows.value[row] = { ...known, cells: known.cells.map((cell, i) => (i === column ? text : cell)) }
    triggerRef(rows)
  }

  watch(
    [dataset, body],
    () => {
      asked++
      under.clear()
      sight = { first: 0, last: 0 }
      if (dataset.value !== null && body.value) void begun(load(0, true))
    },
    { immediate: true },
  )

  return { head, rows, problem, look, all, refresh, put }
}

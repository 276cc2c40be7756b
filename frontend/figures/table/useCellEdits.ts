import { ref, shallowRef, type Ref } from 'vue'
import { ask, conflict, says } from '../../shared/api'
import type { Pulse } from '../../shared/types'
import type { FigureRow, FigureTable } from '../types'
import { groupSays } from '../../shared/wording'
import { useTurns } from '../../shared/useTurns'
import { plain } from './blocks'
import type { useTableRows } from './useTableRows'

interface Block {
  rows: string[]
  columns: number[]
  /** none: leaves the amount as it is; empty: clears it */
  amounts: (string | null)[][]
  was: string[][]
}

export interface Overtaken {
  cells: { row: string; period: string; label: string; was: string; is: string }[]
  block: Block
}

export type WithRows = (rows: FigureRow[]) => Promise<void>

const MOST_ROWS = 5000

/**
 * Sets amounts of the table, each time with what stood there: where somebody else was faster, that is told and nothing is lost.
 *
 * @param where the one member of each other breakdown
 * @param took  given what the server told of the dataset after a change
 */
export function useCellEdits(
  dataset: Ref<number | null>,
  table: ReturnType<typeof useTableRows>,
  where: Ref<Record<string, string>>,
  took: (pulse: Pulse) => void,
) {
  const problem = ref('')
  const overtaken = shallowRef<Overtaken | null>(null)
  const underway = ref(0)
  /** how many wait for rows that are not there yet, or for their turn */
  const waiting = ref(0)
  const preparing = useTurns()
  const sending = useTurns()

  async function send(head: FigureTable, block: Block, knowsWas: boolean) {
    try {
      const pulse = await ask<Pulse>('POST', `/datasets/${dataset.value}/edits`, {
        body: {
          measure: head.measure,
          by: head.by ?? undefined,
          where: Object.keys(where.value).length ? where.value : undefined,
          rows: block.rows,
          periods: block.columns.map(column => ({
            key: head.periods[column]?.key || undefined,
            scenario: head.into[column],
          })),
          amounts: block.amounts,
          was: knowsWas ? block.was : undefined,
        },
      })
      problem.value = ''
      took(pulse)
    } catch (error) {
      const theirs = conflict<Pick<Overtaken, 'cells'>>(error)
      if (theirs) overtaken.value = { cells: theirs.cells, block }
      else problem.value = says(error)
    }
  }

  /** While an edit waits or is sent, rows are not asked for again, so that what the next one finds is the latest. */
  async function edit(work: () => Promise<void>) {
    underway.value++
    try {
      await work()
    } finally {
      underway.value--
    }
    if (underway.value === 0) await table.refresh()
  }

  /**
   * Sets a block whose first amount is at a row and column; shown as soon as its rows are there, sent in turn.
   *
   * @param first done with the rows as they were; where it fails, nothing is set
   */
  function set(top: number, left: number, amounts: (string | null)[][], first?: WithRows): Promise<void> {
    return edit(async () => {
      let answered = Promise.resolve()
      await inTurn(async () => {
        const ready = await prepare(top, left, amounts, first)
        if (ready) answered = sending.inTurn(() => send(ready.head, ready.block, true))
      })
      await answered
    })
  }

  /** Rows as they are after all that was set before, also those that have not been in sight. */
  async function read(top: number, bottom: number, then: WithRows): Promise<void> {
    await inTurn(async () => {
      try {
        await then(await table.all(top, bottom))
      } catch (error) {
        problem.value = says(error)
      }
    })
  }

  async function inTurn(work: () => Promise<void>) {
    waiting.value++
    await preparing.inTurn(work)
    waiting.value--
  }

  /** Shows the block and notes what stood there; null where it cannot be set, which is said. */
  async function prepare(top: number, left: number, amounts: (string | null)[][], first?: WithRows) {
    const head = table.head.value
    const width = amounts[0]?.length ?? 0
    if (!head || !width) return null
    const refusal = refused(head, top, left, amounts)
    if (refusal) return refuse(refusal)
    let rows: FigureRow[]
    try {
      rows = await table.all(top, top + amounts.length - 1)
      await first?.(rows)
    } catch (error) {
      return refuse(`Nothing is changed. ${says(error)}`)
    }
    const group = rows.find(row => row.isGroup)
    if (group) return refuse(groupSays(group.member))
    const columns = Array.from({ length: width }, (_, i) => left + i)
    const block: Block = {
      rows: rows.map(row => row.member),
      columns,
      amounts,
      was: rows.map(row => columns.map(column => plain(row.cells[column] ?? ''))),
    }
    problem.value = ''
    amounts.forEach((line, i) => line.forEach((text, j) => text !== null && table.put(top + i, left + j, text)))
    return { head, block }
  }

  /** Why a block cannot be set where it would stand; empty where it can. */
  function refused(head: FigureTable, top: number, left: number, amounts: (string | null)[][]): string {
    if (head.fixed) return head.fixed
    if (amounts.length > MOST_ROWS)
      return `${amounts.length} rows at once cannot be changed by hand. Bring them in as a file.`
    const more = top + amounts.length - table.rows.value.length
    if (more > 0)
      return `The block has ${more} more ${more === 1 ? 'row' : 'rows'} than the table has from here. Add rows first, or choose a row further up.`
    const wider = left + (amounts[0]?.length ?? 0) - head.periods.length
    return wider > 0
      ? `The block has ${wider} more columns than the table has from here. Choose a period further left.`
      : ''
  }

  function refuse(text: string) {
    problem.value = text
    return null
  }

  /** What was typed wins over what somebody else set meanwhile. */
  async function putOnTop() {
    const [head, late] = [table.head.value, overtaken.value]
    overtaken.value = null
    if (head && late) await edit(() => sending.inTurn(() => send(head, late.block, false)))
  }

  async function keepTheirs() {
    overtaken.value = null
    await table.refresh()
  }

  return { problem, overtaken, underway, waiting, set, read, putOnTop, keepTheirs }
}

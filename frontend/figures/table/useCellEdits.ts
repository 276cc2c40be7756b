import { ref, shallowRef, type Ref } from 'vue'
import { ask, conflict, says } from '../../shared/api'
import type { Pulse } from '../../shared/types'
import type { FigureTable } from '../types'
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
  const { inTurn } = useTurns()

  async function send(head: FigureTable, block: Block, knowsWas: boolean) {
    underway.value++
    try {
      const pulse = await ask<Pulse>('POST', `/datasets/${dataset.value}/edits`, {
        body: {
          measure: head.measure,
          by: head.by ?? undefined,
          where: Object.keys(where.value).length ? where.value : undefined,
          rows: block.rows,
          periods: block.columns.map((column) => ({
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
    } finally {
      underway.value--
    }
    if (underway.value === 0) await table.refresh()
  }

  /** Sets a block whose first amount is at a row and column; shown at once, sent in turn. */
  async function set(top: number, left: number, amounts: (string | null)[][]) {
    const head = table.head.value
    const width = amounts[0]?.length ?? 0
    if (!head || !width) return
    if (head.fixed) return void (problem.value = head.fixed)
    if (amounts.length > MOST_ROWS)
      return void (problem.value = `${amounts.length} rows at once cannot be changed by hand. Bring them in as a file.`)
    const more = top + amounts.length - table.rows.value.length
    if (more > 0)
      return void (problem.value = `The block has ${more} more ${more === 1 ? 'row' : 'rows'} than the table has from here. Add rows first, or choose a row further up.`)
    if (left + width > head.periods.length)
      return void (problem.value = `The block has ${left + width - head.periods.length} more columns than the table has from here. Choose a period further left.`)
    await table.all(top, top + amounts.length - 1)
    // As they are now: another amount may have been set while these rows came.
    const rows = table.rows.value.slice(top, top + amounts.length).filter((row) => row !== undefined)
    const group = rows.find((row) => row.isGroup)
    if (group) return void (problem.value = groupSays(group.member))
    const columns = Array.from({ length: width }, (_, i) => left + i)
    const block: Block = {
      rows: rows.map((row) => row.member),
      columns,
      amounts,
      was: rows.map((row) => columns.map((column) => plain(row.cells[column] ?? ''))),
    }
    problem.value = ''
    amounts.forEach((line, i) => line.forEach((text, j) => text !== null && table.put(top + i, left + j, text)))
    await inTurn(() => send(head, block, true))
  }

  /** What was typed wins over what somebody else set meanwhile. */
  async function putOnTop() {
    const [head, late] = [table.head.value, overtaken.value]
    overtaken.value = null
    if (head && late) await send(head, late.block, false)
  }

  async function keepTheirs() {
    overtaken.value = null
    await table.refresh()
  }

  return { problem, overtaken, underway, set, putOnTop, keepTheirs }
}

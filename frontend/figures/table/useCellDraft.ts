import { nextTick, ref, type Ref } from 'vue'
import type { FigureRow, FigureTable } from '../types'
import { groupSays } from '../../shared/wording'
import { plain } from './blocks'
import type { At } from './useSelection'

/** What is being typed into the active cell, until it is taken or dropped. */
export function useCellDraft(
  shown: { head: FigureTable; rows: (FigureRow | undefined)[] },
  active: Ref<At | null>,
  frame: Ref<HTMLElement | null>,
  tell: { set: (top: number, left: number, amounts: string[][]) => void; refuse: (says: string) => void },
) {
  const draft = ref<string | null>(null)
  /** whose amount is typed, as the rows may be in another order before it is taken */
  let member = ''
  const focus = () => frame.value?.focus({ preventScroll: true })

  /** Begins with the cell's own text, or with the first letter of a new one. */
  async function edit(first?: string) {
    const row = active.value ? shown.rows[active.value.row] : undefined
    if (!active.value || (!row && !shown.head.fixed)) return
    if (shown.head.fixed) return tell.refuse(shown.head.fixed)
    if (!row) return
    if (row.isGroup) return tell.refuse(groupSays(row.member))
    member = row.member
    draft.value = first ?? plain(row.cells[active.value.column] ?? '')
    await nextTick()
    const field = frame.value?.querySelector<HTMLInputElement>('input')
    field?.focus({ preventScroll: true })
    if (first === undefined) field?.select()
  }

  function take() {
    if (draft.value === null || !active.value) return
    const { row: index, column } = active.value
    const isThere = shown.rows[index]?.member === member
    const row = isThere ? index : shown.rows.findIndex(one => one?.member === member)
    if (row < 0)
      return tell.refuse(`The table no longer shows ${member}. Find it, then take what you typed with Enter.`)
    const text = draft.value.trim()
    const was = plain(shown.rows[row]?.cells[column] ?? '')
    draft.value = null
    if (text !== was) tell.set(row, column, [[text]])
    focus()
  }

  function drop() {
    draft.value = null
    focus()
  }

  return { draft, edit, take, drop, focus }
}

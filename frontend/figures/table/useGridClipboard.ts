import type { Ref } from 'vue'
import type { FigureRow } from '../types'
import { parseBlock, plain, repeated, writeBlock } from './blocks'
import type { useSelection } from './useSelection'

/** Blocks of amounts from and to other programs. */
export function useGridClipboard(
  shown: { rows: (FigureRow | undefined)[]; all: (first: number, last: number) => Promise<FigureRow[]> },
  { active, box, go, select }: ReturnType<typeof useSelection>,
  draft: Ref<string | null>,
  set: (top: number, left: number, amounts: string[][]) => void,
) {
  function copy(event: ClipboardEvent) {
    if (!box.value || draft.value !== null) return
    event.preventDefault()
    const { top, bottom, left, right } = box.value
    const written = (rows: FigureRow[]) => writeBlock(rows.map((row) => row.cells.slice(left, right + 1).map(plain)))
    // Rows that have not come yet are holes.
    const known = Array.from(shown.rows.slice(top, bottom + 1)).filter((row) => row !== undefined)
    if (known.length === bottom - top + 1) event.clipboardData?.setData('text/plain', written(known))
    else void shown.all(top, bottom).then((rows) => navigator.clipboard.writeText(written(rows)))
  }

  function clear() {
    if (!box.value) return
    const { top, bottom, left, right } = box.value
    const line = () => Array<string>(right - left + 1).fill('')
    set(top, left, Array.from({ length: bottom - top + 1 }, line))
  }

  function cut(event: ClipboardEvent) {
    if (draft.value !== null) return
    copy(event)
    clear()
  }

  function paste(event: ClipboardEvent) {
    const text = event.clipboardData?.getData('text/plain')
    if (draft.value !== null || !text) return
    event.preventDefault()
    event.stopPropagation()
    if (!active.value) go({ row: 0, column: 0 })
    if (!box.value) return
    const { top, bottom, left, right } = box.value
    const block = repeated(parseBlock(text), bottom - top + 1, right - left + 1)
    set(top, left, block)
    select({ top, left, bottom: top + block.length - 1, right: left + (block[0]?.length ?? 1) - 1 })
  }

  return { copy, cut, paste, clear }
}

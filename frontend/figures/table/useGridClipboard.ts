import type { Ref } from 'vue'
import { Problem } from '../../shared/api'
import type { FigureRow } from '../types'
import { parseBlock, plain, repeated, writeBlock } from './blocks'
import type { WithRows } from './useCellEdits'
import type { Box, useSelection } from './useSelection'

interface Edits {
  set: (top: number, left: number, amounts: string[][], first?: WithRows) => void
  read: (top: number, bottom: number, then: WithRows) => void
}

/**
 * Blocks of amounts from and to other programs.
 *
 * @param shown `waits`: whether what was set before is not yet in the rows
 */
export function useGridClipboard(
  shown: { rows: (FigureRow | undefined)[]; waits: boolean },
  { active, box, go, select }: ReturnType<typeof useSelection>,
  draft: Ref<string | null>,
  { set, read }: Edits,
) {
  const written = (rows: FigureRow[], { left, right }: Box) =>
    writeBlock(rows.map(row => row.cells.slice(left, right + 1).map(plain)))

  /** Copies what is there at once; else gives what copies the rows when they have come. */
  function begun(event: ClipboardEvent, { top, bottom, left, right }: Box): WithRows | undefined {
    event.preventDefault()
    // Rows that have not come yet are holes.
    const known = Array.from(shown.rows.slice(top, bottom + 1)).filter(row => row !== undefined)
    if (known.length < bottom - top + 1 || shown.waits)
      return rows => writeLater(written(rows, { top, bottom, left, right }))
    event.clipboardData?.setData('text/plain', written(known, { top, bottom, left, right }))
  }

  function copy(event: ClipboardEvent) {
    if (!box.value || draft.value !== null) return
    const later = begun(event, box.value)
    if (later) read(box.value.top, box.value.bottom, later)
  }

  /** What is cut is emptied only when it has been copied. */
  function cut(event: ClipboardEvent) {
    if (!box.value || draft.value !== null) return
    clear(begun(event, box.value))
  }

  function clear(first?: WithRows) {
    if (!box.value) return
    const { top, bottom, left, right } = box.value
    const line = () => Array<string>(right - left + 1).fill('')
    set(top, left, Array.from({ length: bottom - top + 1 }, line), first)
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

/** Browsers allow it for a while after the key, and only on a safe connection. */
async function writeLater(text: string) {
  try {
    await navigator.clipboard.writeText(text)
  } catch {
    throw new Problem(
      0,
      'The rows had to come first, so that they could not be copied. They are here now: copy once more.',
    )
  }
}

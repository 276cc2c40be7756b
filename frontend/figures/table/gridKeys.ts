import type { At } from './useSelection'

const PAGE = 15

/** Where a key leads from a cell; none where it does not move. */
export function keyMove(event: KeyboardEvent, at: At | null, rows: number, columns: number): At | null {
  if (!at || event.altKey) return null
  const mod = event.ctrlKey || event.metaKey
  switch (event.key) {
    case 'ArrowUp':
      return { row: mod ? 0 : at.row - 1, column: at.column }
    case 'ArrowDown':
      return { row: mod ? rows - 1 : at.row + 1, column: at.column }
    case 'ArrowLeft':
      return { row: at.row, column: mod ? 0 : at.column - 1 }
    case 'ArrowRight':
      return { row: at.row, column: mod ? columns - 1 : at.column + 1 }
    case 'Home':
      return { row: mod ? 0 : at.row, column: 0 }
    case 'End':
      return { row: mod ? rows - 1 : at.row, column: columns - 1 }
    case 'PageUp':
      return { row: at.row - PAGE, column: at.column }
    case 'PageDown':
      return { row: at.row + PAGE, column: at.column }
    default:
      return null
  }
}

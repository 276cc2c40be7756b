import { computed, ref, type Ref } from 'vue'

export interface At {
  row: number
  column: number
}

export interface Box {
  top: number
  left: number
  bottom: number
  right: number
}

/** The cell that is typed into, and the rectangle between it and the other end of the selection. */
export function useSelection(rows: Ref<number>, columns: Ref<number>) {
  const active = ref<At | null>(null)
  const end = ref<At | null>(null)

  const clamp = (at: At): At => ({
    row: Math.max(0, Math.min(rows.value - 1, at.row)),
    column: Math.max(0, Math.min(columns.value - 1, at.column)),
  })
  const box = computed<Box | null>(() => {
    if (!active.value || !rows.value || !columns.value) return null
    const [a, b] = [clamp(active.value), clamp(end.value ?? active.value)]
    return {
      top: Math.min(a.row, b.row),
      left: Math.min(a.column, b.column),
      bottom: Math.max(a.row, b.row),
      right: Math.max(a.column, b.column),
    }
  })

  /** To a cell; or, where the selection is extended, its other end. */
  function go(to: At, extended = false) {
    if (extended && active.value) end.value = clamp(to)
    else {
      active.value = clamp(to)
      end.value = null
    }
  }

  function select(wanted: Box) {
    active.value = clamp({ row: wanted.top, column: wanted.left })
    end.value = clamp({ row: wanted.bottom, column: wanted.right })
  }

  /** To the next cell, and from the end of a row to the beginning of the next. */
  function next(by: 1 | -1) {
    if (!active.value) return
    const at = active.value.row * columns.value + active.value.column + by
    if (at >= 0 && at < rows.value * columns.value)
      go({ row: Math.floor(at / columns.value), column: at % columns.value })
  }

  return { active, end, box, go, select, next }
}

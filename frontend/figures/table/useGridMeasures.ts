import { computed, watch, type Ref } from 'vue'
import { useVirtualizer } from '@tanstack/vue-virtual'
import { depthOf } from '../../shared/slots/memberFilter'
import type { Breakdown } from '../../shared/types'
import type { FigureRow, FigureTable } from '../types'

/** Heights in pixels. */
export const ROW = 29
export const HEAD = 28
const [NARROWEST_NAME, WIDEST_NAME] = [112, 220]
const [NARROWEST, NARROWEST_TOTAL] = [66, 84]
/** Members whose names are looked at for the width of their column. */
const MOST_NAMES = 5000

interface Shown {
  head: FigureTable
  rows: (FigureRow | undefined)[]
  breakdown: Breakdown | null
}

const digits = (texts: string[]) => Math.max(...texts.map(text => text.length), 1)

/** How wide the columns of a table are, and which of its rows and columns are in sight. */
export function useGridMeasures(shown: Shown, frame: Ref<HTMLElement | null>) {
  const isList = computed(() => shown.head.periods.length === 1 && shown.head.periods[0]?.key === '')
  /** Lines that add and lines that take away have no sum that says anything. */
  const hasTotals = computed(() => shown.head.by !== null && !Object.keys(shown.breakdown?.roles ?? {}).length)
  const name = computed(() => {
    const own = shown.breakdown
    const lengths = own?.members.slice(0, MOST_NAMES).map(one => one.length + 2 * depthOf(own, one)) ?? [12]
    return Math.max(NARROWEST_NAME, Math.min(WIDEST_NAME, 34 + 7.4 * Math.max(0, ...lengths)))
  })
  const wide = computed(() => {
    const texts = [...shown.head.total.cells, ...shown.head.periods.map(period => period.label)]
    return Math.max(NARROWEST, 13 + 7.8 * digits(texts))
  })
  const totalWide = computed(() =>
    isList.value ? 0 : Math.max(NARROWEST_TOTAL, 26 + 8 * digits([shown.head.total.total])),
  )
  const width = computed(() => name.value + shown.head.periods.length * wide.value + totalWide.value)
  /** Above the first row of members. */
  const above = computed(() => HEAD + (hasTotals.value ? ROW : 0))

  const down = useVirtualizer(
    computed(() => ({
      count: shown.rows.length,
      getScrollElement: () => frame.value,
      estimateSize: () => ROW,
      overscan: 8,
      scrollPaddingEnd: above.value + 4,
    })),
  )
  const across = useVirtualizer(
    computed(() => ({
      horizontal: true,
      count: shown.head.periods.length,
      getScrollElement: () => frame.value,
      estimateSize: () => wide.value,
      overscan: 2,
      scrollPaddingEnd: name.value + totalWide.value,
    })),
  )
  watch(wide, () => across.value.measure())

  /** Brings a cell into sight. */
  function show(row: number, column: number) {
    down.value.scrollToIndex(row, { align: 'auto' })
    across.value.scrollToIndex(column, { align: 'auto' })
  }

  return {
    isList,
    hasTotals,
    name,
    wide,
    totalWide,
    width,
    above,
    lines: computed(() => down.value.getVirtualItems()),
    columns: computed(() => across.value.getVirtualItems()),
    show,
  }
}

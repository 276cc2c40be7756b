<script setup lang="ts">
import { computed } from 'vue'
import type { FigureRow, FigureTable } from '../types'
import { ROW } from './useGridMeasures'

/** One member with its amounts. It is drawn again only when something of its own has changed. */
const props = defineProps<{
  /** none: it has not come yet */
  row: FigureRow | undefined
  index: number
  head: FigureTable
  columns: { index: number; start: number }[]
  nameWide: number
  wide: number
  totalWide: number
  /** what the line does in a statement */
  sign: string
  isFolded: boolean
  /** the first and the last column that are selected; −1: none */
  from: number
  to: number
  /** the column of the cell that keys go to; −1: none */
  activeAt: number
  /** what is being typed there */
  draft: string | null
}>()
const emit = defineEmits<{
  press: [event: PointerEvent, column: number]
  over: [column: number]
  edit: []
  fold: []
  'update:draft': [text: string]
  take: []
}>()

const name = computed(() =>
  props.row ? (props.head.by === null ? props.head.measure : props.row.member || '(blank)') : '…',
)
const isChosen = (column: number) => column >= props.from && column <= props.to
function told(column: number): string {
  if (!props.row) return 'loading'
  return `${name.value}, ${props.head.periods[column]?.label || 'amount'}: ${props.row.cells[column] || 'missing'}`
}
/** The column that an event happened in. */
function columnOf(event: Event): number | null {
  const cell = (event.target as HTMLElement).closest<HTMLElement>('[data-column]')
  return cell && !(event.target as HTMLElement).matches('input') ? Number(cell.dataset.column) : null
}
function press(event: PointerEvent) {
  const column = columnOf(event)
  if (column !== null) emit('press', event, column)
}
function over(event: PointerEvent) {
  const column = columnOf(event)
  if (column !== null) emit('over', column)
}
</script>

<template>
  <div
    class="absolute flex border-b border-hairline"
    :class="row?.isGroup ? 'font-semibold' : ''"
    role="row"
    @pointerdown="press"
    @pointerover="over"
    @dblclick="columnOf($event) !== null && emit('edit')">
    <span
      class="sticky left-0 z-10 flex items-center bg-paper pr-3"
      role="rowheader"
      :title="row?.member"
      :style="{ width: `${nameWide}px`, paddingLeft: `${(row?.depth ?? 0) * 12}px` }">
      <button
        v-if="row?.isGroup"
        class="w-5 shrink-0 text-center font-normal text-quiet hover:text-accent"
        tabindex="-1"
        :aria-label="`${isFolded ? 'Unfold' : 'Fold'} ${row.member}`"
        :aria-expanded="!isFolded"
        @click="emit('fold')">
        {{ isFolded ? '▸' : '▾' }}
      </button>
      <span v-else class="w-5 shrink-0 text-center font-normal text-quiet" aria-hidden="true">{{ sign }}</span>
      <span class="truncate">{{ name }}</span>
    </span>
    <span
      v-for="column in columns"
      :id="`amount-${index}-${column.index}`"
      :key="column.index"
      class="amount"
      :class="{
        forecast: head.into[column.index] === 'FC',
        'text-quiet': head.into[column.index] === 'FC' || !row?.cells[column.index],
        chosen: isChosen(column.index),
        active: activeAt === column.index,
      }"
      role="gridcell"
      :aria-colindex="column.index + 2"
      :aria-label="told(column.index)"
      :aria-selected="isChosen(column.index)"
      :aria-readonly="head.fixed !== null || row?.isGroup"
      :data-column="column.index"
      :style="{ left: `${nameWide + column.start}px`, width: `${wide}px`, height: `${ROW - 1}px` }"
      ><input
        v-if="draft !== null && activeAt === column.index"
        class="absolute inset-0 w-full bg-panel pr-[7px] pl-1 text-right text-ink outline-none"
        inputmode="decimal"
        :value="draft"
        :aria-label="`${name}, ${head.periods[column.index]?.label || 'amount'}`"
        @input="emit('update:draft', ($event.target as HTMLInputElement).value)"
        @blur="emit('take')" /><template v-else>{{ row ? row.cells[column.index] || '–' : '' }}</template></span
    >
    <span
      v-if="totalWide"
      class="sticky right-0 ml-auto flex items-center justify-end bg-paper pr-2 font-semibold"
      role="gridcell"
      :aria-colindex="head.periods.length + 2"
      :style="{ width: `${totalWide}px` }"
      >{{ row?.total }}</span
    >
  </div>
</template>

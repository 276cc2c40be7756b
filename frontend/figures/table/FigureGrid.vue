<script setup lang="ts">
import { computed, nextTick, ref, watch } from 'vue'
import { useElementBounding, useWindowSize } from '@vueuse/core'
import type { Breakdown } from '../../shared/types'
import type { FigureRow, FigureTable } from '../types'
import { keyMove } from './gridKeys'
import { useCellDraft } from './useCellDraft'
import { useGridClipboard } from './useGridClipboard'
import { HEAD, ROW, useGridMeasures } from './useGridMeasures'
import type { useSelection } from './useSelection'

/** Members down, periods across. Amounts are edited where they stand; only what is in sight is on the page. */
const props = defineProps<{
  head: FigureTable
  rows: (FigureRow | undefined)[]
  breakdown: Breakdown | null
  selection: ReturnType<typeof useSelection>
  all: (first: number, last: number) => Promise<FigureRow[]>
}>()
const emit = defineEmits<{
  look: [first: number, last: number]
  set: [top: number, left: number, amounts: (string | null)[][]]
  refuse: [says: string]
  trace: []
}>()

const { active, end, go, next, has, isActive } = props.selection
const frame = ref<HTMLElement | null>(null)
const isReleased = ref(false)
const { top } = useElementBounding(frame)
const { height: windowHeight } = useWindowSize()
const highest = computed(() => Math.max(300, windowHeight.value - Math.max(top.value, 48) - 24))
const { isList, hasTotals, name, wide, totalWide, width, above, lines, columns, show } = useGridMeasures(props, frame)
const groups = computed(() => new Set(Object.values(props.breakdown?.parents ?? {})))
const signs = { adds: '+', 'takes away': '−', subtotal: '=' }
watch(lines, (seen) => seen.length && emit('look', seen[0]?.index ?? 0, seen.at(-1)?.index ?? 0), { immediate: true })

const set = (row: number, column: number, amounts: string[][]) => emit('set', row, column, amounts)
const { draft, edit, take, drop, focus } = useCellDraft(props, active, frame, {
  set,
  refuse: (says) => emit('refuse', says),
})
const { copy, cut, paste, clear } = useGridClipboard(props, props.selection, draft, set)

const idOf = (row: number, column: number) => `amount-${row}-${column}`
const activeId = computed(() => (active.value ? idOf(active.value.row, active.value.column) : undefined))

watch([active, end], async () => {
  await nextTick()
  const at = end.value ?? active.value
  if (at) show(at.row, at.column)
})

function named(row: FigureRow): string {
  return props.head.by === null ? props.head.measure : row.member || '(blank)'
}
function told(row: FigureRow | undefined, column: number): string {
  if (!row) return 'loading'
  return `${named(row)}, ${props.head.periods[column]?.label || 'amount'}: ${row.cells[column] || 'missing'}`
}

function key(event: KeyboardEvent) {
  const mod = event.ctrlKey || event.metaKey
  if (draft.value !== null) {
    const after = { Enter: () => step(event.shiftKey ? -1 : 1, 0), Tab: () => next(event.shiftKey ? -1 : 1) }[event.key]
    if (event.key === 'Escape') drop()
    else if (after) {
      take()
      after()
    } else return
    event.preventDefault()
    event.stopPropagation()
    return
  }
  if (!active.value && event.key !== 'Tab') go({ row: 0, column: 0 })
  const move = keyMove(
    event,
    event.shiftKey ? (end.value ?? active.value) : active.value,
    props.rows.length,
    props.head.periods.length,
  )
  if (move) go(move, event.shiftKey)
  else if (event.key === 'Tab') {
    if (isReleased.value || !active.value) return
    next(event.shiftKey ? -1 : 1)
  } else if (event.key === 'Escape') isReleased.value = true
  else if (event.key === 'Enter' || event.key === 'F2') void edit()
  else if (event.key === 'Delete' || event.key === 'Backspace') clear()
  else if (mod && event.key.toLowerCase() === 'a')
    props.selection.select({ top: 0, left: 0, bottom: props.rows.length - 1, right: props.head.periods.length - 1 })
  else if (mod || event.altKey) return
  else if (/^[\d.,+(−-]$/.test(event.key)) void edit(event.key)
  else if (event.key === 's') emit('trace')
  else return
  if (event.key !== 'Escape') isReleased.value = false
  event.preventDefault()
}
function step(rows: number, across_: number) {
  if (active.value) go({ row: active.value.row + rows, column: active.value.column + across_ })
}

defineExpose({ focus })

let isDragging = false
function press(event: PointerEvent, row: number, column: number) {
  if (event.button !== 0) return
  if (draft.value !== null) take()
  go({ row, column }, event.shiftKey)
  isDragging = true
  window.addEventListener('pointerup', () => (isDragging = false), { once: true })
}
function over(row: number, column: number) {
  if (isDragging && active.value) go({ row, column }, true)
}
</script>

<template>
  <div
    ref="frame"
    class="grid-frame relative isolate overflow-auto"
    role="grid"
    tabindex="0"
    aria-label="Figures"
    aria-multiselectable="true"
    :aria-rowcount="rows.length + (hasTotals ? 2 : 1)"
    :aria-colcount="head.periods.length + 2"
    :aria-activedescendant="activeId"
    :style="{ maxHeight: `${highest}px` }"
    @keydown="key"
    @copy="copy"
    @cut="cut"
    @paste="paste"
    @focus="active ?? (rows.length && go({ row: 0, column: 0 }))"
  >
    <div
      :style="{
        width: `${width}px`,
        height: `${above + rows.length * ROW + 2}px`,
      }"
    >
      <div class="sticky top-0 z-20 bg-paper" :style="{ width: `${width}px` }">
        <div
          class="flex text-[12px] text-quiet"
          :class="hasTotals ? '' : 'border-b border-ink/30'"
          role="row"
          aria-rowindex="1"
          :style="{ height: `${HEAD}px` }"
        >
          <span
            class="sticky left-0 z-10 flex items-center bg-paper font-semibold"
            role="columnheader"
            :style="{ width: `${name}px` }"
            >{{ head.by ?? '' }}</span
          >
          <span
            v-for="column in columns"
            :key="column.index"
            class="absolute flex items-center justify-end pr-2 whitespace-nowrap"
            :class="head.into[column.index] === 'FC' ? 'forecast' : ''"
            role="columnheader"
            :aria-colindex="column.index + 2"
            :style="{ left: `${name + column.start}px`, width: `${wide}px`, height: `${HEAD - 1}px` }"
            >{{ isList ? 'Amount' : head.periods[column.index]?.label }}</span
          >
          <span
            v-if="totalWide"
            class="sticky right-0 ml-auto flex items-center justify-end bg-paper pr-2 font-semibold"
            role="columnheader"
            :style="{ width: `${totalWide}px` }"
            >Total</span
          >
        </div>
        <div
          v-if="hasTotals"
          class="relative flex border-y border-ink/30 font-semibold"
          role="row"
          aria-rowindex="2"
          :style="{ height: `${ROW}px` }"
        >
          <span
            class="sticky left-0 z-10 flex items-center bg-paper pl-5"
            role="rowheader"
            :style="{ width: `${name}px` }"
            >All</span
          >
          <span
            v-for="column in columns"
            :key="column.index"
            class="absolute flex items-center justify-end pr-2"
            :class="head.into[column.index] === 'FC' ? 'forecast' : ''"
            role="gridcell"
            :style="{ left: `${name + column.start}px`, width: `${wide}px`, height: `${ROW - 2}px` }"
            >{{ head.total.cells[column.index] }}</span
          >
          <span
            v-if="totalWide"
            class="sticky right-0 ml-auto flex items-center justify-end bg-paper pr-2"
            role="gridcell"
            :style="{ width: `${totalWide}px` }"
            >{{ head.total.total }}</span
          >
        </div>
      </div>
      <div
        v-for="line in lines"
        :key="line.index"
        class="absolute flex border-b border-hairline"
        :class="rows[line.index]?.isGroup ? 'font-semibold' : ''"
        role="row"
        :aria-rowindex="line.index + (hasTotals ? 3 : 2)"
        :style="{
          top: `${above + line.start}px`,
          width: `${width}px`,
          height: `${ROW}px`,
        }"
      >
        <span
          class="sticky left-0 z-10 flex items-center bg-paper pr-3"
          role="rowheader"
          :title="rows[line.index]?.member"
          :style="{ width: `${name}px`, paddingLeft: `${(rows[line.index]?.depth ?? 0) * 12}px` }"
        >
          <span class="w-5 shrink-0 text-center font-normal text-quiet" aria-hidden="true">{{
            signs[breakdown?.roles[rows[line.index]?.member ?? ''] as keyof typeof signs] ?? ''
          }}</span>
          <span class="truncate">{{ rows[line.index] ? named(rows[line.index]!) : '…' }}</span>
        </span>
        <span
          v-for="column in columns"
          :id="idOf(line.index, column.index)"
          :key="column.index"
          class="amount absolute flex items-center justify-end pr-2"
          :class="{
            forecast: head.into[column.index] === 'FC',
            'text-quiet': head.into[column.index] === 'FC' || !rows[line.index]?.cells[column.index],
            chosen: has(line.index, column.index),
            active: isActive(line.index, column.index),
          }"
          role="gridcell"
          :aria-colindex="column.index + 2"
          :aria-label="told(rows[line.index], column.index)"
          :aria-selected="has(line.index, column.index)"
          :aria-readonly="head.fixed !== null || groups.has(rows[line.index]?.member ?? '')"
          :style="{ left: `${name + column.start}px`, width: `${wide}px`, height: `${ROW - 1}px` }"
          @pointerdown="press($event, line.index, column.index)"
          @pointerenter="over(line.index, column.index)"
          @dblclick="edit()"
        >
          <input
            v-if="draft !== null && isActive(line.index, column.index)"
            v-model="draft"
            class="absolute inset-0 w-full bg-panel pr-[7px] pl-1 text-right text-ink outline-none"
            inputmode="decimal"
            :aria-label="`${named(rows[line.index]!)}, ${head.periods[column.index]?.label || 'amount'}`"
            @blur="take"
            @pointerdown.stop
            @dblclick.stop
          />
          <template v-else>{{ rows[line.index] ? rows[line.index]!.cells[column.index] || '–' : '' }}</template>
        </span>
        <span
          v-if="totalWide"
          class="sticky right-0 ml-auto flex items-center justify-end bg-paper pr-2 font-semibold"
          role="gridcell"
          :aria-colindex="head.periods.length + 2"
          :style="{ width: `${totalWide}px` }"
          >{{ rows[line.index]?.total }}</span
        >
      </div>
    </div>
  </div>
</template>

<style scoped>
.grid-frame:focus-visible {
  outline: none;
}
.amount {
  cursor: cell;
  user-select: none;
  white-space: nowrap;
}
.forecast {
  background: repeating-linear-gradient(135deg, #f1ede4 0 3px, transparent 3px 7px);
}
.chosen {
  background: var(--color-accent-tint);
}
.active {
  outline: 1px solid var(--color-accent);
  outline-offset: -1px;
}
.grid-frame:focus-within .active {
  outline-width: 2px;
  outline-offset: -2px;
}
</style>

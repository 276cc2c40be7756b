<script setup lang="ts">
import { computed, nextTick, ref, watch } from 'vue'
import { useElementBounding, useWindowSize } from '@vueuse/core'
import { useVirtualizer } from '@tanstack/vue-virtual'
import { depthOf } from '../../charts/slots/memberFilter'
import type { Breakdown } from '../../shared/types'
import type { FigureRow, FigureTable } from '../types'
import { parseBlock, plain, repeated, writeBlock } from './blocks'
import { keyMove } from './gridKeys'
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

const ROW = 29
const HEAD = 28
const [NARROWEST_NAME, WIDEST_NAME] = [112, 220]
const NARROWEST = 66
const { active, end, box, go, next, has, isActive } = props.selection
const frame = ref<HTMLElement | null>(null)
const draft = ref<string | null>(null)
const isReleased = ref(false)
const { top } = useElementBounding(frame)
const { height: windowHeight } = useWindowSize()
const highest = computed(() => Math.max(300, windowHeight.value - Math.max(top.value, 48) - 24))

const isList = computed(() => props.head.periods.length === 1 && props.head.periods[0]?.key === '')
/** Lines that add and lines that take away have no sum that says anything. */
const hasTotals = computed(() => props.head.by !== null && !Object.keys(props.breakdown?.roles ?? {}).length)
const name = computed(() => {
  const own = props.breakdown
  const longest = own ? Math.max(0, ...own.members.slice(0, 5000).map((one) => one.length + 2 * depthOf(own, one))) : 12
  return Math.max(NARROWEST_NAME, Math.min(WIDEST_NAME, 34 + 7.4 * longest))
})
const digits = (texts: string[]) => Math.max(...texts.map((text) => text.length), 1)
const wide = computed(() =>
  Math.max(
    NARROWEST,
    13 + 7.8 * digits([...props.head.total.cells, ...props.head.periods.map((period) => period.label)]),
  ),
)
const totalWide = computed(() => (isList.value ? 0 : Math.max(84, 26 + 8 * digits([props.head.total.total]))))
const groups = computed(() => new Set(Object.values(props.breakdown?.parents ?? {})))
const signs = { adds: '+', 'takes away': '−', subtotal: '=' }

const down = useVirtualizer(
  computed(() => ({
    count: props.rows.length,
    getScrollElement: () => frame.value,
    estimateSize: () => ROW,
    overscan: 12,
    scrollPaddingEnd: HEAD + (hasTotals.value ? ROW : 0) + 4,
  })),
)
const across = useVirtualizer(
  computed(() => ({
    horizontal: true,
    count: props.head.periods.length,
    getScrollElement: () => frame.value,
    estimateSize: () => wide.value,
    overscan: 4,
    scrollPaddingEnd: name.value + totalWide.value,
  })),
)
watch(wide, () => across.value.measure())
const lines = computed(() => down.value.getVirtualItems())
const columns = computed(() => across.value.getVirtualItems())
const width = computed(() => name.value + props.head.periods.length * wide.value + totalWide.value)
watch(lines, (seen) => seen.length && emit('look', seen[0]?.index ?? 0, seen.at(-1)?.index ?? 0), { immediate: true })

const idOf = (row: number, column: number) => `amount-${row}-${column}`
const activeId = computed(() => (active.value ? idOf(active.value.row, active.value.column) : undefined))

function show() {
  const at = end.value ?? active.value
  if (!at) return
  down.value.scrollToIndex(at.row, { align: 'auto' })
  across.value.scrollToIndex(at.column, { align: 'auto' })
}
watch([active, end], () => void nextTick(show))

function named(row: FigureRow): string {
  return props.head.by === null ? props.head.measure : row.member || '(blank)'
}
function told(row: FigureRow | undefined, column: number): string {
  if (!row) return 'loading'
  return `${named(row)}, ${props.head.periods[column]?.label || 'amount'}: ${row.cells[column] || 'missing'}`
}

/** Begins to type into the active cell: its own text, or the first letter of a new one. */
async function edit(first?: string) {
  if (!active.value) return
  const row = props.rows[active.value.row]
  if (props.head.fixed) return emit('refuse', props.head.fixed)
  if (!row) return
  if (row.isGroup) return emit('refuse', `${row.member} is a group: the sum of what stands in it. Change those.`)
  draft.value = first ?? plain(row.cells[active.value.column] ?? '')
  await nextTick()
  const field = frame.value?.querySelector<HTMLInputElement>('input')
  field?.focus({ preventScroll: true })
  if (first === undefined) field?.select()
}
function take() {
  if (draft.value === null || !active.value) return
  const text = draft.value.trim()
  const was = plain(props.rows[active.value.row]?.cells[active.value.column] ?? '')
  draft.value = null
  if (text !== was) emit('set', active.value.row, active.value.column, [[text]])
  frame.value?.focus({ preventScroll: true })
}
function drop() {
  draft.value = null
  frame.value?.focus({ preventScroll: true })
}
function clear() {
  if (!box.value) return
  const [high, wideness] = [box.value.bottom - box.value.top + 1, box.value.right - box.value.left + 1]
  emit(
    'set',
    box.value.top,
    box.value.left,
    Array.from({ length: high }, () => Array<string>(wideness).fill('')),
  )
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

function cut(event: ClipboardEvent) {
  copy(event)
  clear()
}
function copy(event: ClipboardEvent) {
  if (!box.value || draft.value !== null) return
  event.preventDefault()
  const { top: first, bottom: last, left, right } = box.value
  const written = (rows: FigureRow[]) => writeBlock(rows.map((row) => row.cells.slice(left, right + 1).map(plain)))
  const known = props.rows.slice(first, last + 1)
  if (known.every((row) => row !== undefined)) event.clipboardData?.setData('text/plain', written(known))
  else void props.all(first, last).then((rows) => navigator.clipboard.writeText(written(rows)))
}
function paste(event: ClipboardEvent) {
  const text = event.clipboardData?.getData('text/plain')
  if (draft.value !== null || !text) return
  event.preventDefault()
  event.stopPropagation()
  if (!active.value) go({ row: 0, column: 0 })
  if (!box.value) return
  const { top: first, bottom, left, right } = box.value
  const block = repeated(parseBlock(text), bottom - first + 1, right - left + 1)
  emit('set', first, left, block)
  props.selection.select({
    top: first,
    left,
    bottom: first + block.length - 1,
    right: left + (block[0]?.length ?? 1) - 1,
  })
}

defineExpose({ focus: () => frame.value?.focus({ preventScroll: true }) })

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
        height: `${HEAD + (hasTotals ? ROW : 0) + rows.length * ROW + 2}px`,
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
          top: `${HEAD + (hasTotals ? ROW : 0) + line.start}px`,
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

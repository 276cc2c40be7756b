<script setup lang="ts">
import { computed, nextTick, ref, watch } from 'vue'
import { useElementBounding, useWindowSize } from '@vueuse/core'
import type { Breakdown } from '../../shared/types'
import type { FigureRow, FigureTable } from '../types'
import FigureGridHead from './FigureGridHead.vue'
import FigureGridRow from './FigureGridRow.vue'
import { keyMove } from './gridKeys'
import { useCellDraft } from './useCellDraft'
import { useGridClipboard } from './useGridClipboard'
import { ROW, useGridMeasures } from './useGridMeasures'
import type { WithRows } from './useCellEdits'
import type { useSelection } from './useSelection'

/** Members down, periods across. Amounts are edited where they stand; only what is in sight is on the page. */
const props = defineProps<{
  head: FigureTable
  rows: (FigureRow | undefined)[]
  breakdown: Breakdown | null
  folded: string[]
  selection: ReturnType<typeof useSelection>
  /** whether what was set before is not yet in the rows */
  waits: boolean
}>()
const emit = defineEmits<{
  look: [first: number, last: number]
  set: [top: number, left: number, amounts: (string | null)[][], first?: WithRows]
  read: [top: number, bottom: number, then: WithRows]
  refuse: [says: string]
  trace: []
  fold: [group: string]
}>()

const { active, end, box, go, next } = props.selection
const frame = ref<HTMLElement | null>(null)
const isReleased = ref(false)
const { top } = useElementBounding(frame)
const { height: windowHeight } = useWindowSize()
const highest = computed(() => Math.max(300, windowHeight.value - Math.max(top.value, 48) - 24))
const { isList, hasTotals, name, wide, totalWide, width, above, lines, columns, show } = useGridMeasures(props, frame)
const signs = { adds: '+', 'takes away': '−', subtotal: '=' }
const signOf = (member: string | undefined) => signs[props.breakdown?.roles[member ?? ''] as keyof typeof signs] ?? ''
watch(lines, seen => seen.length && emit('look', seen[0]?.index ?? 0, seen.at(-1)?.index ?? 0), { immediate: true })

const set = (row: number, column: number, amounts: string[][], first?: WithRows) =>
  emit('set', row, column, amounts, first)
const { draft, edit, take, drop, focus } = useCellDraft(props, active, frame, {
  set,
  refuse: says => emit('refuse', says),
})
const { copy, cut, paste, clear } = useGridClipboard(props, props.selection, draft, {
  set,
  read: (top, bottom, then) => emit('read', top, bottom, then),
})

const activeId = computed(() => (active.value ? `amount-${active.value.row}-${active.value.column}` : undefined))

watch([active, end], async () => {
  await nextTick()
  const at = end.value ?? active.value
  if (at) show(at.row, at.column)
})

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
  const row = active.value ? props.rows[active.value.row] : undefined
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
  else if (event.key === ' ' && row?.isGroup) emit('fold', row.member)
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
    @focus="active ?? (rows.length && go({ row: 0, column: 0 }))">
    <div :style="{ width: `${width}px`, height: `${above + rows.length * ROW + 2}px` }">
      <FigureGridHead
        :head="head"
        :columns="columns"
        :name-wide="name"
        :wide="wide"
        :total-wide="totalWide"
        :is-list="isList"
        :has-totals="hasTotals"
        :style="{ width: `${width}px` }" />
      <FigureGridRow
        v-for="line in lines"
        :key="line.index"
        :row="rows[line.index]"
        :index="line.index"
        :head="head"
        :columns="columns"
        :name-wide="name"
        :wide="wide"
        :total-wide="totalWide"
        :sign="signOf(rows[line.index]?.member)"
        :is-folded="folded.includes(rows[line.index]?.member ?? '')"
        :from="box && line.index >= box.top && line.index <= box.bottom ? box.left : -1"
        :to="box && line.index >= box.top && line.index <= box.bottom ? box.right : -1"
        :active-at="active?.row === line.index ? active.column : -1"
        :draft="active?.row === line.index ? draft : null"
        :aria-rowindex="line.index + (hasTotals ? 3 : 2)"
        :style="{ top: `${above + line.start}px`, width: `${width}px`, height: `${ROW}px` }"
        @fold="emit('fold', rows[line.index]?.member ?? '')"
        @press="(event, column) => press(event, line.index, column)"
        @over="over(line.index, $event)"
        @edit="edit()"
        @update:draft="draft = $event"
        @take="take" />
    </div>
  </div>
</template>

<style>
.grid-frame:focus-visible {
  outline: none;
}
.grid-frame .amount {
  position: absolute;
  display: flex;
  align-items: center;
  justify-content: flex-end;
  padding-right: 8px;
  white-space: nowrap;
  user-select: none;
}
.grid-frame .amount[data-column] {
  cursor: cell;
}
.grid-frame .forecast {
  background: repeating-linear-gradient(135deg, #f1ede4 0 3px, transparent 3px 7px);
}
.grid-frame .chosen {
  background: var(--color-accent-tint);
}
.grid-frame .active {
  outline: 1px solid var(--color-accent);
  outline-offset: -1px;
}
.grid-frame:focus-within .active {
  outline-width: 2px;
  outline-offset: -2px;
}
</style>

<script setup lang="ts">
import { computed, nextTick, ref, watch } from 'vue'
import type { WorkingsTable } from '../../shared/types'
import { says } from '../../shared/api'
import { copyTogether, notCopied } from '../../shared/clipboard'
import { useToast } from '../../shared/useToast'
import { rowsFollow } from '../../shared/wording'
import { effectClass } from '../../shared/scene/effects'
import { copied, isSum, sorted, sumsBelow, type Sorting } from './tableText'
import { useHeight } from './useHeight'

/** Every number behind the chart, row by row. */
const props = defineProps<{ table: WorkingsTable; highlighted: string[] }>()
const emit = defineEmits<{ highlight: [key: string]; select: [key: string] }>()
const isOpen = defineModel<boolean>('open', { default: false })
const lit = defineModel<string | null>('lit', { default: null })
const panel = ref<HTMLElement | null>(null)
const pinned = ref<string | null>(null)
const isLit = (key: string) => key === lit.value || key === pinned.value
watch(isOpen, open => open || (pinned.value = null))
const sorting = ref<Sorting | null>(null)
const { height, grab, step, least, most } = useHeight('keen:workings-height', 300)
const { tell } = useToast()

const rows = computed(() => sorted(props.table.rows, sorting.value))
/** Of thousands of rows the first are on the page; more follow as the panel is scrolled. */
const PAGE = 300
const shownRows = ref(PAGE)
const page = computed(() => rows.value.slice(0, shownRows.value))
watch(rows, () => (shownRows.value = PAGE))
function more(event: Event) {
  const { scrollTop, clientHeight, scrollHeight } = event.currentTarget as HTMLElement
  if (scrollTop + clientHeight > scrollHeight - 600 && shownRows.value < rows.value.length) shownRows.value += PAGE
}
/** Brings a row onto the page, with those before it. */
async function reach(key: string) {
  const place = rows.value.findIndex(row => row.key === key)
  if (place < shownRows.value) return
  shownRows.value = place + PAGE
  await nextTick()
}
const sums = computed(() => sumsBelow(props.table))

function tone(row: WorkingsTable['rows'][number], column: string, reference: string | null): string {
  if (!reference)
    return row.cells[column] === 'missing' ? 'text-quiet italic' : column === row.shown ? 'font-semibold' : ''
  return `${effectClass(row.effects[column])} ${row.flags[reference] ? 'font-semibold' : ''}`
}

/** The largest first, then the smallest, then the chart's own order; names the other way round. */
function sort(column: string) {
  const now = sorting.value
  const first = column !== ''
  if (now?.column !== column) sorting.value = { column, isDown: first }
  else sorting.value = now.isDown === first ? { column, isDown: !first } : null
}
const direction = (column: string) =>
  sorting.value?.column === column ? (sorting.value.isDown ? 'descending' : 'ascending') : 'none'

async function copy(rows: WorkingsTable['rows']) {
  try {
    tell(await copyTogether({ table: copied(props.table, rows) }))
  } catch (error) {
    tell(notCopied(error) ?? says(error))
  }
}
/** The row that is pointed at, or whose button has the focus; none where the pointer is elsewhere. */
function copyRow(): boolean {
  const place = window.document.activeElement?.closest('[data-row]') ?? panel.value?.querySelector('[data-row]:hover')
  const row = isOpen.value ? props.table.rows.find(({ key }) => key === place?.getAttribute('data-row')) : undefined
  if (row) void copy([row])
  return row !== undefined
}

/** The row that is shown may be one of those that came later. */
watch(
  () => props.table.more,
  () => pinned.value !== null && void show(pinned.value),
)

const rowOf = (key: string) => panel.value?.querySelector(`[data-row="${CSS.escape(key)}"]`)
watch(lit, async key => {
  if (!key || !isOpen.value || panel.value?.matches(':hover')) return
  await reach(key)
  rowOf(key)?.scrollIntoView({ block: 'nearest' })
})

/** Opens at a row, which stays lit until another is shown. */
async function show(key: string) {
  isOpen.value = true
  pinned.value = key
  await nextTick()
  await reach(key)
  rowOf(key)?.scrollIntoView({ block: 'nearest' })
}
defineExpose({ show, copyRow })
</script>

<template>
  <section class="relative shrink-0 border-t border-hairline bg-panel" aria-label="Workings">
    <div
      v-if="isOpen"
      class="absolute inset-x-0 -top-1 h-2 cursor-row-resize"
      role="separator"
      aria-orientation="horizontal"
      aria-label="Height of the workings"
      :aria-valuenow="height"
      :aria-valuemin="least"
      :aria-valuemax="most()"
      tabindex="0"
      @pointerdown="grab"
      @keydown.up.prevent="step(1)"
      @keydown.down.prevent="step(-1)" />
    <div class="flex h-9 items-center gap-4 px-9 text-quiet">
      <button
        class="flex h-full flex-1 items-center gap-2 hover:text-ink"
        :aria-expanded="isOpen"
        aria-controls="workings"
        title="w"
        @click="isOpen = !isOpen">
        Workings <span aria-hidden="true" class="text-[9px]">{{ isOpen ? '▼' : '▲' }}</span>
        <span v-if="!isOpen" class="ml-auto text-[12px] max-md:hidden"
          >every number behind the chart, and how it came about</span
        >
      </button>
      <button v-if="isOpen && sorting" class="link text-[12px]" @click="sorting = null">In the chart’s order</button>
      <button v-if="isOpen && !table.more" class="link text-[12px]" @click="copy(rows)">Copy the table</button>
    </div>
    <div
      v-if="isOpen"
      id="workings"
      ref="panel"
      class="overflow-auto px-9 pb-4"
      :style="{ maxHeight: `${height}px` }"
      tabindex="0"
      @scroll.passive="more">
      <table class="border-collapse">
        <thead>
          <tr class="sticky top-0 z-10 bg-panel text-left align-bottom">
            <th class="min-w-40 border-b border-ink/40 py-1 pr-6 font-semibold" scope="col" :aria-sort="direction('')">
              <button class="font-semibold hover:text-accent" title="Sort by name" @click="sort('')">
                {{ table.rowsAre }}
              </button>
            </th>
            <th
              v-for="column in table.columns"
              :key="column.id"
              class="min-w-20 border-b border-ink/40 py-1 pl-6 text-right font-semibold"
              scope="col"
              :aria-sort="direction(column.id)">
              <button
                class="font-semibold hover:text-accent"
                :title="`Sort by ${column.head}`"
                @click="sort(column.id)">
                <span v-if="sorting?.column === column.id" aria-hidden="true" class="mr-1 text-[9px]">{{
                  sorting.isDown ? '▼' : '▲'
                }}</span>{{ column.head }}</button
              ><span class="block text-[11.5px] font-normal text-quiet">{{ column.rule }}</span>
            </th>
          </tr>
        </thead>
        <tbody>
          <tr
            v-for="row in page"
            :key="row.key"
            :data-row="row.key"
            class="border-b border-hairline"
            :class="[isLit(row.key) ? 'bg-accent-tint/60' : '', isSum(row.role) ? 'font-semibold' : '']"
            @pointerenter="lit = row.key"
            @pointerleave="lit = null">
            <th
              class="max-w-[420px] py-[3px] pr-6 text-left break-words"
              :class="isSum(row.role) ? 'font-semibold' : 'font-normal'"
              scope="row">
              <div class="flex items-baseline">
                <button
                  class="mr-2 size-2.5 shrink-0 rounded-xs border border-accent/50 align-baseline"
                  :class="highlighted.includes(row.key) ? 'bg-accent' : ''"
                  :aria-label="`Highlight ${row.label}`"
                  :aria-pressed="highlighted.includes(row.key)"
                  title="Highlight this row in the chart"
                  @click="emit('highlight', row.key)" /><button
                  class="text-left hover:text-accent"
                  :style="{ paddingLeft: `${row.depth * 12}px` }"
                  :title="`What to do with ${row.label}`"
                  @click="emit('select', row.key)">
                  {{ row.label }}</button
                ><span v-if="row.flagged" class="ml-1 text-[12px] text-accent">{{ ' flagged' }}</span>
              </div>
            </th>
            <td
              v-for="column in table.columns"
              :key="column.id"
              class="py-[3px] pl-6 text-right whitespace-nowrap"
              :class="tone(row, column.id, column.reference)">
              {{ row.cells[column.id] ?? ''
              }}<span
                v-if="column.reference && column.id.startsWith('variance:') && row.only[column.reference]"
                class="block text-[11.5px] font-normal text-quiet"
                >{{ row.only[column.reference] }}</span
              >
            </td>
          </tr>
        </tbody>
        <tfoot>
          <tr
            v-for="sum in page.length === rows.length && !table.more ? sums : []"
            :key="sum.key"
            :data-row="sum.key"
            class="font-semibold"
            :class="isLit(sum.key) ? 'bg-accent-tint/60' : ''">
            <th class="py-1 pr-6 text-left whitespace-nowrap" scope="row">{{ sum.label }}</th>
            <td v-for="column in table.columns" :key="column.id" class="py-1 pl-6 text-right whitespace-nowrap">
              {{ sum.cells[column.id] ?? '' }}
            </td>
          </tr>
        </tfoot>
      </table>
      <p v-if="table.more" class="py-2 text-quiet">{{ rowsFollow(table.more) }}</p>
    </div>
  </section>
</template>

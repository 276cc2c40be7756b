<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import type { WorkingsTable } from '../shared/types'
import { effectClass } from './effects'

const props = defineProps<{ table: WorkingsTable; highlighted: string[] }>()
const emit = defineEmits<{ highlight: [key: string] }>()
const isOpen = defineModel<boolean>('open', { default: false })
const lit = defineModel<string | null>('lit', { default: null })
const rows = ref<HTMLElement | null>(null)

function text(row: WorkingsTable['rows'][number], column: string): string {
  return row.cells[column] ?? ''
}

function tone(row: WorkingsTable['rows'][number], column: string, reference: string | null): string {
  if (!reference)
    return row.cells[column] === 'missing' ? 'text-quiet italic' : column === row.shown ? 'font-semibold' : ''
  return `${effectClass(row.effects[reference])} ${row.flags[reference] ? 'font-semibold' : ''}`
}

watch(lit, (key) => {
  if (!key || !isOpen.value || rows.value?.matches(':hover')) return
  rows.value?.querySelector(`[data-row="${CSS.escape(key)}"]`)?.scrollIntoView({ block: 'nearest' })
})
const isSum = (role: string) => ['group', 'total', 'landing'].includes(role)
/** Whether the sum of all stands among the rows. */
const hasTotal = computed(() => props.table.rows.some((row) => row.role === 'total'))
const total = (column: string) => props.table.total[column] ?? ''
</script>

<template>
  <section class="shrink-0 border-t border-hairline bg-panel" aria-label="Workings">
    <button
      class="flex h-9 w-full items-center gap-2 px-9 text-quiet hover:text-ink"
      :aria-expanded="isOpen"
      aria-controls="workings"
      @click="isOpen = !isOpen"
    >
      Workings <span aria-hidden="true" class="text-[9px]">{{ isOpen ? '▼' : '▲' }}</span>
      <span v-if="!isOpen" class="ml-auto text-[12px] max-md:hidden"
        >every number behind the chart, and how it came about</span
      >
    </button>
    <div v-if="isOpen" id="workings" ref="rows" class="max-h-[38vh] overflow-auto px-9 pb-4" tabindex="0">
      <table class="border-collapse">
        <thead>
          <tr class="sticky top-0 bg-panel text-left align-bottom">
            <th class="min-w-32 border-b border-ink/40 py-1 pr-6 font-semibold" scope="col">{{ table.rowsAre }}</th>
            <th
              v-for="column in table.columns"
              :key="column.id"
              class="min-w-20 border-b border-ink/40 py-1 pl-6 text-right font-semibold"
              scope="col"
            >
              {{ column.head }}<span class="block text-[11.5px] font-normal text-quiet">{{ column.rule }}</span>
            </th>
          </tr>
        </thead>
        <tbody>
          <tr
            v-for="row in table.rows"
            :key="row.key"
            :data-row="row.key"
            class="border-b border-hairline"
            :class="[lit === row.key ? 'bg-accent-tint' : '', isSum(row.role) ? 'font-semibold' : '']"
            @pointerenter="lit = row.key"
            @pointerleave="lit = null"
          >
            <th
              class="max-w-[420px] py-[3px] pr-6 text-left break-words"
              :class="isSum(row.role) ? 'font-semibold' : 'font-normal'"
              scope="row"
            >
              <button
                class="mr-2 size-2.5 rounded-xs border border-accent/50 align-baseline"
                :class="highlighted.includes(row.key) ? 'bg-accent' : ''"
                :aria-label="`Highlight ${row.label}`"
                :aria-pressed="highlighted.includes(row.key)"
                title="Highlight this row in the chart"
                @click="emit('highlight', row.key)"
              /><span :style="{ paddingLeft: `${row.depth * 12}px` }">{{ row.label }}</span
              ><span v-if="row.flagged" class="ml-2 text-[12px] text-accent">flagged</span>
            </th>
            <td
              v-for="column in table.columns"
              :key="column.id"
              class="py-[3px] pl-6 text-right whitespace-nowrap"
              :class="tone(row, column.id, column.reference)"
            >
              {{ text(row, column.id) }}
            </td>
          </tr>
        </tbody>
        <tfoot v-if="!hasTotal">
          <tr class="font-semibold">
            <th class="py-1 pr-6 text-left whitespace-nowrap" scope="row">Total</th>
            <td v-for="column in table.columns" :key="column.id" class="py-1 pl-6 text-right">
              {{ total(column.id) }}
            </td>
          </tr>
        </tfoot>
      </table>
    </div>
  </section>
</template>

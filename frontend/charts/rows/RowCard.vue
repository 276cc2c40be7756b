<script setup lang="ts">
import { computed, toRef } from 'vue'
import type { Recipe, RowNote, WorkingsTable } from '../../shared/types'
import { plural } from '../../shared/wording'
import { effectClass } from '../../shared/scene/effects'
import { beside } from './beside'
import { useRow } from './useRow'

/** All numbers of the row that is pointed at, also those hidden behind others, its notes, and the files they came from. */
const props = defineProps<{
  dataset: number
  recipe: Recipe
  table: WorkingsTable
  notes: RowNote[]
  rowKey: string
  left: number
  top: number
  right: number
  bottom: number
  width: number
}>()
const WIDTH = 208
const DWELL = 350
const row = computed(() => props.table.rows.find(row => row.key === props.rowKey))
const columns = computed(() => props.table.columns.filter(column => column.id !== 'shown'))
const headOf = (reference: string | number) =>
  props.table.columns.find(column => column.reference === reference)?.head ?? reference
const style = computed(() => beside(props, WIDTH))
const { about } = useRow(toRef(props, 'dataset'), toRef(props, 'recipe'), toRef(props, 'rowKey'), DWELL)
</script>

<template>
  <div
    v-if="row"
    class="pointer-events-none absolute z-20 rounded-md border border-hairline bg-panel px-3 py-2 shadow-md"
    :style="style"
    role="status">
    <p class="mb-1 flex justify-between gap-3 font-semibold">
      <span class="min-w-0 break-words">{{ row.label }}</span><span v-if="row.flagged" class="text-accent"
        >flagged</span
      >
    </p>
    <p v-for="column in columns" :key="column.id" class="flex justify-between gap-3">
      <span class="min-w-0 break-words text-quiet">{{ column.head }}</span>
      <span
        :class="
          column.reference
            ? effectClass(row.effects[column.id])
            : row.cells[column.id] === 'missing'
              ? 'text-quiet'
              : ''
        "
        >{{ row.cells[column.id] }}</span
      >
    </p>
    <p v-for="(only, reference) in row.only" :key="reference" class="mt-1 text-[12px] text-quiet">
      {{ headOf(reference) }}: {{ only }}
    </p>
    <p v-if="table.unit" class="mt-1 border-t border-hairline pt-1 text-[12px] text-quiet">in {{ table.unit }}</p>
    <p v-for="note in notes" :key="note.id" class="mt-1 line-clamp-3 border-t border-hairline pt-1 text-[12px]">
      {{ note.text }}
    </p>
    <div v-if="about" class="mt-1 border-t border-hairline pt-1 text-[12px] text-quiet">
      <p v-for="of in about.scenarios.filter(one => one.imports.length)" :key="of.scenario" class="flex gap-2">
        <span class="w-6 shrink-0">{{ of.scenario }}</span><span class="min-w-0 break-words"
          >{{ of.imports[0]?.name }}, {{ plural(of.imports[0]?.facts ?? 0, 'figure')
          }}<template v-if="of.imports.length > 1">
            and {{ plural(of.imports.length - 1, 'more file') }}</template
          ></span
        >
      </p>
    </div>
  </div>
</template>

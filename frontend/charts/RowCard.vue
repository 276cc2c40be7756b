<script setup lang="ts">
import { computed } from 'vue'
import type { WorkingsTable } from '../shared/types'
import { effectClass } from './effects'

const props = defineProps<{
  table: WorkingsTable
  rowKey: string
  left: number
  top: number
  right: number
  width: number
}>()
const row = computed(() => props.table.rows.find((row) => row.key === props.rowKey))
const style = computed(() => {
  const isRoomRight = props.right + 12 + 190 < props.width
  return { left: `${isRoomRight ? props.right + 12 : props.left - 202}px`, top: `${Math.max(0, props.top)}px` }
})
</script>

<template>
  <div
    v-if="row"
    class="pointer-events-none absolute z-20 w-[190px] rounded-md border border-hairline bg-panel px-3 py-2 shadow-md"
    :style="style"
    role="status"
  >
    <p class="mb-1 flex justify-between gap-3 font-semibold">
      <span class="min-w-0 break-words">{{ row.label }}</span><span v-if="row.flagged" class="text-accent"
        >flagged</span
      >
    </p>
    <p v-for="column in table.columns" :key="column.id" class="flex justify-between gap-3">
      <span class="min-w-0 break-words text-quiet">{{ column.head }}</span>
      <span
        :class="
          column.reference
            ? effectClass(row.effects[column.reference])
            : row.cells[column.id] === 'missing'
              ? 'text-quiet'
              : ''
        "
        >{{ row.cells[column.id] }}</span
      >
    </p>
    <p v-if="table.unit" class="mt-1 border-t border-hairline pt-1 text-[12px] text-quiet">in {{ table.unit }}</p>
  </div>
</template>

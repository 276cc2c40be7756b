<script setup lang="ts">
import type { FigureTable } from '../types'
import { HEAD, ROW } from './useGridMeasures'

/** The periods across, and the sums of all members. */
defineProps<{
  head: FigureTable
  columns: { index: number; start: number }[]
  nameWide: number
  wide: number
  totalWide: number
  isList: boolean
  hasTotals: boolean
}>()
</script>

<template>
  <div class="sticky top-0 z-20 bg-paper">
    <div
      class="flex text-[12px] text-quiet"
      :class="hasTotals ? '' : 'border-b border-ink/30'"
      role="row"
      aria-rowindex="1"
      :style="{ height: `${HEAD}px` }">
      <span
        class="sticky left-0 z-10 flex items-center bg-paper font-semibold"
        role="columnheader"
        :style="{ width: `${nameWide}px` }"
        >{{ head.by ?? '' }}</span
      >
      <span
        v-for="column in columns"
        :key="column.index"
        class="amount"
        :class="head.into[column.index] === 'FC' ? 'forecast' : ''"
        role="columnheader"
        :aria-colindex="column.index + 2"
        :style="{ left: `${nameWide + column.start}px`, width: `${wide}px`, height: `${HEAD - 1}px` }"
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
      :style="{ height: `${ROW}px` }">
      <span
        class="sticky left-0 z-10 flex items-center bg-paper pl-5"
        role="rowheader"
        :style="{ width: `${nameWide}px` }"
        >All</span
      >
      <span
        v-for="column in columns"
        :key="column.index"
        class="amount"
        :class="head.into[column.index] === 'FC' ? 'forecast' : ''"
        role="gridcell"
        :style="{ left: `${nameWide + column.start}px`, width: `${wide}px`, height: `${ROW - 2}px` }"
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
</template>

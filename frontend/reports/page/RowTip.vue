<script setup lang="ts">
import { computed } from 'vue'
import type { PageBlock } from '../types'

/** All numbers of the row that is pointed at. */
const props = defineProps<{
  row: PageBlock['rows'][number]
  place: { left: number; right: number; top: number; bottom: number }
  /** of the block, and from its top to the end of the page, in pixels */
  width: number
  down: number
  takes: boolean
}>()
const WIDTH = 208
const APART = 8
const AROUND = 38
const LINE = 20
/** Pixels by which it may reach beyond its block. */
const BEYOND = 120
const height = computed(() => AROUND + (props.row.numbers.length + (props.takes ? 1 : 0)) * LINE)
/** Beside the row where there is room; else below it, or above. */
const style = computed(() => {
  const { left, right, top, bottom } = props.place
  const width = `${WIDTH}px`
  const beside = `${Math.max(0, top)}px`
  if (right + APART + WIDTH <= props.width + BEYOND) return { width, left: `${right + APART}px`, top: beside }
  if (left - APART - WIDTH >= -BEYOND) return { width, left: `${left - APART - WIDTH}px`, top: beside }
  const below = bottom + APART + height.value <= props.down ? bottom + APART : top - APART - height.value
  return { width, left: `${Math.max(0, Math.min(right, props.width) - WIDTH)}px`, top: `${below}px` }
})
</script>

<template>
  <div class="sheet pointer-events-none mt-0 px-3 py-2" role="status" :style="style">
    <p class="font-semibold break-words">{{ row.label }}</p>
    <dl>
      <div v-for="number in row.numbers" :key="number.head" class="flex justify-between gap-3">
        <dt class="text-quiet">{{ number.head }}</dt>
        <dd>{{ number.is }}</dd>
      </div>
    </dl>
    <p v-if="takes" class="mt-1 text-[12px] text-accent">Click to take a number of it</p>
  </div>
</template>

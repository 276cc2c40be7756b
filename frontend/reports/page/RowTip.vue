<script setup lang="ts">
import { computed } from 'vue'
import type { PageBlock } from '../types'

/** All numbers of the row that is pointed at. */
const props = defineProps<{
  row: PageBlock['rows'][number]
  place: { left: number; right: number; top: number; bottom: number }
  width: number
  takes: boolean
}>()
const WIDTH = 208
const GAP = 8
const left = computed(() =>
  props.place.right + GAP + WIDTH <= props.width + 120
    ? props.place.right + GAP
    : Math.max(-120, props.place.left - GAP - WIDTH),
)
</script>

<template>
  <div
    class="sheet pointer-events-none mt-0 px-3 py-2"
    role="status"
    :style="{ left: `${left}px`, top: `${Math.max(0, place.top)}px`, width: `${WIDTH}px` }"
  >
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

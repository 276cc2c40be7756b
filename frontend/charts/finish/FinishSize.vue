<script setup lang="ts">
import type { Finish } from '../../shared/types'

/** How large the picture is; on the page the chart is as wide as its place. */
defineProps<{ finish: Finish }>()
const emit = defineEmits<{ change: [part: Partial<Finish>] }>()

function set(side: 'width' | 'height', field: HTMLInputElement, least: number, most: number) {
  const size = Math.round(Number(field.value))
  if (field.value.trim() === '') return emit('change', { [side]: undefined })
  const fit = Number.isFinite(size) ? Math.max(least, Math.min(most, size)) : undefined
  field.value = String(fit ?? '')
  emit('change', { [side]: fit })
}
</script>

<template>
  <div class="flex items-center gap-2 border-t border-hairline pt-3" role="group" aria-label="Size of the picture">
    <span class="w-16 shrink-0 text-quiet">Picture</span>
    <input
      class="field w-20 text-right"
      inputmode="numeric"
      aria-label="Width of the picture"
      :value="finish.width ?? ''"
      placeholder="880"
      @change="set('width', $event.target as HTMLInputElement, 360, 1920)" />
    wide,
    <input
      class="field w-20 text-right"
      inputmode="numeric"
      aria-label="Height of the chart"
      :value="finish.height ?? ''"
      placeholder="as it fits"
      @change="set('height', $event.target as HTMLInputElement, 180, 2400)" />
    high
  </div>
</template>

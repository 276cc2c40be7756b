<script setup lang="ts">
import type { Span } from '../types'

/** Spans that are often asked for, and any from one period to another. */
const props = defineProps<{
  choices: { label: string; span: Span | undefined }[]
  chosen: Span | undefined
  periods: { key: string; label: string }[]
  /** first and last period that are shown as chosen */
  between: { from: string; to: string }
}>()
const emit = defineEmits<{ choose: [span: Span | undefined]; range: [span: Span] }>()
const isChosen = (span: Span | undefined) => JSON.stringify(span ?? null) === JSON.stringify(props.chosen ?? null)

function set(start: string, end: string) {
  const place = (key: string) => props.periods.findIndex(period => period.key === key)
  const [from, to] = place(start) <= place(end) ? [start, end] : [end, start]
  emit('range', { from, to })
}
</script>

<template>
  <div class="grid grid-cols-2 gap-x-2">
    <button
      v-for="choice in choices"
      :key="choice.label"
      class="choice rounded"
      :class="isChosen(choice.span) ? 'choice-chosen' : ''"
      @click="emit('choose', choice.span)">
      {{ choice.label }}
    </button>
  </div>
  <div v-if="periods.length" class="mt-2 flex items-center gap-2 border-t border-hairline pt-3">
    <select
      class="field min-w-0 flex-1"
      aria-label="From"
      :value="between.from"
      @change="set(($event.target as HTMLSelectElement).value, between.to)">
      <option v-for="period in periods" :key="period.key" :value="period.key">{{ period.label }}</option>
    </select>
    to
    <select
      class="field min-w-0 flex-1"
      aria-label="To"
      :value="between.to"
      @change="set(between.from, ($event.target as HTMLSelectElement).value)">
      <option v-for="period in periods" :key="period.key" :value="period.key">{{ period.label }}</option>
    </select>
  </div>
</template>

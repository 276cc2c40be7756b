<script setup lang="ts">
import { computed } from 'vue'
import type { Span } from '../../shared/types'
import GatherLink from '../../shared/slots/GatherLink.vue'
import SlotSheet from '../../shared/slots/SlotSheet.vue'
import type { Report } from '../types'

/** The span that charts are asked about; none: each has its own. */
const props = defineProps<{
  text: string
  periods: Report['periods']
  span: Span | undefined
  isGathering: boolean
}>()
const emit = defineEmits<{ change: [span: Span | undefined]; gather: [] }>()
const years = computed(() => [...new Set(props.periods.map((period) => period.key.slice(0, 4)))].slice(-4))
const quick = computed<{ label: string; span: Span | undefined }[]>(() => [
  { label: 'As each chart has it', span: undefined },
  { label: 'Year to date', span: 'year to date' },
  ...years.value.map((year) => ({ label: year, span: { from: `${year}-01`, to: `${year}-12` } })),
  { label: 'Last 3 months', span: { last: 3, unit: 'month' } },
  { label: 'Last 12 months', span: { last: 12, unit: 'month' } },
  { label: 'Rest of year', span: 'rest of year' },
])
const isChosen = (span: Span | undefined) => JSON.stringify(span ?? null) === JSON.stringify(props.span ?? null)
const last = computed(() => props.periods[props.periods.length - 1]?.key ?? '')
const between = computed(() =>
  typeof props.span === 'object' && 'from' in props.span
    ? props.span
    : { from: props.periods[0]?.key ?? '', to: last.value },
)
function set(from: string, to: string) {
  emit('change', from <= to ? { from, to } : { from: to, to: from })
}
</script>

<template>
  <SlotSheet :text="text" name="Span" :width="330">
    <template #default="{ close }">
      <div class="grid grid-cols-2 gap-x-2">
        <button
          v-for="choice in quick"
          :key="choice.label"
          class="choice rounded"
          :class="isChosen(choice.span) ? 'choice-chosen' : ''"
          @click="(emit('change', choice.span), isGathering || close())"
        >
          {{ choice.label }}
        </button>
      </div>
      <div v-if="periods.length" class="mt-2 flex items-center gap-2 border-t border-hairline pt-3">
        <select
          class="field min-w-0 flex-1"
          aria-label="From"
          :value="between.from"
          @change="set(($event.target as HTMLSelectElement).value, between.to)"
        >
          <option v-for="period in periods" :key="period.key" :value="period.key">{{ period.label }}</option>
        </select>
        to
        <select
          class="field min-w-0 flex-1"
          aria-label="To"
          :value="between.to"
          @change="set(between.from, ($event.target as HTMLSelectElement).value)"
        >
          <option v-for="period in periods" :key="period.key" :value="period.key">{{ period.label }}</option>
        </select>
      </div>
      <GatherLink v-if="!isGathering" @gather="emit('gather')" />
    </template>
  </SlotSheet>
</template>

<script setup lang="ts">
import { computed } from 'vue'
import type { Dataset, Question, Span } from '../../shared/types'
import GatherLink from '../../shared/slots/GatherLink.vue'
import SlotSheet from '../../shared/slots/SlotSheet.vue'

const props = defineProps<{ text: string; dataset: Dataset; question: Question; canGather?: boolean }>()
const emit = defineEmits<{ change: [part: Partial<Question>]; gather: [] }>()

const periods = computed(() => props.dataset.periodList)
const first = computed(() => periods.value[0]?.key ?? '')
const last = computed(() => periods.value[periods.value.length - 1]?.key ?? '')
const told = computed(() => {
  const span = props.question.span
  return typeof span === 'object' && 'from' in span ? span : { from: first.value, to: last.value }
})
const isKnown = (key: string) => periods.value.some((period) => period.key === key)
const from = computed(() => (isKnown(told.value.from) ? told.value.from : first.value))
const to = computed(() => (isKnown(told.value.to) ? told.value.to : last.value))

const quick = computed(() => {
  const choices: { label: string; span: Span | undefined }[] = [{ label: 'All periods', span: undefined }]
  for (const year of props.dataset.years.slice(-4))
    choices.push({ label: year.label, span: { from: year.key, to: year.key } })
  choices.push({ label: 'Year to date', span: 'year to date' })
  if (props.question.forecast) choices.push({ label: 'Rest of year', span: 'rest of year' })
  if (props.dataset.grains.includes('month'))
    choices.push(
      { label: 'Last 3 months', span: { last: 3, unit: 'month' } },
      { label: 'Last 12 months', span: { last: 12, unit: 'month' } },
    )
  choices.push({ label: 'Previous year', span: { previous: 1, unit: 'year' } })
  return choices
})
const isChosen = (span: Span | undefined) =>
  JSON.stringify(span ?? null) === JSON.stringify(props.question.span ?? null)
const hasForecast = computed(
  () =>
    props.dataset.references.some((reference) => reference.code === 'FC') && (props.question.scenario ?? 'AC') === 'AC',
)

function between(start: string, end: string) {
  const [a, b] =
    periods.value.findIndex((period) => period.key === start) <= periods.value.findIndex((period) => period.key === end)
      ? [start, end]
      : [end, start]
  emit('change', { span: { from: a, to: b } })
}
</script>

<template>
  <SlotSheet :text="text" name="Span" says="span" example="last 3 months, Apr to Jun 2025" :width="340">
    <template #default="{ close }">
      <div class="grid grid-cols-2 gap-x-2">
        <button
          v-for="choice in quick"
          :key="choice.label"
          class="choice rounded"
          :class="isChosen(choice.span) ? 'choice-chosen' : ''"
          @click="(emit('change', { span: choice.span }), close())"
        >
          {{ choice.label }}
        </button>
      </div>
      <div class="mt-2 flex items-center gap-2 border-t border-hairline pt-3">
        <label class="sr-only" for="span-from">From</label>
        <select
          id="span-from"
          class="field min-w-0 flex-1"
          :value="from"
          @change="between(($event.target as HTMLSelectElement).value, to)"
        >
          <option v-for="period in periods" :key="period.key" :value="period.key">{{ period.label }}</option>
        </select>
        to
        <label class="sr-only" for="span-to">To</label>
        <select
          id="span-to"
          class="field min-w-0 flex-1"
          :value="to"
          @change="between(from, ($event.target as HTMLSelectElement).value)"
        >
          <option v-for="period in periods" :key="period.key" :value="period.key">{{ period.label }}</option>
        </select>
      </div>
      <label v-if="hasForecast" class="mt-3 flex items-center gap-2 border-t border-hairline pt-3">
        <input
          type="checkbox"
          class="size-4 accent-accent"
          :checked="question.forecast === 'FC'"
          @change="emit('change', { forecast: ($event.target as HTMLInputElement).checked ? 'FC' : undefined })"
        />
        Show the forecast after the closing period
      </label>
      <GatherLink v-if="canGather" @gather="emit('gather')" />
    </template>
  </SlotSheet>
</template>

<script setup lang="ts">
import { computed } from 'vue'
import type { Dataset, Question, Span } from '../../shared/types'
import GatherLink from '../../shared/slots/GatherLink.vue'
import SlotSheet from '../../shared/slots/SlotSheet.vue'
import SpanChoices from '../../shared/slots/SpanChoices.vue'

const props = defineProps<{ text: string; dataset: Dataset; question: Question; canGather?: boolean }>()
const emit = defineEmits<{ change: [part: Partial<Question>]; gather: [] }>()

const periods = computed(() => props.dataset.periodList)
const first = computed(() => periods.value[0]?.key ?? '')
const last = computed(() => periods.value[periods.value.length - 1]?.key ?? '')
const told = computed(() => {
  const span = props.question.span
  return typeof span === 'object' && 'from' in span ? span : { from: first.value, to: last.value }
})
const isKnown = (key: string) => periods.value.some(period => period.key === key)
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
const hasForecast = computed(
  () =>
    props.dataset.references.some(reference => reference.code === 'FC') && (props.question.scenario ?? 'AC') === 'AC',
)
</script>

<template>
  <SlotSheet :text="text" name="Span" says="span" example="last 3 months, Apr to Jun 2025" :width="340">
    <template #default="{ close }">
      <SpanChoices
        :choices="quick"
        :chosen="question.span"
        :periods="periods"
        :between="{ from, to }"
        @choose="(emit('change', { span: $event }), close())"
        @range="emit('change', { span: $event })" />
      <label v-if="hasForecast" class="mt-3 flex items-center gap-2 border-t border-hairline pt-3">
        <input
          type="checkbox"
          class="size-4 accent-accent"
          :checked="question.forecast === 'FC'"
          @change="emit('change', { forecast: ($event.target as HTMLInputElement).checked ? 'FC' : undefined })" />
        Show the forecast after the closing period
      </label>
      <GatherLink v-if="canGather" @gather="emit('gather')" />
    </template>
  </SlotSheet>
</template>

<script setup lang="ts">
import { computed } from 'vue'
import type { Span } from '../../shared/types'
import GatherLink from '../../shared/slots/GatherLink.vue'
import SlotSheet from '../../shared/slots/SlotSheet.vue'
import SpanChoices from '../../shared/slots/SpanChoices.vue'
import type { Report } from '../types'

/** The span that charts are asked about; none: each has its own. */
const props = defineProps<{ text: string; periods: Report['periods']; span: Span | undefined; isGathering: boolean }>()
const emit = defineEmits<{ change: [span: Span | undefined]; gather: [] }>()
const years = computed(() => [...new Set(props.periods.map(period => period.key.slice(0, 4)))].slice(-4))
const quick = computed<{ label: string; span: Span | undefined }[]>(() => [
  { label: 'As each chart has it', span: undefined },
  { label: 'Year to date', span: 'year to date' },
  ...years.value.map(year => ({ label: year, span: { from: `${year}-01`, to: `${year}-12` } })),
  { label: 'Last 3 months', span: { last: 3, unit: 'month' } },
  { label: 'Last 12 months', span: { last: 12, unit: 'month' } },
  { label: 'Rest of year', span: 'rest of year' },
])
const last = computed(() => props.periods[props.periods.length - 1]?.key ?? '')
const between = computed(() =>
  typeof props.span === 'object' && 'from' in props.span
    ? props.span
    : { from: props.periods[0]?.key ?? '', to: last.value },
)
</script>

<template>
  <SlotSheet :text="text" name="Span" :width="330">
    <template #default="{ close }">
      <SpanChoices
        :choices="quick"
        :chosen="span"
        :periods="periods"
        :between="between"
        @choose="(emit('change', $event), isGathering || close())"
        @range="emit('change', $event)" />
      <GatherLink v-if="!isGathering" @gather="emit('gather')" />
    </template>
  </SlotSheet>
</template>

<script setup lang="ts">
import { computed } from 'vue'
import ChoiceSlot from '../../shared/slots/ChoiceSlot.vue'
import GatheredBar from '../../shared/slots/GatheredBar.vue'
import { stepSlots } from '../../shared/slots/slotSteps'
import { useGathered } from '../../shared/slots/useGathered'
import { told, type About, type ScaleOver } from '../document'
import type { Report, ReportPage } from '../types'
import AgainstSlot from './AgainstSlot.vue'
import TimeSlot from './TimeSlot.vue'
import WhereSlot from './WhereSlot.vue'

/** What a page, or the whole report, is about: it stands over the questions of its charts. */
const props = defineProps<{
  sentence: ReportPage['about']
  report: Report
  about: About
  /** what it says itself; blank: as the report has it */
  scale: ScaleOver | ''
  isOfReport?: boolean
}>()
const emit = defineEmits<{ change: [about: About]; scale: [scale: ScaleOver | undefined] }>()
const gathered = useGathered(
  computed(() => props.about),
  ['where', 'span', 'against'],
  part => emit('change', told({ ...props.about, ...part })),
)
const { shown, isGathering, count } = gathered

const scales = computed(() => [
  ...(props.isOfReport ? [] : [{ value: '', label: 'as the report has it', note: '' }]),
  { value: 'one', label: 'one scale', note: props.isOfReport ? 'over each page' : 'over this page' },
  { value: 'report', label: 'one scale for the whole report', note: '' },
  { value: 'own', label: 'a scale of its own for each chart', note: '' },
])
</script>

<template>
  <div
    role="group"
    :aria-label="isOfReport ? 'What the report is about' : 'What the page is about'"
    class="font-serif"
    :class="isOfReport ? 'text-[15px] leading-[25px]' : 'text-[20px] leading-[31px]'"
    @keydown.left="stepSlots($event, -1)"
    @keydown.right="stepSlots($event, 1)">
    <template v-for="(part, i) in sentence" :key="part.slot ?? i">
      <template v-if="!part.slot">{{ part.text }}</template>
      <WhereSlot
        v-else-if="part.slot === 'where'"
        :text="part.text"
        :breakdowns="report.breakdowns"
        :where="shown.where ?? []"
        :is-gathering="isGathering"
        @change="gathered.set({ where: $event.length ? $event : undefined })"
        @gather="gathered.start()" />
      <TimeSlot
        v-else-if="part.slot === 'span'"
        :text="part.text"
        :periods="report.periods"
        :span="shown.span"
        :is-gathering="isGathering"
        @change="gathered.set({ span: $event })"
        @gather="gathered.start()" />
      <AgainstSlot
        v-else-if="part.slot === 'against'"
        :text="part.text"
        :scenarios="report.scenarios"
        :against="shown.against ?? []"
        :is-gathering="isGathering"
        @change="gathered.set({ against: $event.length ? $event : undefined })"
        @gather="gathered.start()" />
      <ChoiceSlot
        v-else
        :text="part.text"
        name="Scale"
        :value="scale"
        :choices="scales"
        @choose="emit('scale', ($event || undefined) as ScaleOver | undefined)" />
    </template>
    <GatheredBar
      v-if="isGathering"
      class="mt-1"
      :count="count"
      :from="isOfReport ? 'report' : 'page'"
      @apply="gathered.apply()"
      @drop="gathered.drop()" />
  </div>
</template>

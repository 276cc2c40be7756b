<script setup lang="ts">
import { computed, ref } from 'vue'
import ChoiceSlot from '../../shared/slots/ChoiceSlot.vue'
import type { About, ScaleOver } from '../document'
import type { Report, ReportPage } from '../types'
import AgainstSlot from './AgainstSlot.vue'
import TimeSlot from './TimeSlot.vue'
import WhereSlot from './WhereSlot.vue'
import { useGatheredAbout } from './useGatheredAbout'

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
const line = ref<HTMLElement | null>(null)
const gathered = useGatheredAbout(
  computed(() => props.about),
  (about) => emit('change', about),
)
const { shown, isGathering, count } = gathered

const scales = computed(() => [
  ...(props.isOfReport ? [] : [{ value: '', label: 'as the report has it', note: '' }]),
  { value: 'one', label: 'one scale', note: props.isOfReport ? 'over each page' : 'over this page' },
  { value: 'report', label: 'one scale for the whole report', note: '' },
  { value: 'own', label: 'a scale of its own for each chart', note: '' },
])
/** Arrow keys go from slot to slot while none is open. */
function step(event: KeyboardEvent, by: number) {
  const slots = [...(line.value?.querySelectorAll<HTMLElement>('.slot') ?? [])]
  const at = slots.indexOf(document.activeElement as HTMLElement)
  if (at < 0 || slots[at]?.getAttribute('aria-expanded') === 'true') return
  event.preventDefault()
  slots[(at + by + slots.length) % slots.length]?.focus()
}
</script>

<template>
  <div
    ref="line"
    role="group"
    :aria-label="isOfReport ? 'What the report is about' : 'What the page is about'"
    class="font-serif"
    :class="isOfReport ? 'text-[15px] leading-[25px]' : 'text-[20px] leading-[31px]'"
    @keydown.left="step($event, -1)"
    @keydown.right="step($event, 1)"
  >
    <template v-for="(part, i) in sentence" :key="part.slot ?? i">
      <template v-if="!part.slot">{{ part.text }}</template>
      <WhereSlot
        v-else-if="part.slot === 'where'"
        :text="part.text"
        :breakdowns="report.breakdowns"
        :where="shown.where ?? []"
        :is-gathering="isGathering"
        @change="gathered.set({ where: $event.length ? $event : undefined })"
        @gather="gathered.start()"
      />
      <TimeSlot
        v-else-if="part.slot === 'span'"
        :text="part.text"
        :periods="report.periods"
        :span="shown.span"
        :is-gathering="isGathering"
        @change="gathered.set({ span: $event })"
        @gather="gathered.start()"
      />
      <AgainstSlot
        v-else-if="part.slot === 'against'"
        :text="part.text"
        :scenarios="report.scenarios"
        :against="shown.against ?? []"
        :is-gathering="isGathering"
        @change="gathered.set({ against: $event.length ? $event : undefined })"
        @gather="gathered.start()"
      />
      <ChoiceSlot
        v-else
        :text="part.text"
        name="Scale"
        :value="scale"
        :choices="scales"
        @choose="emit('scale', ($event || undefined) as ScaleOver | undefined)"
      />
    </template>
    <span v-if="isGathering" class="ml-3 inline-flex items-center gap-2 align-middle font-sans text-[13px]">
      <span class="text-quiet">{{ count === 1 ? '1 change' : `${count} changes` }} gathered</span>
      <button class="button button-strong" :disabled="!count" @click="gathered.apply()">Apply</button>
      <button class="button" @click="gathered.drop()">Drop</button>
    </span>
  </div>
</template>

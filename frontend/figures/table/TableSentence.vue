<script setup lang="ts">
import ChoiceSlot from '../../shared/slots/ChoiceSlot.vue'
import MembersSlot from '../../shared/slots/MembersSlot.vue'
import { filterText } from '../../shared/slots/memberFilter'
import type { Breakdown, Dataset } from '../../shared/types'
import type { useFigureTable } from './useFigureTable'
import { plural } from '../../shared/wording'

/** What the table shows, as a sentence whose parts are chosen. */
const props = defineProps<{ dataset: Dataset; shown: ReturnType<typeof useFigureTable> }>()
const { scenario, scenarios, measure, by, year, years, order, where, grain, others } = props.shown

const text = (breakdown: Breakdown) => filterText(breakdown, where.value)
/** Grains that the table can be shown in: days and weeks stand together. */
const grains = () => {
  const { grain: own, finest } = props.dataset
  const coarse = finest !== own ? finest : own === 'day' || own === 'week' ? 'month' : own
  return [...new Set([coarse, own])]
}
</script>

<template>
  <p class="mb-1 font-serif text-[17px] leading-8" role="group" aria-label="What the table shows">
    <span class="word">Showing</span>
    <ChoiceSlot
      :text="scenarios.find(one => one.value === scenario)?.label ?? scenario"
      name="Scenario"
      :value="scenario"
      :choices="scenarios.map(one => ({ ...one, note: '' }))"
      @choose="scenario = $event" />
    <span class="word">of</span>
    <ChoiceSlot
      :text="measure"
      name="Measure"
      :value="measure"
      :choices="dataset.measures.map(one => ({ value: one.name, label: one.name, note: one.unit }))"
      @choose="measure = $event" />
    <template v-if="dataset.breakdowns.length">
      <span class="word">by</span>
      <ChoiceSlot
        :text="by"
        name="Breakdown"
        :value="by"
        :choices="
          dataset.breakdowns.map(one => ({
            value: one.name,
            label: one.name,
            note: plural(one.members.length, 'member'),
          }))
        "
        @choose="by = $event" />
    </template>
    <template v-for="breakdown in others" :key="breakdown.id">
      <span class="word">of</span>
      <MembersSlot :text="text(breakdown)" :breakdown="breakdown" :where="where" @change="where = $event ?? []" />
    </template>
    <template v-if="dataset.breakdowns.length">
      <span class="word">in</span>
      <ChoiceSlot
        :text="order === 'given' ? 'their order' : 'order of size'"
        name="Order"
        :value="order"
        :choices="[
          { value: 'given', label: 'their order', note: 'with their groups' },
          { value: 'largest first', label: 'order of size', note: 'largest first' },
        ]"
        @choose="order = $event as 'given' | 'largest first'" />
    </template>
    <template v-if="!dataset.isList && dataset.years.length">
      <span class="word">for</span>
      <ChoiceSlot
        :text="years.find(one => one.value === year)?.label ?? year"
        name="Year"
        :value="year"
        :choices="years"
        @choose="year = $event" />
    </template>
    <template v-if="grains().length > 1">
      <span class="word">by</span>
      <ChoiceSlot
        :text="grain || (grains()[0] ?? '')"
        name="Grain"
        :value="grain || (grains()[0] ?? '')"
        :choices="grains().map(one => ({ value: one, label: one, note: '' }))"
        @choose="grain = $event" />
    </template>
  </p>
</template>

<style scoped>
.word {
  margin-inline: 6px;
  font-family: var(--font-sans);
  font-size: 13px;
  color: var(--color-quiet);
}
.word:first-child {
  margin-left: 0;
}
</style>

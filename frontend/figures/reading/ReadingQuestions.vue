<script setup lang="ts">
import { computed } from 'vue'
import type { Doubt, Mapping, Trial } from '../types'

/** What the cells alone cannot tell, asked once; what is answered by the file itself stands quietly beside it. */
const props = defineProps<{
  doubts: Doubt[]
  joins: boolean
  notices: NonNullable<Trial['notices']>
  bands?: NonNullable<Trial['bands']>
  ends?: Trial['ends']
}>()
const mapping = defineModel<Mapping>({ required: true })
const months = 'January February March April May June July August September October November December'.split(' ')
const factors = [
  [1, 'as they stand'],
  [1000, 'thousands'],
  [1_000_000, 'millions'],
  [1_000_000_000, 'billions'],
] as const

const asks = (doubt: Doubt) => props.doubts.includes(doubt)
const asked = (doubt: Doubt) => (asks(doubt) ? 'rounded bg-accent-tint px-2.5 py-1' : '')
const scaled = computed(() =>
  Object.entries(mapping.value.measures ?? {}).filter(([, rule]) => (rule.factor ?? 1) > 1 || asks('scale')),
)
const mayHaveTotals = computed(
  () => mapping.value.totals === 'keep' || props.notices.some(notice => /left out/.test(notice.says)),
)

function scale(measure: string, factor: number) {
  const measures = { ...mapping.value.measures }
  measures[measure] = { ...measures[measure], factor }
  mapping.value = { ...mapping.value, measures }
}
</script>

<template>
  <fieldset class="flex flex-wrap items-center gap-x-7 gap-y-2">
    <legend class="sr-only">What the file cannot tell by itself</legend>

    <label v-if="ends" class="flex flex-wrap items-center gap-2 rounded bg-accent-tint px-2.5 py-1">
      The figures end on {{ ends.dayLabel }}. They are
      <select
        class="field"
        aria-label="Closed through"
        :value="mapping.closedThrough ?? ends.day"
        @change="mapping.closedThrough = ($event.target as HTMLSelectElement).value">
        <option :value="ends.day">closed through that day</option>
        <option :value="ends.month">closed through {{ ends.monthLabel }}: it is complete</option>
      </select>
      <span v-if="!mapping.closedThrough" class="text-accent">please check</span>
    </label>
    <p v-if="asks('periods')" :class="asked('periods')">
      No column was recognised as periods: this would be a plain list. If one holds them, say so below.
    </p>
    <label class="flex items-center gap-2" :class="asked('decimal')">
      Decimal sign
      <select v-model="mapping.decimal" class="field">
        <option value=".">point, 1,234.5</option>
        <option value=",">comma, 1.234,5</option>
      </select>
      <span v-if="asks('decimal')" class="text-accent">the file does not tell: please check</span>
    </label>
    <label v-if="asks('dates')" class="flex items-center gap-2" :class="asked('dates')">
      Dates have the
      <select v-model="mapping.dates" class="field">
        <option value="day first">day first</option>
        <option value="month first">month first</option>
      </select>
      <span class="text-accent">the file does not tell: please check</span>
    </label>
    <label v-if="asks('percents') || mapping.percents" class="flex items-center gap-2" :class="asked('percents')">
      Plain numbers beside percentages
      <select v-model="mapping.percents" class="field">
        <option :value="undefined">stand as they are, 0.5 is 0.5 %</option>
        <option value="fractions">are fractions, 0.5 is 50 %</option>
      </select>
      <span v-if="asks('percents') && !mapping.percents" class="text-accent">the file does not tell: please check</span>
    </label>
    <label v-if="asks('year')" class="flex items-center gap-2" :class="asked('year')">
      The periods have no year. It is
      <input v-model.number="mapping.year" class="field w-20" type="number" min="1900" max="2199" />
    </label>
    <label v-for="[measure, rule] in scaled" :key="measure" class="flex items-center gap-2" :class="asked('scale')">
      {{ measure }} comes in
      <select
        class="field"
        :value="rule.factor ?? 1"
        :aria-label="`Scale of ${measure}`"
        @change="scale(measure, Number(($event.target as HTMLSelectElement).value))">
        <option v-for="[factor, word] in factors" :key="factor" :value="factor">{{ word }}</option>
      </select>
      <span v-if="rule.unit">of {{ rule.unit }}</span>
    </label>
    <div v-if="bands?.length" :class="asked('bands')" role="radiogroup" aria-label="What the bands are">
      <p>The bands are <span v-if="asks('bands')" class="text-accent">the file does not tell: please check</span></p>
      <label v-for="band in bands" :key="band.meaning" class="flex items-baseline gap-2">
        <input
          type="radio"
          name="bands"
          class="accent-accent"
          :checked="(mapping.bands ?? 'limits') === band.meaning"
          @change="mapping = { ...mapping, bands: band.meaning }" />
        {{ band.meaning === 'percent of target' ? 'in percent of the target' : band.meaning }}
        <span class="min-w-0 break-words text-quiet">{{ band.says }}</span>
      </label>
    </div>
    <label v-if="mayHaveTotals" class="flex items-center gap-2">
      Totals in the file
      <select
        class="field"
        :value="mapping.totals ?? 'leave out'"
        @change="
          mapping = { ...mapping, totals: ($event.target as HTMLSelectElement).value === 'keep' ? 'keep' : undefined }
        ">
        <option value="leave out">are left out</option>
        <option value="keep">are figures of their own</option>
      </select>
    </label>
    <label v-if="!joins && !asks('periods')" class="flex items-center gap-2">
      Fiscal year starts in
      <select v-model.number="mapping.fiscalYearStarts" class="field">
        <option v-for="(month, i) in months" :key="month" :value="i + 1">{{ month }}</option>
      </select>
    </label>
  </fieldset>
</template>

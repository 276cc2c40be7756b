<script setup lang="ts">
import { computed } from 'vue'
import type { ExpectedFigures, Month, MonthDataset } from '../shared/contract'
import ExpectedMark from './ExpectedMark.vue'

/** Datasets as rows, working days as columns: a square where figures came, a ring where they are expected. */
const props = defineProps<{ month: Month }>()
const emit = defineEmits<{
  expect: [dataset: MonthDataset]
  coming: [dataset: number, one: ExpectedFigures, why: string | undefined]
}>()

/** The day under which a mark stands: that on which figures came, else that by which they are expected. */
const column = (one: ExpectedFigures) => Math.max(1, Math.min(props.month.days.length, one.cameOn ?? one.workingDay))
const marks = (dataset: MonthDataset, number: number) =>
  dataset.expected.filter(one => !(one.state === 'came' && one.cameOn === null) && column(one) === number)
const unclear = computed(() =>
  props.month.datasets.some(one => one.expected.some(own => own.state === 'came' && own.cameOn === null)),
)
const scenarios = computed(() => new Set(props.month.datasets.flatMap(one => one.expected.map(own => own.scenario))))
const words: Record<string, string> = { AC: 'actual', BU: 'budget', FC: 'forecast', TG: 'target', PY: 'prior year' }
function ask(dataset: MonthDataset, one: ExpectedFigures) {
  if (one.state === 'does not come') return emit('coming', dataset.id, one, undefined)
  if (one.state === 'came') return
  emit('coming', dataset.id, one, `none in ${props.month.label}`)
}
</script>

<template>
  <div class="overflow-x-auto">
    <table class="w-full border-collapse" aria-label="What came and what is expected, by working day">
      <thead>
        <tr class="align-bottom text-[12px] text-quiet">
          <th class="pb-1 text-left font-normal" scope="col">Dataset</th>
          <th
            v-for="day in month.days"
            :key="day.number"
            class="w-8 pt-1 pb-1 text-center leading-4 font-normal"
            :class="day.isToday ? 'bg-accent-tint text-accent' : ''"
            scope="col"
            :aria-label="`Working day ${day.number}, ${day.weekday} ${day.day}`">
            {{ day.number }}<br />{{ day.weekday }}
          </th>
          <th class="pb-1 pl-7 text-left font-normal" scope="col"><span class="sr-only">How it stands</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="dataset in month.datasets" :key="dataset.id" class="group border-b border-hairline">
          <th class="py-1.5 pr-4 text-left font-normal break-words" scope="row">
            <RouterLink class="hover:text-accent" :to="`/figures/${dataset.id}`">{{ dataset.name }}</RouterLink>
            <span v-if="dataset.isClosed" class="ml-2 text-[12px] text-quiet">closed</span>
          </th>
          <td
            v-for="day in month.days"
            :key="day.number"
            class="w-8 text-center"
            :class="day.isToday ? 'bg-accent-tint' : ''">
            <span class="inline-flex gap-1">
              <ExpectedMark
                v-for="one in marks(dataset, day.number)"
                :key="one.scenario"
                :one="one"
                :dataset="dataset.name"
                @press="ask(dataset, one)" />
            </span>
          </td>
          <td class="py-1.5 pl-7">
            <span class="flex items-baseline gap-1.5">
              <span
                v-if="dataset.tone !== 'quiet'"
                :class="dataset.tone === 'holds' ? 'text-favourable-text' : 'font-semibold text-unfavourable-text'"
                aria-hidden="true"
                >{{ dataset.tone === 'holds' ? '✓' : '!' }}</span
              >
              <span :class="dataset.tone === 'quiet' ? 'text-quiet' : ''">{{ dataset.says }}</span>
              <button
                class="link ml-1 opacity-0 group-hover:opacity-100 focus:opacity-100"
                :class="dataset.expected.length ? '' : 'opacity-100'"
                :aria-label="`What ${dataset.name} expects`"
                @click="$emit('expect', dataset)">
                {{ dataset.expected.length ? 'Change' : 'Expect figures' }}
              </button>
            </span>
          </td>
        </tr>
      </tbody>
    </table>
    <p class="mt-3 flex flex-wrap items-center gap-x-4 gap-y-1 text-quiet">
      <span v-for="code in scenarios" :key="code" class="flex items-center gap-1.5">
        <ExpectedMark :one="{ scenario: code, state: 'came' }" dataset="" plain />{{ words[code] }} came
      </span>
      <span class="flex items-center gap-1.5"
        ><ExpectedMark :one="{ scenario: 'AC', state: 'expected' }" dataset="" plain />expected</span
      >
      <span class="flex items-center gap-1.5"
        ><ExpectedMark :one="{ scenario: 'AC', state: 'late' }" dataset="" plain />late</span
      >
      <span>by working day of {{ month.daysOf }}</span>
      <span v-if="unclear">Where there is a tick and no square, nobody knows on which day figures came.</span>
    </p>
  </div>
</template>

<script setup lang="ts">
import { computed, ref } from 'vue'
import { useRoute } from 'vue-router'
import ClosingControl from '../charts/ClosingControl.vue'
import ChoiceSlot from '../charts/slots/ChoiceSlot.vue'
import { ask } from '../shared/api'
import SentenceOfTrouble from '../shared/SentenceOfTrouble.vue'
import TopBar from '../shared/TopBar.vue'
import type { Dataset, Scenario } from '../shared/types'
import { useKeys } from '../shared/useKeys'
import { useLoad } from '../shared/useLoad'
import FileButton from '../start/FileButton.vue'
import { useDrop } from '../start/useDrop'
import { useIncoming } from '../start/useIncoming'
import CoverageStrip from './CoverageStrip.vue'
import DatasetExportMenu from './DatasetExportMenu.vue'
import FigureTableView from './FigureTableView.vue'
import ImportList from './ImportList.vue'
import SourcesPanel from './SourcesPanel.vue'
import { useClosing } from '../shared/useClosing'
import { useFigureTable, useSources } from './useFigureTable'
import { plural } from './wording'

const id = Number(useRoute().params.id)
const fresh = ref(0)
const {
  value: dataset,
  problem: missing,
  reload,
} = useLoad(async () => {
  const loaded = await ask<Dataset>('GET', `/datasets/${id}`)
  document.title = `${loaded.name} – Keen Margin`
  return loaded
})
const { table, problem, scenario, scenarios, measure, by, year, order, page } = useFigureTable(dataset, fresh)
const { closing, problem: unmoved, move } = useClosing(dataset)
const { cell, files, problem: untraced, trace, close } = useSources(dataset, table)
const { problem: refused, isBusy, takeFile, takeText } = useIncoming(() => id)
const { isOver } = useDrop(takeFile, takeText)
const units = computed(() =>
  [...new Set((dataset.value?.measures ?? []).map((one) => one.unit).filter(Boolean))].join(', '),
)
const about = computed(() =>
  [
    dataset.value?.organisation,
    units.value,
    dataset.value?.isList ? 'a list without periods' : `by ${dataset.value?.grain}`,
  ]
    .filter(Boolean)
    .join(' · '),
)

/** From a square of the coverage to its figures. */
function show(code: Scenario, period: string) {
  scenario.value = code
  year.value = dataset.value?.strip.periods.find((one) => one.key === period)?.year ?? ''
}

useKeys({ '[': () => move(closing.value?.back), ']': () => move(closing.value?.on) })

function changed() {
  close()
  fresh.value++
  void reload()
}
</script>

<template>
  <div class="flex min-h-screen flex-col">
    <TopBar area="figures">
      <template v-if="dataset">
        <ClosingControl v-if="closing" :closing="closing" :pinned="false" @move="move" />
        <RouterLink v-if="!dataset.isList && dataset.facts" class="button" :to="`/charts/new?dataset=${id}`"
          >Ask a question</RouterLink
        >
        <DatasetExportMenu :dataset="id" />
        <FileButton :busy="isBusy" text="Bring in figures" @file="takeFile" />
      </template>
    </TopBar>
    <SentenceOfTrouble v-if="missing" class="m-8" :says="missing" />
    <div v-if="dataset" class="flex min-h-0 flex-1" :class="isOver ? 'bg-accent-tint' : ''">
      <aside
        class="w-[272px] shrink-0 border-r-2 border-accent/35 px-7 pt-8 pb-8 max-lg:w-[228px] max-lg:px-5"
        aria-label="Dataset"
      >
        <h1 class="font-serif text-[21px] leading-7 break-words">{{ dataset.name }}</h1>
        <p class="text-quiet">{{ about }}</p>
        <p class="mb-5 text-quiet">
          {{ plural(dataset.facts, 'figure') }}{{ dataset.periods ? `, ${dataset.periods}` : '' }}
        </p>
        <SentenceOfTrouble v-if="refused" class="mb-5" :says="refused" />
        <p v-if="isOver" class="mb-5 text-accent">Let go to read it into this dataset.</p>
        <template v-if="dataset.notices.length">
          <h2 class="label mb-1">Checks</h2>
          <ul class="mb-5 space-y-1.5">
            <li v-for="notice in dataset.notices" :key="notice.id" class="flex gap-2 break-words">
              <span
                :class="notice.holds ? 'text-favourable-text' : 'font-semibold text-unfavourable-text'"
                aria-hidden="true"
                >{{ notice.holds ? '✓' : '!' }}</span
              >
              <span class="min-w-0">{{ notice.says }}</span>
            </li>
          </ul>
        </template>
        <ImportList :dataset="id" @changed="changed" />
      </aside>
      <main class="min-w-0 flex-1">
        <div class="px-7 pt-7 pb-8">
          <SentenceOfTrouble v-if="problem || unmoved" class="mb-4" :says="problem || unmoved" />
          <CoverageStrip v-if="dataset.strip.periods.length" :dataset="dataset" @move="move" @show="show" />
          <p v-if="!dataset.facts" class="text-quiet">
            There are no figures in this dataset. Drop a file here, or press Bring in figures.
          </p>
          <p v-else class="mb-4 font-serif text-[17px]" role="group" aria-label="What the table shows">
            <span class="mr-1.5 font-sans text-[13px] text-quiet">Showing</span>
            <ChoiceSlot
              :text="scenarios.find((one) => one.value === scenario)?.label ?? ''"
              name="Scenario"
              :value="scenario"
              :choices="scenarios.map((one) => ({ ...one, note: '' }))"
              @choose="scenario = $event"
            />
            <span class="mx-1.5 font-sans text-[13px] text-quiet">of</span>
            <ChoiceSlot
              :text="measure"
              name="Measure"
              :value="measure"
              :choices="dataset.measures.map((one) => ({ value: one.name, label: one.name, note: one.unit }))"
              @choose="measure = $event"
            />
            <template v-if="dataset.breakdowns.length">
              <span class="mx-1.5 font-sans text-[13px] text-quiet">by</span>
              <ChoiceSlot
                :text="by"
                name="Breakdown"
                :value="by"
                :choices="
                  dataset.breakdowns.map((one) => ({
                    value: one.name,
                    label: one.name,
                    note: plural(one.members.length, 'member'),
                  }))
                "
                @choose="by = $event"
              />
              <span class="mx-1.5 font-sans text-[13px] text-quiet">in</span>
              <ChoiceSlot
                :text="order === 'given' ? 'their order' : 'order of size'"
                name="Order"
                :value="order"
                :choices="[
                  { value: 'given', label: 'their order', note: 'as they came' },
                  { value: 'largest first', label: 'order of size', note: 'largest first' },
                ]"
                @choose="order = $event as 'given' | 'largest first'"
              />
            </template>
            <template v-if="dataset.years.length">
              <span class="mx-1.5 font-sans text-[13px] text-quiet">for</span>
              <ChoiceSlot
                :text="dataset.years.find((one) => one.key === year)?.label ?? 'all years'"
                name="Year"
                :value="year"
                :choices="[
                  ...dataset.years.map((one) => ({ value: one.key, label: one.label, note: '' })),
                  { value: '', label: 'all years', note: '' },
                ]"
                @choose="year = $event"
              />
            </template>
          </p>
          <FigureTableView
            v-if="table"
            :table="table"
            :scenario="(scenario.split(' ')[0] as Scenario) || 'AC'"
            :chosen="cell"
            @trace="trace"
          />
          <nav v-if="table && table.pages > 1" class="mt-4 flex items-center gap-3" aria-label="Pages">
            <button class="button" :disabled="page <= 1" @click="page--">Before</button>
            <span class="text-quiet">{{ page }} of {{ table.pages }}, {{ plural(table.count, 'member') }}</span>
            <button class="button" :disabled="page >= table.pages" @click="page++">After</button>
          </nav>
        </div>
        <SourcesPanel v-if="cell" :cell="cell" :files="files" :problem="untraced" @close="close" />
      </main>
    </div>
  </div>
</template>

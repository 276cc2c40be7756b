<script setup lang="ts">
import { computed, ref, shallowRef, watch } from 'vue'
import { useRoute } from 'vue-router'
import ClosingControl from '../../shared/ClosingControl.vue'
import { says } from '../../shared/api'
import SentenceOfTrouble from '../../shared/SentenceOfTrouble.vue'
import TopBar from '../../shared/TopBar.vue'
import type { Dataset, Scenario } from '../../shared/types'
import { useClosing } from '../../shared/useClosing'
import { useKeys } from '../../shared/useKeys'
import { loadDataset, useDataset } from '../../shared/useDataset'
import { useSteps } from '../../shared/useSteps'
import FileButton from '../incoming/FileButton.vue'
import { useDrop } from '../../shared/useDrop'
import { useIncoming } from '../incoming/useIncoming'
import CoverageStrip from './CoverageStrip.vue'
import DatasetExportMenu from './DatasetExportMenu.vue'
import DatasetMargin from './DatasetMargin.vue'
import TableSentence from '../table/TableSentence.vue'
import FigureTablePanel from '../table/FigureTablePanel.vue'
import type { Place } from '../types'
import { useFigureTable } from '../table/useFigureTable'

const id = Number(useRoute().params.id)
const { value: dataset, problem: missing } = useDataset(id)
watch(dataset, own => own && (document.title = `${own.name} – Keen Margin`), { immediate: true })
const shown = useFigureTable(dataset)
const {
  pulse,
  take,
  beat,
  canUndo,
  canRedo,
  undo,
  redo,
  problem: unstepped,
} = useSteps(
  computed(() => dataset.value?.id ?? null),
  () => void reload(),
)
const { closing, problem: unmoved, move, renew } = useClosing(dataset, () => void beat())
async function reload() {
  try {
    await renew(() => loadDataset(id))
  } catch (error) {
    missing.value = says(error)
  }
}
const { problem: refused, isBusy, takeFile, takeText } = useIncoming(() => id)
const { isOver } = useDrop(takeFile, takeText)
const wanted = shallowRef<{ member: string; period: string } | null>(null)
const imports = ref(0)
const { query } = useRoute()
/** What a search has led to. */
function showFound(own: Dataset) {
  const { measure, by, member } = query
  const holder = own.breakdowns.find(one => one.members.includes(String(member ?? '')))
  if (own.measures.some(one => one.name === measure)) shown.measure.value = String(measure)
  if (own.breakdowns.some(one => one.name === by)) shown.by.value = String(by)
  if (!member || !holder) return
  shown.by.value = holder.name
  wanted.value = { member: String(member), period: own.closing }
}
watch(dataset, (own, before) => own && !before && showFound(own), { immediate: true })

/** From a square of the coverage to its figures. */
function show(code: Scenario, period: string) {
  shown.scenario.value = code
  shown.year.value = dataset.value?.strip.periods.find(one => one.key === period)?.year ?? ''
  wanted.value = { member: '', period }
}

/** From what a check found to the figures. */
function goTo(place: Place) {
  shown.folded.value = []
  const own = dataset.value
  if (!own) return
  const holds = own.strip.periods.find(one => one.key === place.period || place.period.startsWith(`${one.key}-`))
  shown.measure.value = place.measure
  shown.scenario.value = place.scenario
  if (place.period) shown.year.value = holds?.year ?? ''
  if (place.period && own.grain !== 'none' && !own.strip.periods.some(one => one.key === place.period))
    shown.grain.value = own.grain
  // Where only one breakdown is told, that one goes down.
  const named = place.members.filter(one => one !== '')
  if (named.length === 1) shown.by.value = own.breakdowns[place.members.indexOf(named[0] ?? '')]?.name ?? shown.by.value
  const at = own.breakdowns.findIndex(one => one.name === shown.by.value)
  shown.where.value = place.members.flatMap((member, i) =>
    i === at || (member === '' && !own.breakdowns[i]?.members.includes(''))
      ? []
      : [{ field: own.breakdowns[i]?.name ?? '', in: [member] }],
  )
  wanted.value = { member: place.members[at] ?? '', period: place.period }
}

useKeys({
  '[': () => move(closing.value?.back),
  ']': () => move(closing.value?.on),
  'mod+z': () => void undo(),
  'mod+shift+z': () => void redo(),
  'mod+y': () => void redo(),
})

function changed() {
  imports.value++
  void reload()
}
</script>

<template>
  <div class="flex min-h-screen flex-col">
    <TopBar area="figures">
      <template v-if="dataset">
        <ClosingControl
          v-if="closing"
          :closing="closing"
          :pinned="false"
          :can-type="dataset?.grain === 'day'"
          @move="move" />
        <button class="button" :disabled="!canUndo" :title="pulse?.undo ?? 'Nothing to undo'" @click="undo">
          Undo
        </button>
        <button class="button" :disabled="!canRedo" :title="pulse?.redo ?? 'Nothing to do again'" @click="redo">
          Redo
        </button>
        <RouterLink v-if="dataset.firstRecipe" class="button" :to="`/charts/new?dataset=${id}`"
          >Ask a question</RouterLink
        >
        <DatasetExportMenu :dataset="id" />
        <FileButton :busy="isBusy" text="Bring in figures" @file="takeFile" />
      </template>
    </TopBar>
    <SentenceOfTrouble v-if="missing" class="m-8" :says="missing" />
    <div v-if="dataset" class="flex min-h-0 flex-1" :class="isOver ? 'bg-accent-tint' : ''">
      <DatasetMargin
        :dataset="dataset"
        :pulse="pulse"
        :refused="refused"
        :is-over="isOver"
        :imports="imports"
        @show="goTo"
        @changed="changed" />
      <main class="min-w-0 flex-1 px-7 pt-7 pb-6">
        <SentenceOfTrouble v-if="unmoved || unstepped" class="mb-4" :says="unmoved || unstepped" />
        <CoverageStrip v-if="dataset.strip.periods.length" :dataset="dataset" @move="move" @show="show" />
        <p v-if="!dataset.facts" class="mb-4 text-quiet">
          There are no figures in this dataset. Drop a file here, or press Bring in figures.
        </p>
        <template v-if="dataset.facts || dataset.isList">
          <TableSentence :dataset="dataset" :shown="shown" />
          <FigureTablePanel
            :dataset="dataset"
            :body="shown.body.value"
            :filters="shown.filters.value"
            :fixed-at="shown.fixedAt.value"
            :pulse="pulse"
            :wanted="wanted"
            :folded="shown.folded.value"
            @fold="shown.fold"
            @took="take"
            @changed="changed"
            @arrived="wanted = null" />
        </template>
      </main>
    </div>
  </div>
</template>

<script setup lang="ts">
import { computed } from 'vue'
import SentenceOfTrouble from '../../shared/SentenceOfTrouble.vue'
import TopBar from '../../shared/TopBar.vue'
import ReadingMeasures from './ReadingMeasures.vue'
import ReadingQuestions from './ReadingQuestions.vue'
import ReadingSentence from './ReadingSentence.vue'
import SampleTable from './SampleTable.vue'
import TrialSummary from './TrialSummary.vue'
import WorkProgress from './WorkProgress.vue'
import { ago, plural } from '../../shared/wording'
import { useReading } from './useReading'

const {
  reading,
  mapping,
  target,
  mode,
  name,
  organisation,
  measure,
  asksMeasure,
  near,
  failed,
  isLooking,
  work,
  look,
  setRule,
  leaveOut,
  takeAsSame,
  takeAsDifferent,
  confirm,
  drop,
} = useReading()
const { trial, problem, isBusy, isSlow, isStale, isStopped, progress, run, stop } = work

const newMeasures = computed(() => (trial.value?.measures ?? []).filter(measure => measure.isNew))
const canConfirm = computed(
  () =>
    trial.value?.accepted &&
    !isBusy.value &&
    !isStale.value &&
    !isLooking.value &&
    (target.value !== null || name.value.trim() !== ''),
)
</script>

<template>
  <TopBar area="figures"><button class="button" @click="drop">Cancel</button></TopBar>
  <div v-if="reading" class="flex min-h-[calc(100vh-48px)]">
    <aside
      class="w-[290px] shrink-0 border-r-2 border-accent/35 px-7 pt-7 pb-8 max-lg:w-[236px] max-lg:px-5"
      aria-label="What would come in">
      <h1 class="font-serif text-[21px] leading-7 break-words">{{ reading.name }}</h1>
      <p class="mb-4 text-quiet">
        {{
          reading.rowCount !== null
            ? plural(reading.rowCount, 'row')
            : reading.rowsAbout
              ? `About ${plural(reading.rowsAbout, 'row')}`
              : ''
        }}{{ reading.rowCount !== null || reading.rowsAbout ? '. ' : '' }}Nothing is kept yet.
      </p>
      <p v-if="reading.seen" class="mb-4 rounded bg-accent-tint px-3 py-2 text-accent">
        This very file came in {{ ago(reading.seen.at) }}, into {{ reading.seen.dataset.name }}.
      </p>
      <WorkProgress
        v-if="isSlow"
        :phase="progress.phase"
        :done="progress.done"
        :of="reading.rowCount ?? reading.rowsAbout"
        @stop="stop" />
      <p v-else-if="isStopped" class="mb-4">
        Stopped. Nothing was kept. <button class="link" @click="run">Read it again</button>
      </p>
      <TrialSummary
        v-if="trial"
        :class="isBusy || isStale ? 'opacity-60' : ''"
        :trial="trial"
        :target="target"
        :near="near"
        :reading="reading.id"
        @leave-out="leaveOut"
        @same="takeAsSame"
        @different="takeAsDifferent">
        <button
          class="button button-strong mt-3 mb-5 h-9 w-full justify-center"
          :disabled="!canConfirm"
          @click="confirm">
          Bring in
        </button>
      </TrialSummary>
      <SentenceOfTrouble v-if="problem || failed" class="mt-4" :says="failed || problem" />
      <p v-if="mapping.leaveOut?.length" class="mt-4 text-quiet">
        {{ mapping.leaveOut.length }} {{ mapping.leaveOut.length === 1 ? 'row is' : 'rows are' }} left out.
        <button class="link" @click="mapping = { ...mapping, leaveOut: [] }">Take back</button>
      </p>
    </aside>
    <main class="min-w-0 flex-1 px-7 pt-6 pb-10">
      <ReadingSentence v-model:mode="mode" class="mb-5" :reading="reading" :target="target" @look="look" />
      <form class="mb-5 flex flex-wrap items-end gap-x-4 gap-y-3" @submit.prevent="confirm">
        <label v-if="!target" class="w-72"
          ><span class="label mb-1 block">Name of the dataset</span
          ><input v-model="name" class="field w-full" maxlength="200" required
        /></label>
        <label v-if="asksMeasure" class="w-48"
          ><span class="label mb-1 block">What is counted</span
          ><input v-model="measure" class="field w-full" maxlength="120" placeholder="Amount"
        /></label>
        <label v-if="!target" class="w-48"
          ><span class="label mb-1 block">Organisation, if you like</span
          ><input v-model="organisation" class="field w-full" maxlength="200"
        /></label>
        <button class="hidden" />
      </form>
      <ReadingQuestions
        v-model="mapping"
        class="mb-5"
        :doubts="trial?.doubts ?? reading.doubts"
        :joins="target !== null"
        :notices="trial?.notices ?? []"
        :bands="trial?.bands"
        :ends="target ? null : trial?.ends" />
      <ReadingMeasures v-if="newMeasures.length" class="mb-5" :measures="newMeasures" @rule="setRule" />
      <SampleTable
        v-model="mapping"
        :reading="reading"
        :refused="(trial?.refusals ?? []).map(refusal => refusal.row)" />
    </main>
  </div>
</template>

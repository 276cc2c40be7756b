<script setup lang="ts">
import type { Chart, Drawing, Message, Note, Recipe } from '../../shared/types'
import { effectClass } from '../../shared/scene/effects'
import ChartName from './ChartName.vue'
import ExplainingLine from './ExplainingLine.vue'
import { messageOf } from './message'
import MessageBox from './MessageBox.vue'
import NotesList from './NotesList.vue'
import StatementLine from './StatementLine.vue'

/** What the figures mean: the reading, the message, notes and checks. */
defineProps<{
  drawing: Drawing | null
  dataset: number | null
  recipe: Recipe | null
  message: Message | undefined
  chart: Chart | null
  datasetName: string
  savedAt: string
  writing: string | null
  editing: Note | null
  noteProblem: string
  /** whether the chart stands in a page of a report, which has a name and a message of its own */
  isInPage?: boolean
}>()
const lit = defineModel<string | null>('lit', { default: null })
const emit = defineEmits<{
  name: [text: string]
  point: [row: string]
  message: [message: Message | undefined]
  writeNote: [text: string]
  changeNote: [note: Note, text: string]
  editNote: [note: Note]
  removeNote: [note: Note]
  dropNote: []
  look: [recipe: Recipe, label: string]
}>()
</script>

<template>
  <aside
    tabindex="-1"
    class="w-[272px] shrink-0 overflow-y-auto border-r-2 border-accent/35 px-7 pt-8 pb-8 max-lg:w-[228px] max-lg:px-5"
    aria-label="Margin">
    <ChartName
      v-if="!isInPage"
      :chart="chart"
      :dataset-name="datasetName"
      :saved-at="savedAt"
      @name="emit('name', $event)" />

    <template v-if="drawing">
      <section aria-label="Reading">
        <h2 class="label">{{ drawing.summary.headline.label }}</h2>
        <button
          v-if="drawing.summary.headline.amount !== '–'"
          class="flex flex-wrap items-baseline gap-x-3 text-left"
          title="Shows the row it comes from"
          @click="emit('point', drawing.summary.headline.row)">
          <span class="text-[28px] leading-10 font-semibold">{{ drawing.summary.headline.amount }}</span>
          <span
            v-if="drawing.summary.headline.variance"
            class="font-semibold"
            :class="effectClass(drawing.summary.headline.effect)"
            >{{ drawing.summary.headline.variance }}&ensp;{{ drawing.summary.headline.percent }}</span
          >
        </button>
        <p class="text-quiet">{{ drawing.summary.headline.note }}</p>

        <template v-if="drawing.summary.movers.length">
          <h2 class="label mt-4 mb-0.5">{{ drawing.summary.moves }}</h2>
          <ul>
            <li
              v-for="mover in drawing.summary.movers"
              :key="mover.key"
              class="-mx-2 flex justify-between gap-3 border-b border-hairline px-2 py-[3px]"
              :class="lit === mover.key ? 'bg-accent-tint' : ''"
              @pointerenter="lit = mover.key"
              @pointerleave="lit = null">
              <span class="min-w-0 break-words">{{ mover.label }}</span>
              <span :class="[effectClass(mover.effect), mover.flagged ? 'font-semibold' : '']">{{
                mover.variance
              }}</span>
            </li>
          </ul>
        </template>
        <h2 class="label mt-5 -mb-1.5">In words</h2>
        <StatementLine
          v-for="(parts, i) in drawing.summary.sentences"
          :key="i"
          v-model:lit="lit"
          :parts="parts"
          @point="emit('point', $event)"
          @message="emit('message', messageOf(parts))" />
        <ExplainingLine
          v-if="dataset !== null && recipe"
          :dataset="dataset"
          :recipe="recipe"
          :is-drawn="drawing !== null"
          @look="(next, label) => emit('look', next, label)" />
      </section>

      <MessageBox v-if="!isInPage" :message="message" :stale="drawing.stale" @change="emit('message', $event)" />

      <NotesList
        v-model:lit="lit"
        :drawing="drawing"
        :writing="writing"
        :editing="editing"
        :problem="noteProblem"
        @write="emit('writeNote', $event)"
        @change="(note, text) => emit('changeNote', note, text)"
        @edit="emit('editNote', $event)"
        @remove="emit('removeNote', $event)"
        @drop="emit('dropNote')" />

      <section class="mt-6" aria-label="Checks">
        <h2 class="label mb-1">Checks</h2>
        <ul>
          <li v-for="check in drawing.checks" :key="check.id" class="flex gap-2.5 py-0.5">
            <span v-if="check.holds" class="w-3 shrink-0 text-favourable-text" role="img" aria-label="holds">✓</span>
            <span
              v-else
              class="w-3 shrink-0 text-center font-semibold text-unfavourable-text"
              role="img"
              aria-label="does not hold"
              >!</span
            >
            <span class="min-w-0 break-words">{{ check.says }}</span>
          </li>
        </ul>
      </section>
    </template>
  </aside>
</template>

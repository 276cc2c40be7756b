<script setup lang="ts">
import { computed, defineAsyncComponent, ref, shallowRef, watch } from 'vue'
import { refDebounced, useElementSize } from '@vueuse/core'
import SentenceOfTrouble from '../../shared/SentenceOfTrouble.vue'
import TopBar from '../../shared/TopBar.vue'
import { useKeys } from '../../shared/useKeys'
import ChartPane from './ChartPane.vue'
import ChartTools from './ChartTools.vue'
import ClosingControl from '../../shared/ClosingControl.vue'
import ExportMenu from './ExportMenu.vue'
import ChartMargin from '../margin/ChartMargin.vue'
import { useNotes } from '../margin/useNotes'
import { highlightedKeys } from '../rows/rowSteps'
import PathLine from './PathLine.vue'
import TheirsNotice from './TheirsNotice.vue'
import WorkingsPanel from '../workings/WorkingsPanel.vue'
import { useChart } from './useChart'
import { useDrawing } from './useDrawing'
import { zoomOf } from './zoom'

const RowSources = defineAsyncComponent(() => import('../rows/RowSources.vue'))
const MendRecipe = defineAsyncComponent(() => import('../fit/MendRecipe.vue'))
const PutIntoReport = defineAsyncComponent(() => import('../report/PutIntoReport.vue'))
const isPutting = ref(false)
const chartOf = useChart()
const { dataset, recipes, known, renamed, path, problem, fresh, sitting, saving, pulse, beat } = chartOf
const { change, finish, replace, draw, turnBeside, lookInto, goBack, moveClosing, sayBetter, keepBands } = chartOf
const { chart, savedAt, theirs } = saving
const { canUndo, canRedo, isDatasetNext } = sitting
const undoSays = computed(() => (isDatasetNext.value && pulse.value?.undo ? `Undo: ${pulse.value.undo}` : 'Ctrl+Z'))

const frame = ref<HTMLElement | null>(null)
const { width: measured } = useElementSize(frame)
const settled = refDebounced(measured, 80)
const COLUMN_GAP = 40
const width = computed(() => {
  const whole = settled.value || measured.value
  return Math.min(1600, Math.max(360, recipes.value.length > 1 ? (whole - COLUMN_GAP) / 2 : whole))
})
const zoom = computed(() => zoomOf(width.value))
/** Of each pane whether more than the first rows of a long table are looked at. */
const beyond = ref<boolean[]>([])
const selected = ref<string | null>(null)
const showsWorkings = ref(false)
const {
  drawing,
  problem: refusal,
  isSlow,
} = useDrawing(
  computed(() => dataset.value?.id ?? null),
  recipes,
  computed(() => (measured.value ? Math.round(width.value / zoom.value) : 0)),
  fresh,
  known,
  computed(
    () => beyond.value.slice(0, recipes.value.length).includes(true) || showsWorkings.value || selected.value !== null,
  ),
)
watch(drawing, drawn => drawn && renamed(drawn))
/** A chart that is pinned to a day within a month knows from its drawing what is next to it. */
const closing = computed(() => {
  const drawn = drawing.value?.closing
  const isPinned = drawn !== undefined && drawn.key === recipes.value[0]?.question.closedThrough
  return chartOf.closing.value ?? (isPinned ? drawn : null)
})

/** Of two charts, the one that margin, workings, finish and exports are about. */
const active = ref(0)
watch(recipes, all => (active.value = Math.min(active.value, Math.max(0, all.length - 1))))
const panes = computed(() =>
  recipes.value.flatMap((recipe, i) => {
    const drawn = i === 0 ? drawing.value : drawing.value?.beside
    return drawn ? [{ recipe, drawing: drawn }] : []
  }),
)
const shown = computed(() => panes.value[active.value] ?? panes.value[0] ?? null)
/** Only the first pane may be kept under a name. */
const named = computed(() => (active.value === 0 ? chart.value : null))
/** What is pointed at, and in which chart: pointing alone does not change which one is used. */
const pointed = shallowRef<{ pane: number; key: string } | null>(null)
const litIn = (pane: number) => (pointed.value?.pane === pane ? pointed.value.key : null)
const point = (pane: number, key: string | null) => (pointed.value = key === null ? null : { pane, key })
const lit = computed({ get: () => litIn(active.value), set: key => point(active.value, key) })
const reader = ref('')
const sources = shallowRef<string | null>(null)
/** In large windows the workings stand open below the chart, where so many pixels are left besides it. */
const LARGE = 900
const BESIDE_CHART = 500
watch(
  drawing,
  first => {
    const chartHeight = (first?.scene.height ?? Infinity) * zoom.value
    showsWorkings.value ||= window.innerHeight >= Math.max(LARGE, chartHeight + BESIDE_CHART)
  },
  { once: true },
)
const pane = ref<InstanceType<typeof ChartPane>[]>([])
const workings = ref<InstanceType<typeof WorkingsPanel> | null>(null)
const exports = ref<InstanceType<typeof ExportMenu> | null>(null)
const highlighted = computed(() => highlightedKeys(shown.value?.drawing.workings.rows, shown.value?.recipe.finish))
const notes = useNotes(
  computed(() => dataset.value?.id ?? null),
  computed(() => shown.value?.recipe ?? null),
  () => (fresh.value++, void beat()),
)

function begin(key: string | null) {
  if (!key) return
  selected.value = null
  notes.begin(key)
}
/** Two charts have rows of their own each: what is pointed at is in the one that is used. */
function use(i: number) {
  if (active.value === i) return
  active.value = i
  pointed.value = selected.value = null
  notes.drop()
}

useKeys({
  'mod+z': () => void sitting.undo(),
  'mod+shift+z': () => void sitting.redo(),
  'mod+y': () => void sitting.redo(),
  k: () => pane.value[active.value]?.focusKinds(),
  w: () => (showsWorkings.value = !showsWorkings.value),
  n: () => begin(selected.value ?? lit.value),
  b: turnBeside,
  c: () => workings.value?.copyRow() || exports.value?.copyAll(),
  r: () => (isPutting.value = true),
  '[': () => moveClosing(closing.value?.back),
  ']': () => moveClosing(closing.value?.on),
})
</script>

<template>
  <div class="flex h-screen min-w-[720px] flex-col">
    <TopBar area="charts">
      <ClosingControl
        v-if="closing"
        :closing="closing"
        :pinned="Boolean(recipes[0]?.question.closedThrough)"
        :can-type="dataset?.grain === 'day' && !recipes[0]?.question.closedThrough"
        can-pin
        @move="moveClosing"
        @pin="change(0, { closedThrough: $event ? dataset?.closing : undefined })" />
      <button class="button" :disabled="!canUndo" :title="undoSays" @click="sitting.undo">Undo</button>
      <button class="button" :disabled="!canRedo" title="Ctrl+Shift+Z" @click="sitting.redo">Redo</button>
      <button v-if="dataset && shown" class="button" title="r" @click="isPutting = true">Put into a report</button>
      <ExportMenu
        v-if="dataset && shown"
        ref="exports"
        :dataset="dataset.id"
        :recipe="shown.recipe"
        :chart="named"
        :workings="shown.drawing.workings" />
    </TopBar>
    <div class="flex min-h-0 flex-1">
      <ChartMargin
        v-model:lit="lit"
        :drawing="shown?.drawing ?? null"
        :dataset="dataset?.id ?? null"
        :recipe="shown?.recipe ?? null"
        :message="shown?.recipe.finish?.message"
        :chart="chart"
        :dataset-name="dataset?.name ?? ''"
        :saved-at="savedAt"
        :writing="notes.writing.value"
        :editing="notes.editing.value"
        :note-problem="notes.problem.value"
        @name="saving.name"
        @point="workings?.show($event)"
        @message="finish(active, { message: $event })"
        @write-note="notes.write"
        @change-note="notes.change"
        @edit-note="((notes.editing.value = $event), (notes.writing.value = null))"
        @remove-note="notes.remove"
        @drop-note="notes.drop"
        @look="lookInto" />
      <main class="min-w-0 flex-1 overflow-y-auto px-7 pt-4 pb-6">
        <SentenceOfTrouble v-if="problem" class="mb-4" :says="problem" />
        <TheirsNotice
          v-if="theirs && recipes[0]"
          :own="recipes[0]"
          :theirs="theirs"
          @put="saving.putOnTop"
          @take="(sitting.remember(), saving.takeTheirs())" />
        <PathLine :path="path" @back="goBack" />
        <SentenceOfTrouble
          v-if="refusal"
          class="mb-4"
          :says="refusal"
          :retry="canUndo ? 'Undo' : undefined"
          @retry="sitting.undo" />
        <MendRecipe
          v-if="refusal && recipes[0] && dataset"
          class="mb-4"
          :recipe="recipes[0]"
          :dataset="dataset.id"
          @mended="replace(0, $event)" />
        <ChartTools
          v-if="panes.length > 1 && shown && dataset"
          v-model:reader="reader"
          class="mb-3"
          :pane="shown"
          :chart="named"
          :dataset="dataset"
          is-pair
          @beside="turnBeside"
          @renew="saving.renew"
          @finish="finish(active, $event)" />
        <div
          ref="frame"
          class="grid max-w-[1760px]"
          :style="{
            gridTemplateColumns: panes.length > 1 ? 'minmax(0,1fr) minmax(0,1fr)' : 'minmax(0,1fr)',
            columnGap: `${COLUMN_GAP}px`,
          }">
          <p v-if="!panes.length && isSlow" class="py-16 text-center text-quiet">Drawing…</p>
          <section
            v-for="(one, i) in dataset ? panes : []"
            :key="i"
            class="min-w-0"
            :class="panes.length > 1 ? ['border-t-2 pt-3', active === i ? 'border-accent' : 'border-hairline'] : ''"
            :aria-label="panes.length > 1 ? (i === 0 ? 'First chart' : 'Chart beside it') : 'Chart'"
            @pointerdown.capture="use(i)"
            @focusin="use(i)">
            <ChartPane
              v-if="dataset"
              ref="pane"
              :lit="litIn(i)"
              :selected="active === i ? selected : null"
              :drawing="one.drawing"
              :recipe="one.recipe"
              :dataset="dataset"
              :is-stale="Boolean(refusal) || isSlow"
              :width="width"
              :zoom="zoom"
              :is-small="panes.length > 1"
              :filter="reader ? `url(#reader-${reader})` : undefined"
              @update:lit="point(i, $event)"
              @update:selected="selected = $event"
              @change="change(i, $event)"
              @finish="finish(i, $event)"
              @draw="draw(i, $event)"
              @turn="replace(i, $event)"
              @look="lookInto"
              @note="begin"
              @beyond="beyond[i] = $event"
              @sources="sources = $event"
              @say="sayBetter(one.recipe, $event)"
              @keep-bands="keepBands(one.recipe, i, $event)">
              <template v-if="panes.length === 1" #tools>
                <ChartTools
                  v-model:reader="reader"
                  :pane="one"
                  :chart="chart"
                  :dataset="dataset"
                  :is-pair="false"
                  @beside="turnBeside"
                  @renew="saving.renew"
                  @finish="finish(0, $event)" />
              </template>
            </ChartPane>
          </section>
        </div>
      </main>
    </div>
    <WorkingsPanel
      v-if="shown"
      ref="workings"
      v-model:open="showsWorkings"
      v-model:lit="lit"
      :table="shown.drawing.workings"
      :highlighted="highlighted"
      @highlight="pane[active]?.highlight($event)"
      @select="selected = $event" />
    <PutIntoReport
      v-if="isPutting && dataset && shown"
      :dataset="dataset.id"
      :recipe="shown.recipe"
      :chart="named"
      :known="known"
      @close="isPutting = false" />
    <RowSources
      v-if="sources !== null && dataset && shown"
      :dataset="dataset.id"
      :recipe="shown.recipe"
      :row-key="sources"
      @close="sources = null" />
  </div>
</template>

<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { refDebounced, useElementBounding, useElementSize } from '@vueuse/core'
import SentenceOfTrouble from '../shared/SentenceOfTrouble.vue'
import TopBar from '../shared/TopBar.vue'
import type { Question } from '../shared/types'
import { useKeys } from '../shared/useKeys'
import ChartMargin from './ChartMargin.vue'
import ClosingControl from './ClosingControl.vue'
import ExportMenu from './ExportMenu.vue'
import FinishSheet from './finish/FinishSheet.vue'
import KindsRow from './kinds/KindsRow.vue'
import QuestionSentence from './QuestionSentence.vue'
import RowCard from './RowCard.vue'
import SceneView from './SceneView.vue'
import WorkingsPanel from './WorkingsPanel.vue'
import { useChart } from './useChart'
import { useDrawing } from './useDrawing'

const {
  dataset,
  recipe,
  chart,
  problem,
  savedAt,
  fresh,
  theirs,
  putOnTop,
  takeTheirs,
  history,
  closing,
  change,
  finish,
  draw,
  name,
  moveClosing,
} = useChart()
const { canUndo, canRedo } = history
/** In what theirs differs from this reader's. */
const changed = computed(() => {
  if (!theirs.value || !recipe.value) return []
  const [own, other] = [recipe.value, theirs.value.recipe]
  const rows = 'choice of rows'
  const parts = {
    ...{ measure: 'measure', span: 'span', where: 'filter', against: 'reference', flag: 'flag' },
    ...{ by: rows, order: rows, top: rows, cumulate: rows, each: rows },
  }
  const differ = (a: unknown, b: unknown) => JSON.stringify(a) !== JSON.stringify(b)
  const words = Object.entries(parts)
    .filter(([key]) => differ(own.question[key as keyof Question], other.question[key as keyof Question]))
    .map(([, word]) => word)
  if (differ(own.kind, other.kind)) words.push('kind')
  if (differ(own.finish ?? {}, other.finish ?? {})) words.push('finish')
  return [...new Set(words)]
})
const frame = ref<HTMLElement | null>(null)
const { width: measured } = useElementSize(frame)
const settled = refDebounced(measured, 80)
const width = computed(() => Math.min(1920, Math.max(360, settled.value || measured.value)))
const {
  drawing,
  problem: refusal,
  isSlow,
} = useDrawing(
  computed(() => dataset.value?.id ?? null),
  recipe,
  computed(() => (measured.value ? Math.round(width.value) : 0)),
  fresh,
)
const lit = ref<string | null>(null)
/** Whether the lit row was pointed at on the chart itself: then its card stands beside it. */
const isPointed = ref(false)
watch(lit, (key) => !key && (isPointed.value = false))
const scene = ref<InstanceType<typeof SceneView> | null>(null)
const place = computed(() => scene.value?.litPlace ?? null)
const { top: frameTop } = useElementBounding(frame)
const TOP_BAR = 56
const cardTop = computed(() => Math.max(place.value?.top ?? 0, TOP_BAR - frameTop.value))
const showsWorkings = ref(false)
const kinds = ref<InstanceType<typeof KindsRow> | null>(null)
const keys = computed(() => drawing.value?.workings.rows.map((row) => row.key) ?? [])
const highlighted = computed(() => recipe.value?.finish?.highlight ?? [])
const isOverTime = computed(() => drawing.value?.workings.rowsAre === 'Period')
const inPoints = computed(
  () => dataset.value?.measures.find((one) => one.name === recipe.value?.question.measure)?.inPoints ?? false,
)

function highlight(key: string) {
  const others = highlighted.value.filter((one) => one !== key)
  const next = others.length < highlighted.value.length ? others : [...others, key]
  finish({ highlight: next.length ? next : undefined })
}

useKeys({
  'mod+z': history.undo,
  'mod+shift+z': history.redo,
  'mod+y': history.redo,
  k: () => kinds.value?.focus(),
  w: () => (showsWorkings.value = !showsWorkings.value),
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
        :pinned="Boolean(recipe?.question.closedThrough)"
        can-pin
        @move="moveClosing"
        @pin="change({ closedThrough: $event ? dataset?.closing : undefined })"
      />
      <button class="button" :disabled="!canUndo" title="Ctrl+Z" @click="history.undo">Undo</button>
      <button class="button" :disabled="!canRedo" title="Ctrl+Shift+Z" @click="history.redo">Redo</button>
      <ExportMenu v-if="dataset && drawing" :dataset="dataset.id" :recipe="drawing.recipe" />
    </TopBar>
    <div class="min-h-0 flex-1 overflow-y-auto">
      <div class="flex min-h-full">
        <ChartMargin
          v-model:lit="lit"
          :drawing="drawing"
          :chart="chart"
          :dataset-name="dataset?.name ?? ''"
          :saved-at="savedAt"
          @name="name"
        />
        <main class="min-w-0 flex-1 px-7 pt-4 pb-6">
          <SentenceOfTrouble v-if="problem" class="mb-4" :says="problem" />
          <div v-if="theirs" class="mb-4 rounded-md border border-accent/40 bg-accent-tint px-4 py-3" role="alert">
            <p class="mb-2">
              This chart was saved in another window meanwhile{{
                changed.length ? `, with another ${changed.join(' and ')}` : ''
              }}. Yours is not saved yet.
            </p>
            <p class="flex gap-3">
              <button class="button button-strong" @click="putOnTop">Put mine on top</button>
              <button class="button" @click="takeTheirs">Take theirs</button>
            </p>
          </div>
          <QuestionSentence
            v-if="drawing && dataset && recipe"
            class="mb-4"
            :drawing="drawing"
            :dataset="dataset"
            :question="recipe.question"
            @change="change"
          />
          <div v-else-if="!problem && !refusal" class="mb-4 h-[68px]" />
          <SentenceOfTrouble
            v-if="refusal"
            class="mb-4"
            :says="refusal"
            :retry="canUndo ? 'Undo' : undefined"
            @retry="history.undo"
          />
          <div v-if="drawing && recipe" class="mb-3 flex items-start justify-between gap-4">
            <KindsRow ref="kinds" :kinds="drawing.kinds" :kind="recipe.kind" @draw="draw" />
            <FinishSheet
              :kind="recipe.kind"
              :finish="recipe.finish ?? {}"
              :is-over-time="isOverTime"
              :has-forecast="Boolean(recipe.question.forecast)"
              :in-points="inPoints"
              @change="finish"
            />
          </div>
          <div ref="frame" class="relative max-w-[1600px]">
            <p v-if="!drawing && isSlow" class="py-16 text-center text-quiet">Drawing…</p>
            <div
              v-if="drawing"
              class="overflow-x-clip transition-opacity"
              :class="refusal || isSlow ? 'opacity-50' : ''"
            >
              <SceneView
                ref="scene"
                :lit="lit"
                :scene="drawing.scene"
                :keys="keys"
                @highlight="highlight"
                @update:lit="((lit = $event), (isPointed = true))"
              />
              <RowCard
                v-if="lit && place && isPointed"
                :table="drawing.workings"
                :row-key="lit"
                :left="place.left"
                :right="place.right"
                :top="cardTop"
                :width="width"
              />
            </div>
          </div>
        </main>
      </div>
    </div>
    <WorkingsPanel
      v-if="drawing"
      v-model:open="showsWorkings"
      v-model:lit="lit"
      :table="drawing.workings"
      :highlighted="highlighted"
      @highlight="highlight"
    />
  </div>
</template>

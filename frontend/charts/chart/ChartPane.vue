<script setup lang="ts">
import { computed, defineAsyncComponent, ref, watch } from 'vue'
import { useElementBounding } from '@vueuse/core'
import {
  isSameRow,
  type Dataset,
  type Drawing,
  type Finish,
  type Kind,
  type Question,
  type Recipe,
} from '../../shared/types'
import KindsRow from '../kinds/KindsRow.vue'
import QuestionSentence from './QuestionSentence.vue'
import RowCard from '../rows/RowCard.vue'
import { moveOf, renamed } from './handles'
import SceneTable from './SceneTable.vue'
import SceneView from './SceneView.vue'
import { canMove, highlightedKeys, moved, movedTo } from '../rows/rowSteps'

const RowMenu = defineAsyncComponent(() => import('../rows/RowMenu.vue'))

/** A question and its chart; marks can be pointed at and selected. */
const props = defineProps<{
  drawing: Drawing
  recipe: Recipe
  dataset: Dataset
  isStale: boolean
  width: number
  zoom: number
  filter?: string
  isSmall?: boolean
}>()
const lit = defineModel<string | null>('lit', { default: null })
const selected = defineModel<string | null>('selected', { default: null })
const emit = defineEmits<{
  change: [part: Partial<Question>]
  finish: [part: Partial<Finish>]
  draw: [kind: Kind]
  turn: [recipe: Recipe]
  look: [recipe: Recipe, label: string]
  note: [key: string]
  sources: [key: string]
  say: [better: 'more' | 'less']
  keepBands: [bands: NonNullable<Question['bands']>]
  /** Whether more than the first rows are wanted. */
  beyond: [is: boolean]
}>()

const TOP_BAR = 56
/** Whether the lit row was pointed at on the chart itself: then its card stands beside it. */
const isPointed = ref(false)
watch(lit, key => !key && (isPointed.value = false))
const scene = ref<InstanceType<typeof SceneView> | null>(null)
const kinds = ref<InstanceType<typeof KindsRow> | null>(null)
const frame = ref<HTMLElement | null>(null)
const { top: frameTop } = useElementBounding(frame)
const litPlace = computed(() => (lit.value ? (scene.value?.pixelsOf(lit.value) ?? null) : null))
const selectedPlace = computed(() => (selected.value ? (scene.value?.pixelsOf(selected.value) ?? null) : null))
const below = (top: number) => Math.max(top, TOP_BAR - frameTop.value)
const keys = computed(() => props.drawing.workings.rows.map(row => row.key))
/** What the server answered to, with the finish as it is kept: the drawing's has the width of the window. */
const asked = computed(() => ({ ...props.drawing.recipe, finish: props.recipe.finish }))
/** Members can change places with others; periods and lines of a statement keep their order. */
const isMovable = (key: string) => {
  const { rows, rowsAre } = props.drawing.workings
  return rowsAre !== 'Period' && isOrdered.value && (canMove(rows, key, -1) || canMove(rows, key, 1))
}
const isOrdered = computed(() => own.value?.rows.canOrder ?? true)
const own = computed(() => props.drawing.kinds.find(one => one.id === props.recipe.kind))
const highlighted = computed(() => highlightedKeys(props.drawing.workings.rows, props.recipe.finish))

function highlight(key: string) {
  const ref = props.drawing.workings.rows.find(row => row.key === key)?.ref
  if (ref === undefined) return
  const before = props.recipe.finish?.highlight ?? []
  const others = before.filter(one => !isSameRow(one, ref))
  const next = others.length < before.length ? others : [...others, ref]
  emit('finish', { highlight: next.length ? next : undefined })
}
function close() {
  selected.value = null
  scene.value?.focus()
}
defineExpose({ focusKinds: () => kinds.value?.focus(), highlight })
</script>

<template>
  <QuestionSentence
    class="mb-4"
    :is-small="isSmall"
    :drawing="drawing"
    :dataset="dataset"
    :question="recipe.question"
    @change="emit('change', $event)"
    @say="emit('say', $event)"
    @keep-bands="emit('keepBands', $event)" />
  <div class="mb-3 flex items-start justify-between gap-4">
    <KindsRow ref="kinds" :kinds="drawing.kinds" :kind="recipe.kind" @draw="emit('draw', $event)" />
    <slot name="tools" />
  </div>
  <div ref="frame" class="relative max-w-[1600px]">
    <div class="-mx-5 overflow-x-clip px-5 transition-opacity" :class="isStale ? 'opacity-50' : ''" :style="{ filter }">
      <SceneView
        ref="scene"
        :lit="lit ?? selected"
        :selected="selected"
        :scene="drawing.scene"
        :zoom="zoom"
        :keys="keys"
        :can-move="isMovable"
        :more="drawing.workings.more"
        @move="(key, by) => emit('change', moved(drawing.workings.rows, key, by))"
        @move-to="(key, place) => emit('change', movedTo(drawing.workings.rows, key, place))"
        @rename-band="(one, name) => emit('change', renamed(one, name, drawing.scene.handles, recipe.question))"
        @move-handle="(handle, amount) => emit('change', moveOf(handle, amount, recipe.question))"
        @highlight="highlight"
        @select="selected = $event"
        @note="emit('note', $event)"
        @update:lit="((lit = $event), (isPointed = true))"
        @beyond="emit('beyond', $event)" />
    </div>
    <SceneTable
      :table="drawing.workings"
      :title="`Numbers of the chart: ${drawing.scene.title}`"
      @all="emit('beyond', true)" />
    <RowCard
      v-if="lit && litPlace && isPointed && !selected"
      :dataset="dataset.id"
      :recipe="asked"
      :table="drawing.workings"
      :notes="drawing.notes.filter(note => note.row === lit)"
      :row-key="lit"
      :left="litPlace.left"
      :right="litPlace.right"
      :top="below(litPlace.top)"
      :bottom="below(litPlace.bottom)"
      :width="width" />
    <RowMenu
      v-if="selected && selectedPlace"
      :key="selected"
      :dataset="dataset.id"
      :recipe="asked"
      :table="drawing.workings"
      :row-key="selected"
      :is-highlighted="highlighted.includes(selected)"
      :can-order="isOrdered"
      :left="selectedPlace.left"
      :right="selectedPlace.right"
      :top="below(selectedPlace.top)"
      :bottom="below(selectedPlace.bottom)"
      :width="width"
      @close="close"
      @note="emit('note', selected)"
      @highlight="highlight(selected)"
      @move="emit('change', moved(drawing.workings.rows, selected, $event))"
      @leave-out="((selected = null), emit('turn', $event))"
      @look="(next, label) => emit('look', next, label)"
      @sources="emit('sources', selected)"
      @turn="((selected = null), emit('turn', $event))" />
  </div>
</template>

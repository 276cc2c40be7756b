<script setup lang="ts">
import { computed } from 'vue'
import type { Chart, Dataset, Drawing, Finish, Recipe } from '../../shared/types'
import ColourCheck from './ColourCheck.vue'
import FinishSheet from '../finish/FinishSheet.vue'

/** What can be done with a chart as a whole. */
const props = defineProps<{
  pane: { recipe: Recipe; drawing: Drawing }
  chart: Chart | null
  dataset: Dataset
  /** whether two charts are shown side by side */
  isPair: boolean
}>()
defineEmits<{ beside: []; finish: [part: Partial<Finish>]; renew: [] }>()
const reader = defineModel<string>('reader', { default: '' })
const inPoints = computed(
  () => props.dataset.measures.find(one => one.name === props.pane.recipe.question.measure)?.inPoints ?? false,
)
/** Of the chart as it is asked for, whose drawing may still be underway. */
const kind = computed(() => props.pane.drawing.kinds.find(one => one.id === props.pane.recipe.kind))
</script>

<template>
  <div class="flex flex-wrap justify-end gap-2">
    <ColourCheck v-model="reader" />
    <button class="button" title="b" :aria-pressed="isPair" @click="$emit('beside')">
      {{ isPair ? 'One chart' : 'Beside' }}
    </button>
    <FinishSheet
      v-if="kind"
      :kind="kind"
      :finish="pane.recipe.finish ?? {}"
      :chart="chart"
      :is-over-time="pane.drawing.workings.rowsAre === 'Period'"
      :in-points="inPoints"
      @change="$emit('finish', $event)"
      @renew="$emit('renew')" />
  </div>
</template>

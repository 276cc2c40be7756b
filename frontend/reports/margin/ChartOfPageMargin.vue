<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import ChartMargin from '../../charts/margin/ChartMargin.vue'
import { useNotes } from '../../charts/margin/useNotes'
import type { Drawing } from '../../shared/types'

/** The margin of a chart that is changed in a page. */
const props = defineProps<{
  drawing: Drawing
  dataset: number
  /** the row that a note is to be written about; blank: none */
  noted: string
}>()
const emit = defineEmits<{ close: []; fresh: [] }>()
const lit = ref<string | null>(null)
const notes = useNotes(
  computed(() => props.dataset),
  computed(() => props.drawing.recipe),
  () => emit('fresh'),
)
watch(
  () => props.noted,
  row => row && notes.begin(row),
  { immediate: true },
)
</script>

<template>
  <ChartMargin
    v-model:lit="lit"
    is-in-page
    :drawing="drawing"
    :dataset="dataset"
    :recipe="drawing.recipe"
    :message="undefined"
    :chart="null"
    dataset-name=""
    saved-at=""
    :writing="notes.writing.value"
    :editing="notes.editing.value"
    :note-problem="notes.problem.value"
    @write-note="notes.write"
    @change-note="notes.change"
    @edit-note="((notes.editing.value = $event), (notes.writing.value = null))"
    @remove-note="notes.remove"
    @drop-note="notes.drop"
    @look="$emit('close')" />
</template>

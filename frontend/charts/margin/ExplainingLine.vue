<script setup lang="ts">
import { computed, toRef } from 'vue'
import { ask } from '../../shared/api'
import { useLoad } from '../../shared/useLoad'
import type { Recipe } from '../../shared/types'

/** Which breakdown explains the variance of the chart, in one line that leads to the bridge by it. Asked once the chart stands. */
const props = defineProps<{ dataset: number; recipe: Recipe; isDrawn: boolean }>()
const emit = defineEmits<{ look: [recipe: Recipe, label: string] }>()
interface Found {
  explanations: { says: string; recipe: Recipe }[]
}
/** Only the question matters: another finish explains nothing else. */
const question = computed(() => JSON.stringify(props.recipe.question))
const { value } = useLoad(
  () => ['datasets', props.dataset, 'explanations', question.value],
  signal =>
    ask<Found>('POST', `/datasets/${props.dataset}/explanations`, {
      body: { recipe: { ...props.recipe, finish: undefined } },
      signal,
    }),
  { isAsked: toRef(props, 'isDrawn') },
)
const best = computed(() => value.value?.explanations[0] ?? null)
const isShown = computed(() => best.value && best.value.recipe.question.by !== props.recipe.question.by)
</script>

<template>
  <p v-if="best && isShown" class="mt-2">
    <button class="link text-left" title="Shows the bridge by it" @click="emit('look', best.recipe, best.says)">
      {{ best.says }}
    </button>
  </p>
</template>

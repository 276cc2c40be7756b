<script setup lang="ts">
import { watch } from 'vue'
import type { Recipe } from '../../shared/types'
import AskedNames from './AskedNames.vue'
import { useFit } from './useFit'

/** A chart that names what is not there any more: what stands in its place is asked, and it can be drawn again. */
const props = defineProps<{ recipe: Recipe; dataset: number }>()
const emit = defineEmits<{ mended: [recipe: Recipe] }>()
const { asks, answers, problem, isAnswered, reset, fit } = useFit(() => props.dataset)

watch(
  () => props.recipe,
  recipe => {
    reset()
    void fit(recipe)
  },
  { immediate: true },
)
async function mend() {
  const recipe = await fit(props.recipe)
  if (recipe) emit('mended', recipe)
}
</script>

<template>
  <form v-if="asks.length" class="max-w-xl space-y-3" aria-label="What stands in its place" @submit.prevent="mend">
    <p>What stands in its place?</p>
    <AskedNames v-model="answers" :asks="asks" />
    <p v-if="problem" class="text-unfavourable-text" role="alert">{{ problem }}</p>
    <button class="button button-strong" type="submit" :disabled="!isAnswered">Ask it so</button>
  </form>
</template>

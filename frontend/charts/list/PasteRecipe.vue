<script setup lang="ts">
import { ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import DialogSheet from '../../shared/DialogSheet.vue'
import type { DatasetBrief, Recipe } from '../../shared/types'
import AskedNames from '../fit/AskedNames.vue'
import { useFit } from '../fit/useFit'

/** A recipe that was copied out, also one made on other figures: each name that these lack is asked for, one line each. */
const props = defineProps<{ datasets: DatasetBrief[] }>()
const emit = defineEmits<{ close: [] }>()
const router = useRouter()
const text = ref('')
const dataset = ref('')
const EXAMPLE = '{ "keenMargin": 1, … }'
const { asks, answers, problem, isAnswered, reset, fit } = useFit(dataset)
watch(
  () => props.datasets,
  all => (dataset.value ||= String(all[0]?.id ?? '')),
  { immediate: true },
)
watch([text, dataset], reset)

async function askIt() {
  let recipe: unknown
  try {
    recipe = JSON.parse(text.value)
  } catch {
    problem.value = 'This is not a recipe: it is not JSON. Copy it once more, from the first { to the last }.'
    return
  }
  const fitted = await fit(recipe)
  if (fitted) open(fitted)
}
function open(recipe: Recipe) {
  emit('close')
  void router.push({ path: '/charts/new', query: { dataset: dataset.value, recipe: JSON.stringify(recipe) } })
}
async function readFile(event: Event) {
  const file = (event.target as HTMLInputElement).files?.[0]
  if (file) text.value = await file.text()
}
</script>

<template>
  <DialogSheet title="Paste a recipe" width="max-w-xl" @close="emit('close')">
    <form class="space-y-3" @submit.prevent="askIt">
      <textarea
        v-model="text"
        class="field h-40! w-full py-2! text-[12px]"
        aria-label="Recipe"
        :placeholder="EXAMPLE"
        spellcheck="false" />
      <p class="flex flex-wrap items-center gap-3">
        <label class="flex min-w-0 items-center gap-2"
          >On
          <select v-model="dataset" class="field max-w-64 min-w-0" aria-label="Dataset">
            <option v-for="one in datasets" :key="one.id" :value="String(one.id)">{{ one.name }}</option>
          </select></label
        >
        <label class="link"
          >or take a file<input type="file" accept=".json,application/json" class="sr-only" @change="readFile"
        /></label>
      </p>
      <div v-if="asks.length" class="space-y-1.5 border-t border-hairline pt-3">
        <p>These figures do not have all that the recipe names. What stands in its place?</p>
        <AskedNames v-model="answers" :asks="asks" />
      </div>
      <p v-if="problem" class="text-unfavourable-text" role="alert">{{ problem }}</p>
      <p class="flex gap-2">
        <button class="button button-strong" type="submit" :disabled="!text.trim() || !dataset || !isAnswered">
          Ask it
        </button>
        <button class="button" type="button" @click="emit('close')">Let it be</button>
      </p>
    </form>
  </DialogSheet>
</template>

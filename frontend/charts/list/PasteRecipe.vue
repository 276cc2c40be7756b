<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import DialogSheet from '../../shared/DialogSheet.vue'
import { ask, says } from '../../shared/api'
import type { Ask, DatasetBrief, Recipe } from '../../shared/types'

/** A recipe that was copied out, also one made on other figures: each name that these lack is asked for, one line each. */
const props = defineProps<{ datasets: DatasetBrief[] }>()
const emit = defineEmits<{ close: [] }>()
const router = useRouter()
const text = ref('')
const dataset = ref('')
const asks = ref<Ask[]>([])
const answers = ref<Record<string, string>>({})
const problem = ref('')
const fitted = ref<Recipe | null>(null)
const EXAMPLE = '{ "keenMargin": 1, … }'
const LEFT_OUT = '\u0000'
watch(
  () => props.datasets,
  (all) => (dataset.value ||= String(all[0]?.id ?? '')),
  { immediate: true },
)
const isAnswered = computed(() => asks.value.every((one) => answers.value[one.id] !== undefined))

function reset() {
  asks.value = []
  answers.value = {}
  problem.value = ''
  fitted.value = null
}
watch([text, dataset], reset)

async function fit() {
  let recipe: unknown
  problem.value = ''
  try {
    recipe = JSON.parse(text.value)
  } catch {
    problem.value = 'This is not a recipe: it is not JSON. Copy it once more, from the first { to the last }.'
    return
  }
  try {
    const told = Object.fromEntries(Object.entries(answers.value).map(([id, is]) => [id, is === LEFT_OUT ? '' : is]))
    const answer = await ask<{ recipe: Recipe | null; asks: Ask[]; problem: string | null }>(
      'POST',
      `/datasets/${dataset.value}/fits`,
      { body: { recipe, answers: told } },
    )
    asks.value = answer.asks
    for (const one of answer.asks) if (one.guess !== null) answers.value[one.id] ??= one.guess
    problem.value = answer.problem ?? ''
    fitted.value = answer.recipe
    if (answer.recipe) open(answer.recipe)
  } catch (error) {
    problem.value = says(error)
  }
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
    <form class="space-y-3" @submit.prevent="fit">
      <textarea
        v-model="text"
        class="field h-40! w-full py-2! text-[12px]"
        aria-label="Recipe"
        :placeholder="EXAMPLE"
        spellcheck="false"
      />
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
        <label v-for="one in asks" :key="one.id" class="flex items-center gap-3">
          <span class="min-w-0 flex-1 break-words">{{ one.says }}</span>
          <select v-model="answers[one.id]" class="field max-w-60 min-w-0" :aria-label="one.says">
            <option :value="undefined" disabled>choose</option>
            <option v-for="choice in one.choices" :key="choice" :value="choice">{{ choice || '(blank)' }}</option>
            <option v-if="one.mayGo" :value="LEFT_OUT">
              {{ one.without === 'it' ? 'leave it out' : one.without }}
            </option>
          </select>
        </label>
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

<script setup lang="ts">
import { ref, watch } from 'vue'
import { ask, says } from '../../shared/api'
import DialogSheet from '../../shared/DialogSheet.vue'
import type { Dataset, DatasetBrief, Listing, Scenario } from '../../shared/types'
import { useLoad } from '../../shared/useLoad'
import { moved, newId, told, type Block, type KeyFigure } from '../document'

/** Which key figures stand in a block, of which measures, against what. */
const props = defineProps<{ block: Block }>()
defineEmits<{ change: [block: Block]; close: [] }>()
const MOST = 6
const figures = ref<KeyFigure[]>(props.block.figures ?? [])
const datasets = ref<Record<string, Dataset>>({})
const problem = ref('')
const { value: all } = useLoad(['datasets', 'list', ''], () => ask<Listing<DatasetBrief>>('GET', '/datasets'))
watch(
  figures,
  async list => {
    for (const { dataset } of list)
      if (dataset && !datasets.value[dataset])
        try {
          datasets.value[dataset] = await ask<Dataset>('GET', `/datasets/${dataset}`)
        } catch (error) {
          problem.value = says(error)
        }
  },
  { immediate: true, deep: true },
)

const put = (at: number, figure: KeyFigure) =>
  (figures.value = figures.value.map((one, i) => (i === at ? figure : one)))
function setMeasure(at: number, figure: KeyFigure, measure: string) {
  const label = figure.label === figure.recipe.question.measure ? measure : figure.label
  put(at, { ...figure, label, recipe: { ...figure.recipe, question: { ...figure.recipe.question, measure } } })
}
function setAgainst(at: number, figure: KeyFigure, code: string) {
  const against = code ? [code as Scenario] : undefined
  put(at, { ...figure, recipe: { ...figure.recipe, question: told({ ...figure.recipe.question, against }) } })
}
async function add(id: string) {
  if (!id) return
  const dataset = datasets.value[id] ?? (await ask<Dataset>('GET', `/datasets/${id}`))
  datasets.value[id] = dataset
  const first = dataset.firstRecipe
  const measure = dataset.measures[0]?.name
  if (!first || !measure) return (problem.value = `${dataset.name} has no figures to show yet.`)
  const question = told({ ...first.question, measure, forecast: undefined, flag: undefined })
  figures.value = [...figures.value, { id: newId('k'), dataset: id, label: measure, recipe: { ...first, question } }]
}
const referencesOf = (figure: KeyFigure) =>
  datasets.value[figure.dataset ?? '']?.references.filter(one => one.code !== 'AC') ?? []
</script>

<template>
  <DialogSheet title="Key figures" width="max-w-3xl" @close="$emit('close')">
    <p v-if="problem" class="mb-2 text-unfavourable-text" role="alert">{{ problem }}</p>
    <table v-if="figures.length" class="w-full">
      <thead class="label text-left">
        <tr>
          <th scope="col">Called</th>
          <th scope="col">Dataset</th>
          <th scope="col">Measure</th>
          <th scope="col">Against</th>
          <th><span class="sr-only">Order</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(figure, i) in figures" :key="figure.id" class="border-t border-hairline">
          <td class="py-1 pr-2">
            <input
              class="field w-full"
              maxlength="100"
              :value="figure.label"
              :aria-label="`Name of figure ${i + 1}`"
              @change="put(i, { ...figure, label: ($event.target as HTMLInputElement).value })" />
          </td>
          <td class="max-w-40 truncate pr-2 text-quiet">{{ datasets[figure.dataset ?? '']?.name }}</td>
          <td class="pr-2">
            <select
              class="field max-w-44"
              :value="figure.recipe.question.measure"
              :aria-label="`Measure of figure ${i + 1}`"
              @change="setMeasure(i, figure, ($event.target as HTMLSelectElement).value)">
              <option v-for="one in datasets[figure.dataset ?? '']?.measures ?? []" :key="one.id">
                {{ one.name }}
              </option>
            </select>
          </td>
          <td class="pr-2">
            <select
              class="field"
              :value="figure.recipe.question.against?.[0] ?? ''"
              :aria-label="`Reference of figure ${i + 1}`"
              @change="setAgainst(i, figure, ($event.target as HTMLSelectElement).value)">
              <option value="">nothing</option>
              <option v-for="one in referencesOf(figure)" :key="one.code" :value="one.code">{{ one.word }}</option>
            </select>
          </td>
          <td class="whitespace-nowrap">
            <button
              class="px-1 hover:text-accent"
              :aria-label="`Figure ${i + 1} to the left`"
              @click="figures = moved(figures, i, -1)">
              ‹
            </button>
            <button
              class="px-1 hover:text-accent"
              :aria-label="`Figure ${i + 1} to the right`"
              @click="figures = moved(figures, i, 1)">
              ›
            </button>
            <button
              class="px-1 hover:text-unfavourable-text"
              :aria-label="`Leave figure ${i + 1} out`"
              @click="figures = figures.filter(one => one !== figure)">
              ×
            </button>
          </td>
        </tr>
      </tbody>
    </table>
    <select
      v-if="figures.length < MOST"
      class="field mt-3"
      aria-label="Add a key figure of"
      value=""
      @change="(add(($event.target as HTMLSelectElement).value), (($event.target as HTMLSelectElement).value = ''))">
      <option value="">Add a key figure of …</option>
      <option v-for="one in all?.items ?? []" :key="one.id" :value="String(one.id)">{{ one.name }}</option>
    </select>
    <div class="mt-5 flex gap-3">
      <button class="button button-strong" @click="$emit('change', { ...block, figures })">Keep them</button>
      <button class="button" @click="$emit('close')">Cancel</button>
    </div>
  </DialogSheet>
</template>

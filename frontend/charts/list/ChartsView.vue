<script setup lang="ts">
import { defineAsyncComponent, ref, watch } from 'vue'
import { refDebounced } from '@vueuse/core'
import { ask } from '../../shared/api'
import PageTurner from '../../shared/PageTurner.vue'
import SentenceOfTrouble from '../../shared/SentenceOfTrouble.vue'
import TopBar from '../../shared/TopBar.vue'
import type { Chart, DatasetBrief, Listing } from '../../shared/types'
import { useKeptList } from '../../shared/useKeptList'
import { useLoad } from '../../shared/useLoad'
import { useToast } from '../../shared/useToast'
import ChartCard from './ChartCard.vue'

const PasteRecipe = defineAsyncComponent(() => import('./PasteRecipe.vue'))
const sought = ref('')
const settled = refDebounced(sought, 150)
const dataset = ref('')
const { list, problem, reload, turn, restart, run, remove, duplicate } = useKeptList<Chart>(
  'charts',
  chart => chart.name,
  () => ({ q: settled.value.trim(), dataset: dataset.value }),
)
watch([settled, dataset], () => restart())
const { value: datasets } = useLoad(['datasets', 'list', ''], () => ask<Listing<DatasetBrief>>('GET', '/datasets'))
const { tell } = useToast()
const isPasting = ref(false)

const rename = (chart: Chart, name: string) =>
  run(async () => {
    await ask('PUT', `/charts/${chart.id}`, {
      version: chart.version,
      body: { name, recipe: chart.recipe, names: chart.names },
    })
  })
const copyRecipe = (chart: Chart) =>
  run(async () => {
    await navigator.clipboard.writeText(JSON.stringify(chart.recipe, null, 2))
    tell('The recipe is copied.')
  })
</script>

<template>
  <TopBar area="charts" />
  <main class="mx-auto max-w-[1240px] px-8 py-9">
    <div class="mb-7 flex flex-wrap items-end gap-x-6 gap-y-3">
      <div class="flex-1">
        <h1 class="mb-1 font-serif text-[26px]">Charts</h1>
        <p class="text-quiet">Each picture is the chart as it is now.</p>
      </div>
      <input v-model="sought" class="field w-56" type="search" aria-label="Find a chart" placeholder="Find a chart" />
      <select v-model="dataset" class="field max-w-60" aria-label="Dataset">
        <option value="">all datasets</option>
        <option v-for="one in datasets?.items ?? []" :key="one.id" :value="String(one.id)">{{ one.name }}</option>
      </select>
      <button class="button" @click="isPasting = true">Paste a recipe</button>
    </div>
    <SentenceOfTrouble v-if="problem" :says="problem" retry="Try again" @retry="reload" />
    <ul v-if="list?.items.length" class="grid grid-cols-3 gap-6 max-xl:grid-cols-2 max-md:grid-cols-1">
      <li v-for="chart in list.items" :key="chart.id">
        <ChartCard
          :chart="chart"
          editable
          @remove="remove(chart)"
          @duplicate="duplicate(chart)"
          @rename="rename(chart, $event)"
          @copy-recipe="copyRecipe(chart)" />
      </li>
    </ul>
    <p v-else-if="list && (settled || dataset)" class="text-quiet">No chart is called so.</p>
    <p v-else-if="list" class="max-w-md border-l-2 border-accent/35 py-1 pl-5">
      No chart has a name yet. Open a dataset under <RouterLink class="link" to="/figures">Figures</RouterLink>, ask a
      question, and name the chart: it is kept here.
    </p>
    <PageTurner :list="list" @turn="turn" />
    <PasteRecipe v-if="isPasting" :datasets="datasets?.items ?? []" @close="isPasting = false" />
  </main>
</template>

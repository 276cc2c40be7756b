<script setup lang="ts">
import { ref } from 'vue'
import { ask, says } from '../shared/api'
import SentenceOfTrouble from '../shared/SentenceOfTrouble.vue'
import TopBar from '../shared/TopBar.vue'
import type { Chart } from '../shared/types'
import PageTurner from '../shared/PageTurner.vue'
import { usePages } from '../shared/usePages'
import { useToast } from '../shared/useToast'
import ChartCard from './ChartCard.vue'

const { list, problem, reload, turn } = usePages<Chart>('/charts')
const { tell } = useToast()
const deleted = ref<Chart | null>(null)

async function remove(chart: Chart) {
  try {
    await ask('DELETE', `/charts/${chart.id}`, { version: chart.version })
    deleted.value = chart
    await reload()
  } catch (error) {
    tell(says(error))
  }
}

async function bringBack() {
  if (!deleted.value) return
  const { dataset, name, recipe } = deleted.value
  try {
    await ask('POST', '/charts', { body: { dataset, name, recipe } })
    deleted.value = null
    await reload()
  } catch (error) {
    tell(says(error))
  }
}
</script>

<template>
  <TopBar area="charts" />
  <main class="mx-auto max-w-[1240px] px-8 py-9">
    <h1 class="mb-1 font-serif text-[26px]">Charts</h1>
    <p class="mb-7 text-quiet">Each picture is the chart as it is now.</p>
    <SentenceOfTrouble v-if="problem" :says="problem" retry="Try again" @retry="reload" />
    <p v-if="deleted" class="mb-5 flex gap-3" role="status">
      “{{ deleted.name }}” is deleted. <button class="link" @click="bringBack">Bring it back</button>
    </p>
    <ul v-if="list?.items.length" class="grid grid-cols-3 gap-6 max-xl:grid-cols-2 max-md:grid-cols-1">
      <li v-for="chart in list.items" :key="chart.id">
        <ChartCard :chart="chart" deletable @remove="remove(chart)" />
      </li>
    </ul>
    <p v-else-if="list" class="max-w-md border-l-2 border-accent/35 py-1 pl-5">
      No chart has a name yet. Open a dataset under <RouterLink class="link" to="/figures">Figures</RouterLink>, ask a
      question, and name the chart: it is kept here.
    </p>
    <PageTurner :list="list" @turn="turn" />
  </main>
</template>

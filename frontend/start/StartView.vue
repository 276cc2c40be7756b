<script setup lang="ts">
import { ask } from '../shared/api'
import ChartCard from '../charts/list/ChartCard.vue'
import { useUnchecked } from '../figures/checks/useUnchecked'
import DatasetLine from '../figures/list/DatasetLine.vue'
import SentenceOfTrouble from '../shared/SentenceOfTrouble.vue'
import TopBar from '../shared/TopBar.vue'
import ReportCard from '../reports/list/ReportCard.vue'
import type { ReportBrief } from '../shared/contract'
import type { Chart, DatasetBrief, Listing } from '../shared/types'
import { useLoad } from '../shared/useLoad'
import BringIn from '../figures/incoming/BringIn.vue'

document.title = 'Keen Margin'
const { value: charts, problem, reload } = useLoad(['charts', 'list', ''], () => ask<Listing<Chart>>('GET', '/charts'))
const { value: reports } = useLoad(['reports', 'list', 'start'], () => ask<Listing<ReportBrief>>('GET', '/reports'))
const { value: datasets } = useLoad(['datasets', 'list', ''], () => ask<Listing<DatasetBrief>>('GET', '/datasets'))
useUnchecked(datasets)
</script>

<template>
  <TopBar />
  <main class="mx-auto max-w-[1240px] px-8 py-10">
    <h1 class="mb-7 font-serif text-[30px] leading-10">Where do you stand, by how much, and is that good?</h1>
    <SentenceOfTrouble v-if="problem" class="mb-8" :says="problem" retry="Try again" @retry="reload" />
    <div class="grid grid-cols-[minmax(0,1fr)_320px] gap-12 max-lg:grid-cols-1">
      <div class="min-w-0">
        <BringIn />
        <section v-if="reports?.items.length" class="mt-9" aria-label="Reports">
          <h2 class="label mb-3">Reports</h2>
          <ul class="grid grid-cols-2 gap-5 max-md:grid-cols-1">
            <li v-for="report in reports.items.slice(0, 2)" :key="report.id"><ReportCard :report="report" /></li>
          </ul>
        </section>
        <section v-if="charts?.items.length" class="mt-9" aria-label="Charts">
          <h2 class="label mb-3">Charts</h2>
          <ul class="grid grid-cols-2 gap-5 max-md:grid-cols-1">
            <li v-for="chart in charts.items.slice(0, 6)" :key="chart.id"><ChartCard :chart="chart" /></li>
          </ul>
        </section>
      </div>
      <section aria-label="Datasets">
        <h2 class="label mb-1">Datasets</h2>
        <ul v-if="datasets?.items.length">
          <DatasetLine v-for="dataset in datasets.items.slice(0, 10)" :key="dataset.id" :dataset="dataset" />
        </ul>
        <p v-else-if="datasets" class="text-quiet">None yet. The first one is the file that you drop here.</p>
        <RouterLink v-if="datasets && datasets.total > 10" class="link mt-2 inline-block" to="/figures"
          >All {{ datasets.total }}</RouterLink
        >
      </section>
    </div>
  </main>
</template>

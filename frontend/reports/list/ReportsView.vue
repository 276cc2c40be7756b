<script setup lang="ts">
import { ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { refDebounced } from '@vueuse/core'
import { ask } from '../../shared/api'
import PageTurner from '../../shared/PageTurner.vue'
import SentenceOfTrouble from '../../shared/SentenceOfTrouble.vue'
import TopBar from '../../shared/TopBar.vue'
import { useKeptList } from '../../shared/useKeptList'
import type { Report, ReportBrief } from '../types'
import NewReport from './NewReport.vue'
import ReportCard from './ReportCard.vue'

document.title = 'Reports – Keen Margin'
const router = useRouter()
const sought = ref('')
const settled = refDebounced(sought, 150)
const { list, problem, reload, turn, restart, run, remove, duplicate } = useKeptList<ReportBrief>(
  'reports',
  report => report.title,
  () => ({ q: settled.value.trim() }),
)
watch(settled, () => restart())
const isMaking = ref(false)

const make = (title: string, charts: number[]) =>
  run(async () => {
    const made = await ask<Report>('POST', '/reports', { body: charts.length ? { title, charts } : { title } })
    await router.push(`/reports/${made.id}`)
  })
</script>

<template>
  <TopBar area="reports" />
  <main class="mx-auto max-w-[1240px] px-8 py-9 max-sm:px-4">
    <div class="mb-7 flex flex-wrap items-end gap-x-6 gap-y-3">
      <div class="flex-1">
        <h1 class="mb-1 font-serif text-[26px]">Reports</h1>
        <p class="text-quiet">Each picture is the first page as it is now.</p>
      </div>
      <input v-model="sought" class="field w-56" type="search" aria-label="Find a report" placeholder="Find a report" />
      <button class="button button-strong" @click="isMaking = true">New report</button>
    </div>
    <SentenceOfTrouble v-if="problem" :says="problem" retry="Try again" @retry="reload" />
    <ul v-if="list?.items.length" class="grid grid-cols-3 gap-6 max-xl:grid-cols-2 max-md:grid-cols-1">
      <li v-for="report in list.items" :key="report.id">
        <ReportCard :report="report" editable @remove="remove(report)" @duplicate="duplicate(report)" />
      </li>
    </ul>
    <p v-else-if="list && settled" class="text-quiet">No report is called so.</p>
    <p v-else-if="list" class="max-w-md border-l-2 border-accent/35 py-1 pl-5">
      There is no report yet. Choose charts under <RouterLink class="link" to="/charts">Charts</RouterLink>, or begin
      with an empty page: a report is made once, and rolled on each month.
    </p>
    <PageTurner :list="list" @turn="turn" />
    <NewReport v-if="isMaking" @close="isMaking = false" @make="make" />
  </main>
</template>

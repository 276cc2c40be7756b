<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { ask, says } from '../shared/api'
import SentenceOfTrouble from '../shared/SentenceOfTrouble.vue'
import TopBar from '../shared/TopBar.vue'
import type { ExpectedFigures, Month, MonthClosed, MonthDataset } from '../shared/contract'
import { useKeys } from '../shared/useKeys'
import { useLoad } from '../shared/useLoad'
import { useToast } from '../shared/useToast'
import CloseSheet from './CloseSheet.vue'
import ExpectSheet from './ExpectSheet.vue'
import HistorySheet from './HistorySheet.vue'
import HolidaysSheet from './HolidaysSheet.vue'
import MonthMargin from './MonthMargin.vue'
import MonthReports from './MonthReports.vue'
import MonthTable from './MonthTable.vue'

const EVERY = 5000
const route = useRoute()
const router = useRouter()
const { tell } = useToast()
const period = computed(() => String(route.params.period || 'last'))
const {
  value: month,
  problem,
  reload,
} = useLoad(
  () => ['months', period.value],
  signal => ask<Month>('GET', `/months/${period.value}`, { signal }),
  { keepsPrevious: true, refetchEach: EVERY },
)
watch(month, own => own && (document.title = `${own.label} – Keen Margin`), { immediate: true })
const trouble = ref('')
const open = ref<'close' | 'history' | 'holidays' | null>(null)
const expecting = ref<MonthDataset | null>(null)
const name = computed(() => month.value?.label.split(' ')[0] ?? '')
const isClosed = computed(() => (month.value?.datasets ?? []).every(one => one.isClosed))
const canClose = computed(() => (month.value?.datasets.length ?? 0) > 0 && !isClosed.value)

const go = (key: string) => router.push(`/month/${key}`)

async function run(action: () => Promise<void>) {
  trouble.value = ''
  try {
    await action()
  } catch (error) {
    trouble.value = says(error)
  }
  await reload()
}
const undo = (closed: MonthClosed) =>
  run(async () => {
    await ask('POST', `/month-closings/${closed.id}/undo`, { body: {} })
    tell(`${closed.label} is open again.`)
  })
const close = (datasets: number[]) =>
  run(async () => {
    open.value = null
    const closed = await ask<MonthClosed>('POST', `/months/${month.value?.key}/closings`, { body: { datasets } })
    tell(`${closed.label} is closed.`, { label: 'Undo', do: () => void undo(closed) })
  })
const setComing = (dataset: number, one: ExpectedFigures, why: string | undefined) =>
  run(async () => {
    await ask('PUT', `/months/${month.value?.key}/not-coming`, { body: { dataset, scenario: one.scenario, why } })
    tell(why === undefined ? 'It is expected again.' : 'It is not waited for.')
  })

useKeys({ '[': () => month.value && void go(month.value.back), ']': () => month.value && void go(month.value.on) })
</script>

<template>
  <div class="flex min-h-screen flex-col">
    <TopBar area="month">
      <button v-if="month" class="button button-strong" :disabled="!canClose" @click="open = 'close'">
        {{ isClosed && month.datasets.length ? `${name} is closed` : `Close ${name}` }}
      </button>
    </TopBar>
    <SentenceOfTrouble v-if="problem && !month" class="m-8" :says="problem" retry="Try again" @retry="reload" />
    <div v-if="month" class="flex min-h-0 flex-1 max-md:flex-col">
      <MonthMargin
        :month="month"
        @go="go"
        @undo="undo"
        @history="open = 'history'"
        @holidays="open = 'holidays'"
        @changed="reload" />
      <main class="min-w-0 flex-1 px-7 pt-6 pb-10 max-md:px-4">
        <SentenceOfTrouble v-if="trouble" class="mb-4" :says="trouble" />
        <h2 class="mb-4 font-serif text-[24px] leading-9" aria-live="polite">
          <template v-for="(part, i) in month.headline" :key="i"
            ><a
              v-if="part.about"
              class="border-b border-dotted border-accent text-accent"
              :href="part.about === 'files' ? '#late' : '#waits'"
              >{{ part.text }}</a
            ><template v-else>{{ part.text }}</template></template
          >
        </h2>
        <MonthTable v-if="month.datasets.length" :month="month" @expect="expecting = $event" @coming="setComing" />
        <p v-else class="max-w-md border-l-2 border-accent/35 py-1 pl-5">
          Once there are <RouterLink class="link" to="/figures">figures</RouterLink> by period, say of each dataset
          which of them come by which working day, and this page tells what is still missing.
        </p>
        <MonthReports v-if="month.reports.length" class="mt-9" :reports="month.reports" />
      </main>
    </div>
    <CloseSheet v-if="open === 'close' && month" :month="month" @close="open = null" @confirm="close" />
    <HistorySheet v-if="open === 'history' && month" :month="month" @close="open = null" />
    <HolidaysSheet v-if="open === 'holidays'" @close="open = null" @changed="reload" />
    <ExpectSheet v-if="expecting" :dataset="expecting" @close="expecting = null" @changed="reload" />
  </div>
</template>

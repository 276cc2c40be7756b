<script setup lang="ts">
import { computed, onBeforeUnmount, onMounted, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { useEventListener, useIdle, useWindowSize } from '@vueuse/core'
import SentenceOfTrouble from '../../shared/SentenceOfTrouble.vue'
import PageSheet from '../page/PageSheet.vue'
import { useReadPage, useReadReport } from './useReportPages'

/** Page by page on the whole screen; marks can be pointed at. */
const route = useRoute()
const router = useRouter()
const id = Number(route.params.id)
const { report, problem, pages } = useReadReport(id)
const at = ref(0)
/** The page that was asked for, until another is turned to. */
let asked = String(route.query.page ?? '')
watch(
  pages,
  all => {
    const place = all.findIndex(page => page.id === asked)
    at.value = Math.max(0, Math.min(all.length - 1, place < 0 ? at.value : place))
  },
  { immediate: true },
)
const pageId = computed(() => pages.value[at.value]?.id ?? '')
const nextId = computed(() => pages.value[at.value + 1]?.id ?? '')
const sign = computed(() => report.value?.sign ?? '')
const { value: page, problem: undrawn } = useReadPage(id, pageId, sign)
/** The next page is there when it is turned to. */
useReadPage(id, nextId, sign)
watch(report, is => is && (document.title = `${is.title} – Keen Margin`))

const { width, height } = useWindowSize()
/** The pointer at rest lets nothing stand over the page. */
const { idle } = useIdle(2000, { events: ['mousemove', 'mousedown', 'touchstart'] })
const zoom = computed(() =>
  page.value ? Math.min(width.value / page.value.width, height.value / page.value.height) : 1,
)
function turnTo(place: number) {
  asked = ''
  at.value = Math.max(0, Math.min(pages.value.length - 1, place))
}
const turn = (by: number) => turnTo(at.value + by)
function leave() {
  if (document.fullscreenElement) void document.exitFullscreen()
  void router.push(`/reports/${id}?page=${pageId.value}`)
}
useEventListener(window, 'keydown', (event: KeyboardEvent) => {
  const target = event.target as HTMLElement
  const isInChart = target.closest('svg.chart[tabindex]') !== null
  const by = { ArrowRight: 1, ArrowDown: 1, PageDown: 1, ' ': 1, ArrowLeft: -1, ArrowUp: -1, PageUp: -1 }[event.key]
  if (event.key === 'Escape') leave()
  else if (event.key === 'Home') turnTo(0)
  else if (event.key === 'End') turnTo(pages.value.length - 1)
  // Within a chart the arrows go from row to row; the space key presses the button that has the focus.
  else if (by && !(isInChart && event.key.startsWith('Arrow')) && !(event.key === ' ' && target.closest('button')))
    turn(by)
  else return
  event.preventDefault()
})
// Escape on the whole screen is taken by the browser, which tells only this.
useEventListener(document, 'fullscreenchange', () => !document.fullscreenElement && leave())
onMounted(() => {
  // Only a click may ask for the whole screen; without it the window itself is filled.
  void document.documentElement.requestFullscreen?.().catch(() => undefined)
})
onBeforeUnmount(() => {
  if (document.fullscreenElement) void document.exitFullscreen()
})
</script>

<template>
  <main class="fixed inset-0 flex items-center justify-center overflow-hidden bg-[#2b2e34]">
    <h1 class="sr-only">{{ report?.title ?? 'Report' }}</h1>
    <SentenceOfTrouble v-if="problem || undrawn" :says="problem || undrawn" />
    <PageSheet v-if="page" :page="page" :zoom="zoom" />
    <p v-else-if="report && !pages.length" class="text-panel">This report has no page.</p>
    <nav
      class="absolute top-1/2 right-1 flex -translate-y-1/2 flex-col items-center gap-1 rounded bg-ink px-1 py-2 text-[12px] text-panel transition-opacity focus-within:opacity-100"
      :class="idle ? 'opacity-0' : ''"
      aria-label="Pages">
      <button class="px-1" aria-label="Page back" :disabled="at === 0" @click="turn(-1)">‹</button>
      <span class="text-center" aria-live="polite">{{ at + 1 }} / {{ pages.length }}</span>
      <button class="px-1" aria-label="Page on" :disabled="at >= pages.length - 1" @click="turn(1)">›</button>
      <button class="px-1" title="Escape" @click="leave">End</button>
    </nav>
  </main>
</template>

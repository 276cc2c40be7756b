<script setup lang="ts">
import { computed, nextTick, onBeforeUnmount, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { ask, says } from '../../shared/api'
import SentenceOfTrouble from '../../shared/SentenceOfTrouble.vue'
import type { ReportDocument, SheetName } from '../document'
import PageSheet from '../page/PageSheet.vue'
import type { ReportPage } from '../types'
import { useReadReport } from './useReportPages'

/** All pages below one another, as the browser prints them. */
const route = useRoute()
const router = useRouter()
const id = Number(route.params.id)
const { report, problem, pages } = useReadReport(id)
const drawn = ref<ReportPage[]>([])
const failed = ref('')
const sheet = computed<SheetName>(() => (report.value?.document as ReportDocument | undefined)?.sheet ?? 'A4 across')
/** Of CSS: pixels of a point, so that a page fills its paper. */
const PAPER: Record<SheetName, { size: string; width: number }> = {
  'A4 across': { size: 'A4 landscape', width: 1122 },
  'A4 upright': { size: 'A4 portrait', width: 793 },
  '16:9': { size: '13.333in 7.5in', width: 1280 },
}
/** The size of the paper is part of the page, and leaves with it. */
const rules = new CSSStyleSheet()
watch(sheet, is => rules.replaceSync(`@page { size: ${PAPER[is].size}; margin: 0 }`), { immediate: true })
document.adoptedStyleSheets = [...document.adoptedStyleSheets, rules]
onBeforeUnmount(() => {
  document.adoptedStyleSheets = document.adoptedStyleSheets.filter(one => one !== rules)
})
const zoom = computed(() => PAPER[sheet.value].width / (drawn.value[0]?.width ?? 960))

watch(
  () => report.value !== null,
  async isThere => {
    if (!isThere) return
    document.title = report.value?.title ?? 'Report'
    try {
      const all: ReportPage[] = []
      for (const page of pages.value) all.push(await ask<ReportPage>('GET', `/reports/${id}/pages/${page.id}`))
      drawn.value = all
      await nextTick()
      await document.fonts.ready
      window.print()
    } catch (error) {
      failed.value = says(error)
    }
  },
  { immediate: true },
)
</script>

<template>
  <main class="bg-paper print:bg-panel" @keydown.esc="router.push(`/reports/${id}`)">
    <header class="flex items-center gap-4 p-4 print:hidden">
      <RouterLink class="link" :to="`/reports/${id}`">Back to the report</RouterLink>
      <span class="text-quiet">{{
        drawn.length < pages.length ? 'Drawing the pages…' : `${drawn.length} pages are ready to print.`
      }}</span>
    </header>
    <h1 class="sr-only">{{ report?.title ?? 'Report' }}</h1>
    <SentenceOfTrouble v-if="problem || failed" class="m-4" :says="problem || failed" />
    <div
      v-for="page in drawn"
      :key="page.id"
      class="printed mx-auto mb-6 w-max border border-hairline print:m-0 print:border-0">
      <PageSheet :page="page" :zoom="zoom" />
    </div>
  </main>
</template>

<style scoped>
@media print {
  .printed {
    break-after: page;
    break-inside: avoid;
    overflow: hidden;
  }
  .printed:last-child {
    break-after: auto;
  }
}
</style>

<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useTextareaAutosize } from '@vueuse/core'
import type { ReportDocument, SheetName } from '../document'
import type { Report, ReportChanges, ReportFinding, Settlement } from '../types'
import IssueList from './IssueList.vue'
import PageOutline from './PageOutline.vue'
import SettleList from './SettleList.vue'

/** The report as a whole: its pages, what has to be settled before it goes out, what was issued. */
const props = defineProps<{
  report: Report
  document: ReportDocument
  page: string
  settlement: Settlement | null
  isLooking: boolean
  isSaving: boolean
  changes: ReportChanges | null
}>()
const emit = defineEmits<{
  title: [title: string]
  sheet: [sheet: SheetName]
  go: [page: string, block?: string]
  addPage: []
  renamePage: [page: string, title: string]
  movePage: [page: string, by: number]
  removePage: [page: string]
  take: [finding: ReportFinding]
  accept: [finding: ReportFinding, reason: string]
  withdraw: [finding: ReportFinding]
  issue: []
  compare: [from: number, to: string]
  closeChanges: []
}>()
/** The title takes as many lines as it needs. */
const title = ref(props.document.report)
const { textarea: field } = useTextareaAutosize({ input: title })
watch(
  () => props.document.report,
  is => (title.value = is),
)
const saved = computed(() => {
  const at = new Date(props.report.savedAt)
  return props.isSaving ? 'saving…' : `saved ${at.toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' })}`
})
const open = computed(() => (props.settlement?.findings ?? []).filter(one => !one.accepted))
</script>

<template>
  <aside
    tabindex="-1"
    class="w-[264px] shrink-0 overflow-y-auto border-r-2 border-accent/35 px-7 pt-6 pb-8 max-lg:w-[196px] max-lg:px-3.5 print:hidden"
    aria-label="Report">
    <textarea
      ref="field"
      v-model="title"
      rows="1"
      class="-ml-1.5 block w-[calc(100%+12px)] resize-none overflow-hidden rounded border border-transparent bg-transparent px-1.5 pb-1 font-serif text-[21px] leading-[1.25] hover:border-[#cfc8bb] focus:border-accent focus:bg-panel focus:outline-none"
      maxlength="200"
      aria-label="Title of the report"
      @keydown.enter.prevent="field?.blur()"
      @change="emit('title', title)" />
    <p class="text-[12px] text-quiet">
      {{ document.organisation ? `${document.organisation} · ` : '' }}draft, {{ saved }}
    </p>

    <PageOutline
      :document="document"
      :page="page"
      :findings="open"
      :changes="changes"
      @go="emit('go', $event)"
      @add="emit('addPage')"
      @rename="(id, title) => emit('renamePage', id, title)"
      @move="(id, by) => emit('movePage', id, by)"
      @remove="emit('removePage', $event)" />
    <SettleList
      :settlement="settlement"
      :is-looking="isLooking"
      :document="document"
      @go="(to, block) => emit('go', to, block)"
      @take="emit('take', $event)"
      @accept="(one, reason) => emit('accept', one, reason)"
      @withdraw="emit('withdraw', $event)" />
    <IssueList
      :report="report"
      :open="open.length"
      :changes="changes"
      @issue="emit('issue')"
      @compare="(from, to) => emit('compare', from, to)"
      @close="emit('closeChanges')" />
    <label class="label mt-6 block" for="sheet">Paper</label>
    <select
      id="sheet"
      class="setting"
      :value="document.sheet ?? 'A4 across'"
      @change="emit('sheet', ($event.target as HTMLSelectElement).value as SheetName)">
      <option>A4 across</option>
      <option>A4 upright</option>
      <option>16:9</option>
    </select>
  </aside>
</template>

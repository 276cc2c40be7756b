<script setup lang="ts">
import { computed, defineAsyncComponent, nextTick, ref, shallowRef, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { refDebounced, useElementSize, useEventListener, useMediaQuery } from '@vueuse/core'
import { ask } from '../../shared/api'
import ClosingControl from '../../shared/ClosingControl.vue'
import SentenceOfTrouble from '../../shared/SentenceOfTrouble.vue'
import TopBar from '../../shared/TopBar.vue'
import type { Drawing } from '../../shared/types'
import { useDrop } from '../../shared/useDrop'
import { useKeys } from '../../shared/useKeys'
import { useLoad } from '../../shared/useLoad'
import { useToast } from '../../shared/useToast'
import AboutSentence from '../about/AboutSentence.vue'
import { findBlock, newId, parts, textOf, told, withBlock, withPage, withPageMoved, type Block } from '../document'
import ChartOfPageMargin from '../margin/ChartOfPageMargin.vue'
import ReportMargin from '../margin/ReportMargin.vue'
import PageEditor from '../page/PageEditor.vue'
import type { Report, ReportChanges, ReportFinding, ReportPage, Settlement } from '../types'
import ReportMenu from './ReportMenu.vue'
import { useReport } from './useReport'
import { useZoom } from './useZoom'

const BlockEditor = defineAsyncComponent(() => import('../edit/BlockEditor.vue'))
const FiguresEditor = defineAsyncComponent(() => import('../edit/FiguresEditor.vue'))
const RollSheet = defineAsyncComponent(() => import('../roll/RollSheet.vue'))
const IssueSheet = defineAsyncComponent(() => import('../roll/IssueSheet.vue'))
const DeckSheet = defineAsyncComponent(() => import('../slides/DeckSheet.vue'))
const TemplateSheet = defineAsyncComponent(() => import('../slides/TemplateSheet.vue'))
const ChangesList = defineAsyncComponent(() => import('../margin/ChangesList.vue'))
const ReadColumn = defineAsyncComponent(() => import('../present/ReadColumn.vue'))

const route = useRoute()
const router = useRouter()
const { tell } = useToast()
const id = Number(route.params.id)
const {
  report,
  document: own,
  problem,
  clash,
  isSaving,
  sign,
  edit,
  run,
  load,
  putOnTop,
  takeTheirs,
  undo,
  redo,
} = useReport(id)
watch(own, is => is && (document.title = `${is.report} – Keen Margin`))

/** Narrow screens read a report, and change nothing. */
const isNarrow = useMediaQuery('(max-width: 700px)')

const pages = computed(() => own.value?.pages ?? [])
const current = computed(() => pages.value.find(page => page.id === route.query.page) ?? pages.value[0] ?? null)
const pageId = computed(() => current.value?.id ?? '')
function go(page: string, block = '') {
  void router.replace({ query: { ...route.query, page } })
  if (block) void nextTick(() => reveal(block))
}
function reveal(block: string) {
  window.setTimeout(() => {
    const place = window.document.querySelector(`[data-block="${block}"]`)
    place?.scrollIntoView({ block: 'center', behavior: 'smooth' })
    place?.querySelector<HTMLElement>('[tabindex="0"][role="group"]')?.focus({ preventScroll: true })
  }, 250)
}

const frame = ref<HTMLElement | null>(null)
const { width } = useElementSize(frame)
const { value: drawn, problem: undrawn } = useLoad(
  () => ['reports', id, 'pages', pageId.value, sign.value],
  signal => ask<ReportPage>('GET', `/reports/${id}/pages/${pageId.value}`, { signal }),
  { isAsked: () => pageId.value !== '' && sign.value !== '' && !isNarrow.value, keepsPrevious: true, isFresh: true },
)
const zoom = useZoom(width, drawn)

/** All pages are looked through once changes have come to rest. */
const REST = 1200
const rested = refDebounced(sign, REST)
const lookedAt = computed(() => rested.value || sign.value)
const { value: settlement, isLoading: isLooking } = useLoad(
  () => ['reports', id, 'findings', lookedAt.value, JSON.stringify(own.value?.accepted ?? [])],
  signal => ask<Settlement>('GET', `/reports/${id}/findings`, { signal, isShown: true }),
  { isAsked: () => sign.value !== '' && !isNarrow.value, keepsPrevious: true, isFresh: true },
)

/** What changed since an issued report; asked by the address, so that it can be linked to. */
const compared = computed(() => {
  const [from, to] = String(route.query.since ?? '').split('-')
  return from ? { from: Number(from), to: to ?? 'draft' } : null
})
const { value: asked } = useLoad(
  () => ['reports', id, 'changes', compared.value, sign.value],
  signal =>
    ask<ReportChanges>('GET', `/reports/${id}/changes?from=${compared.value?.from}&to=${compared.value?.to}`, {
      signal,
    }),
  { isAsked: () => compared.value !== null && sign.value !== '', keepsPrevious: true, isFresh: true },
)
const changes = computed(() => (compared.value ? asked.value : null))

/** The block that is changed: its question stands in place of the page's, its margin in place of the report's. */
const editing = ref('')
const editedBlock = computed(() =>
  editing.value && own.value ? (findBlock(own.value, editing.value)?.block ?? null) : null,
)
const editedChart = computed(() => (editedBlock.value?.chart !== undefined ? editedBlock.value : null))
const editedPlace = computed(() => drawn.value?.blocks.find(one => one.id === editing.value) ?? null)
const editedFigures = computed(() => (editedBlock.value?.figures ? editedBlock.value : null))
const chartDrawing = shallowRef<Drawing | null>(null)
const chartDataset = ref(0)
/** The row that a note is to be written about, once the chart's margin is there. */
const noted = ref('')
watch(pageId, () => (editing.value = ''))
watch(editing, () => (chartDrawing.value = null))
function close() {
  const was = editing.value
  editing.value = noted.value = ''
  void nextTick(() =>
    window.document.querySelector<HTMLElement>(`[data-block="${was}"] [role="group"][tabindex="0"]`)?.focus(),
  )
}

const rollTo = ref<string | null>(null)
const isIssuing = ref(false)

function addPage() {
  const page = { id: newId('p'), title: `Page ${pages.value.length + 1}` }
  void edit(of => ({ ...of, pages: [...(of.pages ?? []), page] }), 'A page is added').then(() => go(page.id))
}
function removePage(page: string) {
  const title = pages.value.find(one => one.id === page)?.title ?? 'The page'
  void edit(of => ({ ...of, pages: (of.pages ?? []).filter(one => one.id !== page) }), `“${title}” is deleted`)
  tell(`“${title}” is deleted.`, { label: 'Undo', do: () => void undo() })
}
/** Takes the number that a text says wrongly as it is now. */
function take(finding: ReportFinding) {
  const { now, exact, number: place } = finding
  if (now === null || exact === null || place === null) return
  void edit(of => {
    const change = (text: Parameters<typeof parts>[0]) => {
      let at = -1
      return textOf(
        parts(text).map(part => {
          if (typeof part === 'string') return part
          at++
          return at === place ? { ...part, said: now, exact } : part
        }),
      )
    }
    return finding.block
      ? withBlock(of, finding.block, block => ({ ...block, text: change(block.text) ?? '' }))
      : withPage(of, finding.page, page => ({ ...page, message: change(page.message) }))
  }, `${now} is taken into a text`)
}
const accept = (finding: ReportFinding, reason: string) =>
  run(() => ask<Report>('PUT', `/reports/${id}/acceptances`, { body: { finding: finding.key, reason } }))
const withdraw = (finding: ReportFinding) =>
  run(() => ask<Report>('DELETE', `/reports/${id}/acceptances`, { body: { finding: finding.key } }))
async function roll() {
  const to = rollTo.value
  rollTo.value = null
  const label = report.value?.closing?.label
  const version = report.value?.version
  const isDone = await run(() => ask<Report>('POST', `/reports/${id}/roll`, { version, body: { to } }))
  if (isDone && report.value?.closing?.label !== label)
    tell(`Rolled on to ${report.value?.closing?.label}.`, { label: 'Undo', do: () => void undo() })
}
async function issue() {
  isIssuing.value = false
  const version = report.value?.version
  const isDone = await run(() => ask<Report>('POST', `/reports/${id}/issues`, { version }))
  if (isDone) tell(`${report.value?.issues[0]?.closing || 'The report'} is issued. It will never change.`)
}
function pin(isPinned: boolean) {
  const key = report.value?.closing?.key
  void edit(
    of => told({ ...of, closedThrough: isPinned ? key : undefined }) as typeof of,
    isPinned ? 'The report is pinned to its closing period' : 'The report follows its datasets',
  )
}
const compare = (from: number, to: string) => void router.replace({ query: { ...route.query, since: `${from}-${to}` } })
const closeChanges = () => void router.replace({ query: { ...route.query, since: undefined } })
function refuse(says: string) {
  problem.value = says
}
async function stepPage(by: number) {
  const at = pages.value.findIndex(page => page.id === pageId.value)
  const next = pages.value[at + by]
  if (next) go(next.id)
}
function changeBlock(block: Block) {
  void edit(of => withBlock(of, block.id, () => block), 'A chart of the report is changed')
}

/** A deck that was made of the report, and is brought up to date. */
const deck = ref<File | null>(null)
const isChoosingTemplate = ref(false)
useDrop(
  file => (deck.value = file),
  () => undefined,
)

useKeys({
  'mod+z': () => void undo(),
  'mod+shift+z': () => void redo(),
  'mod+y': () => void redo(),
  '[': () => report.value?.closing && (rollTo.value = report.value.closing.back),
  ']': () => report.value?.closing && (rollTo.value = report.value.closing.on),
  PageDown: () => void stepPage(1),
  PageUp: () => void stepPage(-1),
  p: () => void router.push(`/reports/${id}/present?page=${pageId.value}`),
  'mod+p': () => void router.push(`/reports/${id}/print`),
})
useEventListener(window, 'keydown', (event: KeyboardEvent) => {
  const isWithin = (event.target as HTMLElement).closest('[role=dialog], [role=listbox], .sheet')
  if (event.key === 'Escape' && !event.defaultPrevented && editing.value && !isWithin) close()
})
</script>

<template>
  <ReadColumn v-if="isNarrow && report && own" :report="report" :document="own" :sign="sign" />
  <div v-else class="flex h-screen min-w-[720px] flex-col print:block print:h-auto print:min-w-0">
    <TopBar area="reports" class="print:hidden">
      <ClosingControl
        v-if="report?.closing"
        :closing="report.closing"
        :pinned="report.closing.isPinned"
        what="report"
        can-pin
        @move="rollTo = $event"
        @pin="pin" />
      <button
        class="button"
        :disabled="!report?.undo"
        :title="report?.undo ? `Undo: ${report.undo}` : 'Ctrl+Z'"
        @click="undo">
        Undo
      </button>
      <button class="button" :disabled="!report?.redo" title="Ctrl+Shift+Z" @click="redo">Redo</button>
      <RouterLink class="button" :to="`/reports/${id}/present?page=${pageId}`" title="p">Present</RouterLink>
      <ReportMenu
        v-if="report"
        :report="report"
        :page="pageId"
        @deck="deck = $event"
        @template="isChoosingTemplate = true" />
    </TopBar>
    <div class="flex min-h-0 flex-1 print:block">
      <ChartOfPageMargin
        v-if="editedChart && chartDrawing"
        :drawing="chartDrawing"
        :dataset="chartDataset"
        :noted="noted"
        @close="close"
        @fresh="load" />
      <ReportMargin
        v-else-if="report && own"
        :report="report"
        :document="own"
        :page="pageId"
        :settlement="settlement"
        :is-looking="isLooking"
        :is-saving="isSaving"
        :changes="changes"
        @title="
          text => text.trim() && edit(of => ({ ...of, report: text.trim() }), `The report is called “${text.trim()}”`)
        "
        @sheet="sheet => edit(of => ({ ...of, sheet }), `The paper is ${sheet}`)"
        @go="go"
        @add-page="addPage"
        @rename-page="
          (page, title) =>
            edit(of => withPage(of, page, one => ({ ...one, title: title || undefined })), 'A page is renamed')
        "
        @move-page="(page, by) => edit(of => withPageMoved(of, page, by), 'A page is moved')"
        @remove-page="removePage"
        @take="take"
        @accept="accept"
        @withdraw="withdraw"
        @issue="isIssuing = true"
        @compare="compare"
        @close-changes="closeChanges" />
      <main
        class="min-w-0 flex-1 [scrollbar-gutter:stable] overflow-y-auto px-7 pt-4 pb-10 max-lg:px-4 print:overflow-visible print:p-0">
        <h1 v-if="own" class="sr-only">{{ own.report }}</h1>
        <SentenceOfTrouble
          v-if="problem || undrawn"
          class="mb-4"
          :says="problem || undrawn"
          retry="Load again"
          @retry="load" />
        <div v-if="clash" class="mb-4 rounded-md border border-accent/40 bg-accent-tint px-4 py-3" role="alert">
          <p class="mb-2">Somebody else changed the same part of this report meanwhile. Yours is not saved yet.</p>
          <p class="flex gap-3">
            <button class="button button-strong" @click="putOnTop">Put mine on top</button>
            <button class="button" @click="takeTheirs">Take theirs</button>
          </p>
        </div>
        <ChangesList
          v-if="changes && report && own"
          :changes="changes"
          :report="report"
          :document="own"
          @go="go"
          @close="closeChanges" />
        <div ref="frame" class="max-w-[1540px]">
          <BlockEditor
            v-if="editedChart"
            :key="editing"
            :block="editedChart"
            :sign="sign"
            :asked="editedPlace?.recipe ?? null"
            :about="{ ...own?.about, ...current?.about }"
            :cannot="editedPlace?.cannot ?? []"
            @change="changeBlock"
            @drawn="(is, of) => ((chartDrawing = is), (chartDataset = of))"
            @fresh="load"
            @close="close" />
          <template v-else-if="report && own && drawn && current && drawn.id === pageId">
            <AboutSentence
              class="mb-3 print:hidden"
              :sentence="drawn.about"
              :report="report"
              :about="current.about ?? {}"
              :scale="current.scale ?? ''"
              @change="
                about =>
                  edit(of => withPage(of, pageId, page => ({ ...page, about })), 'What a page is about is changed')
              "
              @scale="
                scale =>
                  edit(of => withPage(of, pageId, page => ({ ...page, scale })), 'The scale of a page is changed')
              " />
          </template>
          <PageEditor
            v-if="drawn && current && own"
            :page="drawn"
            :own="current"
            :document="own"
            :report="id"
            :zoom="zoom"
            :editing="editing"
            :changes="changes?.differences ?? []"
            @edit="edit"
            @open="editing = $event"
            @note="(block, row) => ((editing = block), (noted = row))"
            @trouble="refuse"
            @undo="undo"
            @go="go" />
          <div v-else-if="own && !pages.length" class="max-w-md border-l-2 border-accent/35 py-1 pl-5">
            <p class="mb-3">This report has no page. The first one takes a message, charts, key figures and text.</p>
            <button class="button button-strong" @click="addPage">Add a page</button>
          </div>
          <p v-else-if="!problem" class="py-16 text-center text-quiet">Drawing…</p>
          <AboutSentence
            v-if="report && own && pages.length && !editedChart"
            class="mt-4 text-quiet print:hidden"
            :sentence="report.about"
            :report="report"
            :about="own.about ?? {}"
            :scale="own.scale ?? 'one'"
            is-of-report
            @change="about => edit(of => told({ ...of, about }) as typeof of, 'What the report is about is changed')"
            @scale="scale => edit(of => ({ ...of, scale }), 'The scale of the report is changed')" />
        </div>
      </main>
    </div>
    <FiguresEditor
      v-if="editedFigures"
      :block="editedFigures"
      @change="block => (changeBlock(block), close())"
      @close="close" />
    <TemplateSheet v-if="isChoosingTemplate" @close="isChoosingTemplate = false" />
    <DeckSheet v-if="deck" :report="id" :deck="deck" @close="deck = null" />
    <RollSheet v-if="rollTo" :report="id" :to="rollTo" :sign="sign" @roll="roll" @close="rollTo = null" />
    <IssueSheet
      v-if="isIssuing && report"
      :report="report"
      :settlement="settlement"
      @issue="issue"
      @close="isIssuing = false" />
  </div>
</template>

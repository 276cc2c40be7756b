<script setup lang="ts">
import { computed, nextTick, ref, shallowRef, watch } from 'vue'
import { useEventListener } from '@vueuse/core'
import { pageType } from '../../shared/notation'
import AddBlock from '../edit/AddBlock.vue'
import BlockTools from '../edit/BlockTools.vue'
import {
  findBlock,
  MOST_BLOCKS,
  withBlock,
  withBlockAt,
  withBlockIn,
  withBlockMoved,
  withPage,
  withRow,
  withRowMoved,
  withSecondPage,
  type Block,
  type LiveText,
  type Page,
  type ReportDocument,
} from '../document'
import LiveTextEditor from '../text/LiveTextEditor.vue'
import NumberSearch from '../text/NumberSearch.vue'
import type { NumberOffer, PageBlock, ReportDifference, ReportPage } from '../types'
import { copyAddress, copyBlock } from './copyBlock'
import PageSheet from './PageSheet.vue'

/** A page that is changed where it stands: its message and texts are written, blocks added, moved and taken away. */
const props = defineProps<{
  page: ReportPage
  own: Page
  document: ReportDocument
  report: number
  zoom: number
  editing: string
  changes: ReportDifference[]
}>()
const emit = defineEmits<{
  edit: [change: (of: ReportDocument) => ReportDocument, does: string]
  open: [block: string]
  note: [block: string, row: string]
  trouble: [says: string]
  undo: []
  go: [page: string]
}>()

/** Points from the top of a sheet to the field that its message is written in. */
const MESSAGE_TOP = 21
/** `message`, or the id of a text block that is written. */
const writing = ref('')
const editor = ref<InstanceType<typeof LiveTextEditor> | InstanceType<typeof LiveTextEditor>[] | null>(null)
watch(
  () => props.page.id,
  () => (writing.value = ''),
)

const ownBlock = (id: string) => findBlock(props.document, id)?.block ?? null
const rowOf = (id: string) => props.own.rows?.find(row => row.blocks.some(block => block.id === id))
const isAlone = (id: string) => (rowOf(id)?.blocks.length ?? 1) === 1
const changedIn = (id: string) => props.changes.filter(one => one.page === props.page.id && one.block === id).length
const isMessageChanged = computed(() => props.changes.some(one => one.page === props.page.id && one.kind === 'message'))
const shownOf = (inBlock: string) => (place: number) =>
  props.page.numbers.find(one => one.in === inBlock && one.place === place)?.shown

async function open(block: PageBlock) {
  if (block.kind === 'text') writing.value = block.id
  else emit('open', block.id)
}
function saveMessage(text: LiveText | undefined) {
  writing.value = ''
  if (JSON.stringify(text ?? '') !== JSON.stringify(props.own.message ?? ''))
    emit('edit', of => withPage(of, props.page.id, page => ({ ...page, message: text })), 'A message is written')
}
function saveText(id: string, text: LiveText | undefined) {
  writing.value = ''
  if (JSON.stringify(text ?? '') !== JSON.stringify(ownBlock(id)?.text ?? ''))
    emit('edit', of => withBlock(of, id, block => ({ ...block, text: text ?? '' })), 'A text is written')
}
function add(after: string | null, block: Block) {
  emit('edit', of => withRow(of, props.page.id, after, block), 'A block is added')
  if (block.text !== undefined) void nextTick(() => (writing.value = block.id))
}
function addIn(row: string, block: Block) {
  emit('edit', of => withBlockIn(of, row, block), 'A block is added')
  if (block.text !== undefined) void nextTick(() => (writing.value = block.id))
}
const move = (id: string, way: 'left' | 'right' | 'up' | 'down') => {
  emit('edit', of => withBlockMoved(of, id, way), 'A block is moved')
  refocus(id)
}
function refocus(id: string) {
  void nextTick(() =>
    window.document.querySelector<HTMLElement>(`[data-block="${id}"] .tools`)?.focus({ preventScroll: true }),
  )
}
const remove = (id: string) => emit('edit', of => withBlock(of, id, () => null), 'A block is taken away')
const setWidth = (id: string, width: number) => {
  emit(
    'edit',
    of => withBlock(of, id, block => ({ ...block, width: width === 1 ? undefined : width })),
    'The width of a block is changed',
  )
  refocus(id)
}

/** Rows as they stand on the sheet, with where the next one could be. */
const rows = computed(() => {
  const places = new Map<string, { id: string; top: number; bottom: number; right: number; count: number }>()
  for (const block of props.page.blocks) {
    const known = places.get(block.row)
    places.set(block.row, {
      id: block.row,
      top: Math.min(block.top, known?.top ?? Infinity),
      bottom: Math.max(block.top + block.height, known?.bottom ?? 0),
      right: block.left + block.width,
      count: props.own.rows?.find(row => row.id === block.row)?.blocks.length ?? 1,
    })
  }
  return [...places.values()]
})
/** Points by which blocks reach beyond the sheet. */
const beyond = computed(() => Math.max(0, ...rows.value.map(row => row.bottom - props.page.height)))
/** The row from which on a page that is too full would go on on a second one. */
const cutAt = computed(() => {
  const limit = props.page.height - pageType.foot
  const first = rows.value.findIndex(row => row.bottom > limit + 1)
  return rows.value[Math.max(1, first)]?.id ?? null
})

/** A block that is dragged by its handle, and where it would be put. */
const dragged = shallowRef<{ id: string; row: string; before: string | null } | null>(null)
function grab(id: string, event: PointerEvent) {
  dragged.value = { id, row: rowOf(id)?.id ?? '', before: id }
  ;(event.target as Element).releasePointerCapture?.(event.pointerId)
}
useEventListener(window, 'pointermove', (event: PointerEvent) => {
  if (!dragged.value) return
  const over = window.document
    .elementsFromPoint(event.clientX, event.clientY)
    .map(element => element.closest<HTMLElement>('[data-block]'))
    .find(element => element !== null)
  if (!over) return
  const placed = props.page.blocks.find(block => block.id === over.dataset.block)
  if (!placed) return
  const box = over.getBoundingClientRect()
  const row = rowOf(placed.id)
  const at = row?.blocks.findIndex(block => block.id === placed.id) ?? 0
  const isBefore = event.clientX < box.left + box.width / 2
  dragged.value = {
    id: dragged.value.id,
    row: placed.row,
    before: isBefore ? placed.id : (row?.blocks[at + 1]?.id ?? null),
  }
})
useEventListener(window, 'pointerup', () => {
  const drop = dragged.value
  dragged.value = null
  if (drop && drop.before !== drop.id)
    emit('edit', of => withBlockAt(of, drop.id, drop.row, drop.before), 'A block is moved')
})
/** A row that is dragged by its handle goes where the pointer is let go. */
const draggedRow = ref('')
const overRow = ref(-1)
const sheet = ref<HTMLElement | null>(null)
useEventListener(window, 'pointermove', (event: PointerEvent) => {
  if (!draggedRow.value || !sheet.value) return
  const top = sheet.value.querySelector('article')?.getBoundingClientRect().top ?? 0
  const y = (event.clientY - top) / props.zoom
  overRow.value = rows.value.filter(row => (row.top + row.bottom) / 2 < y).length
})
useEventListener(window, 'pointerup', () => {
  const [id, to] = [draggedRow.value, overRow.value]
  draggedRow.value = ''
  overRow.value = -1
  const from = rows.value.findIndex(row => row.id === id)
  if (from >= 0 && to >= 0) moveRow(id, to > from ? to - 1 - from : to - from)
})
function moveRow(id: string, by: number) {
  if (!by) return
  emit('edit', of => withRowMoved(of, props.page.id, id, by), 'A row is moved')
  movedRow.value = id
}
/** The row that was moved keeps the focus: its handle loses it where the page is laid out anew. */
const movedRow = ref('')
watch(
  () => rows.value.map(row => row.id).join(),
  () => {
    if (!movedRow.value) return
    window.document.querySelector<HTMLElement>(`[data-row="${movedRow.value}"]`)?.focus({ preventScroll: true })
    movedRow.value = ''
  },
  { flush: 'post' },
)
const rowLine = computed(() => {
  if (!draggedRow.value || overRow.value < 0) return null
  const next = rows.value[overRow.value]
  const last = rows.value[rows.value.length - 1]
  const y = next ? next.top - 8 : (last?.bottom ?? 0) + 8
  return {
    left: `${props.page.left * props.zoom}px`,
    width: `${props.page.contentWidth * props.zoom}px`,
    top: `${y * props.zoom}px`,
  }
})
const dropLine = computed(() => {
  const drop = dragged.value
  if (!drop) return null
  const inRow = props.page.blocks.filter(block => block.row === drop.row)
  const before = inRow.find(block => block.id === drop.before)
  const last = inRow[inRow.length - 1]
  const place = before ?? last
  if (!place) return null
  return {
    left: `${((before ? before.left - 11 : place.left + place.width + 6) as number) * props.zoom}px`,
    top: `${place.top * props.zoom}px`,
    height: `${place.height * props.zoom}px`,
  }
})

/** Pointing at a row of a chart while a text is written takes a number of it. */
const taking = shallowRef<{ of: string; row: string } | null>(null)
function insert(offer: NumberOffer) {
  taking.value = null
  const one = Array.isArray(editor.value) ? editor.value[0] : editor.value
  one?.insert(offer)
}
</script>

<template>
  <div ref="sheet" class="relative">
    <p v-if="page.over" class="mb-2 flex flex-wrap items-center gap-3 print:hidden" role="status">
      <span class="font-semibold text-unfavourable-text" aria-hidden="true">!</span>
      This page is too full, by {{ page.over }}.
      <button
        v-if="cutAt"
        class="button"
        @click="emit('edit', of => withSecondPage(of, page.id, cutAt!), 'A page is divided in two')">
        Continue on a second page
      </button>
    </p>
    <PageSheet
      class="border border-hairline print:border-0"
      :style="{ marginBottom: `${beyond * zoom}px` }"
      :page="page"
      :zoom="zoom"
      :takes="writing !== ''"
      @open="writing ? undefined : open($event)"
      @note="(block, row) => emit('note', block.id, row)"
      @take="(block, row) => (taking = { of: block.id, row })">
      <template #head>
        <LiveTextEditor
          v-if="writing === 'message'"
          ref="editor"
          class="absolute! z-20 bg-panel font-serif font-medium"
          :style="{
            left: `${page.left * zoom}px`,
            top: `${MESSAGE_TOP * zoom}px`,
            width: `${page.contentWidth * zoom}px`,
            fontSize: `${pageType.message * zoom}px`,
            lineHeight: `${pageType.messageLine * zoom}px`,
          }"
          label="Message of the page"
          :text="own.message"
          :report="report"
          :page="page.id"
          :shown="shownOf('')"
          @save="saveMessage"
          @drop="writing = ''" />
        <button
          v-else
          class="absolute rounded border border-transparent hover:border-accent/35 print:hidden"
          :class="isMessageChanged ? 'border-accent/60' : ''"
          :style="{
            left: `${(page.left - 6) * zoom}px`,
            top: `${14 * zoom}px`,
            width: `${(page.contentWidth + 12) * zoom}px`,
            height: `${(page.messageBottom - 18) * zoom}px`,
          }"
          :aria-label="`Write the message: ${page.says || 'none yet'}`"
          @click="writing = 'message'" />
      </template>
      <template #block="{ block }">
        <div v-if="writing === block.id" class="absolute inset-0 z-20">
          <LiveTextEditor
            ref="editor"
            class="bg-panel"
            :style="{ fontSize: `${pageType.text * zoom}px`, lineHeight: `${pageType.textLine * zoom}px` }"
            label="Text"
            is-long
            :text="ownBlock(block.id)?.text"
            :report="report"
            :page="page.id"
            :shown="shownOf(block.id)"
            @save="saveText(block.id, $event)"
            @drop="writing = ''" />
        </div>
        <BlockTools
          v-else-if="ownBlock(block.id)"
          class="print:hidden"
          :class="editing === block.id ? 'border-accent!' : ''"
          :placed="block"
          :block="ownBlock(block.id)!"
          :is-alone="isAlone(block.id)"
          :changed="changedIn(block.id)"
          @edit="open(block)"
          @move="move(block.id, $event)"
          @width="setWidth(block.id, $event)"
          @remove="remove(block.id)"
          @copy="copyBlock(report, block)"
          @address="copyAddress(report, block)"
          @drag="grab(block.id, $event)" />
      </template>
      <button
        v-for="(row, i) in rows.length > 1 ? rows : []"
        :key="`handle-${row.id}`"
        class="row-handle absolute z-10 -translate-x-full cursor-grab px-1 text-[12px] text-quiet opacity-0 hover:text-accent hover:opacity-100 focus-visible:opacity-100 print:hidden"
        :data-row="row.id"
        :aria-label="`Row ${i + 1} of ${rows.length}: drag it, or move it with the arrow keys`"
        title="Drag the row; arrow keys do the same"
        :style="{
          left: `${(page.left - 2) * zoom}px`,
          top: `${row.top * zoom}px`,
          height: `${(row.bottom - row.top) * zoom}px`,
        }"
        @keydown.up.prevent="moveRow(row.id, -1)"
        @keydown.down.prevent="moveRow(row.id, 1)"
        @pointerdown.prevent="draggedRow = row.id">
        ⣿
      </button>
      <div v-if="rowLine !== null" class="absolute z-20 h-0.5 bg-accent" :style="rowLine" />
      <div v-if="dropLine" class="absolute z-20 w-0.5 bg-accent" :style="dropLine" />
      <div
        v-for="(row, i) in rows"
        :key="row.id"
        class="adder absolute z-10 -translate-x-1/2 opacity-0 focus-within:z-40 focus-within:opacity-100 hover:opacity-100 print:hidden"
        :class="i === rows.length - 1 ? 'opacity-100' : ''"
        :style="{
          left: `${(page.left + page.contentWidth / 2) * zoom}px`,
          top: `${Math.min((row.bottom + 1) * zoom, page.height * zoom - 30)}px`,
        }">
        <span class="flex items-center gap-1 rounded bg-panel px-1">
          <AddBlock label="add a row" is-quiet @add="add(row.id, $event)" @trouble="emit('trouble', $event)" />
          <AddBlock
            v-if="row.count < MOST_BLOCKS"
            label="add beside"
            is-quiet
            @add="addIn(row.id, $event)"
            @trouble="emit('trouble', $event)" />
        </span>
      </div>
      <div
        v-if="!rows.length"
        class="absolute print:hidden"
        :style="{ left: `${page.left * zoom}px`, top: `${(page.messageBottom + 30) * zoom}px` }">
        <p class="mb-3 text-quiet">Nothing stands on this page yet.</p>
        <AddBlock label="Add a block" @add="add(null, $event)" @trouble="emit('trouble', $event)" />
      </div>
    </PageSheet>
    <NumberSearch
      v-if="taking"
      :report="report"
      :page="page.id"
      :of="taking.of"
      :row="taking.row"
      @take="insert"
      @close="taking = null" />
  </div>
</template>

<script setup lang="ts">
import { nextTick, onBeforeUnmount, onMounted, ref } from 'vue'
import { useEventListener } from '@vueuse/core'
import { parts, textOf, type LiveNumber, type LiveText } from '../document'
import type { NumberOffer } from '../types'
import { readParts, writeParts } from './editable'
import NumberSearch from './NumberSearch.vue'

/**
 * A message or text that is written in place. Numbers stand in it as pieces of their own: taken from a chart by a search, or by
 * pointing at one, they follow it or are marked once they change.
 */
const props = defineProps<{
  text: LiveText | undefined
  report: number
  page: string
  label: string
  isLong?: boolean
  /** of each number, what it is now */
  shown: (place: number) => string | undefined
}>()
const emit = defineEmits<{ save: [text: LiveText | undefined]; drop: [] }>()
const field = ref<HTMLElement | null>(null)
const isSearching = ref(false)
const chosen = ref<{ at: number; left: number; top: number } | null>(null)
let numbers: LiveNumber[] = []
let caret: Range | null = null
let isDone = false

onMounted(async () => {
  if (!field.value) return
  numbers = writeParts(field.value, parts(props.text), props.shown)
  list()
  await nextTick()
  field.value.focus()
  getSelection()?.selectAllChildren(field.value)
  getSelection()?.collapseToEnd()
  remember()
})

function remember() {
  const selection = getSelection()
  if (selection?.rangeCount && field.value?.contains(selection.anchorNode)) caret = selection.getRangeAt(0).cloneRange()
}
function save() {
  if (isDone || !field.value) return
  isDone = true
  emit('save', textOf(readParts(field.value, numbers)))
}
onBeforeUnmount(save)
function drop() {
  isDone = true
  emit('drop')
}
/** Where one may go without leaving the text: its own search, and charts that numbers are taken from. */
const WITHIN = '[data-live-text], [role=dialog], svg.chart[tabindex]'
function left(event: FocusEvent) {
  const to = event.relatedTarget as HTMLElement | null
  if (!isSearching.value && to && !to.closest(WITHIN)) save()
}
useEventListener(window, 'pointerdown', (event: PointerEvent) => {
  if (!isSearching.value && !(event.target as Element).closest(WITHIN)) save()
})
/** From a chart that was pointed at, the keys of the text still keep or drop it. */
useEventListener(window, 'keydown', (event: KeyboardEvent) => {
  const target = event.target as HTMLElement
  if (event.defaultPrevented || target.closest('[data-live-text], [role=dialog]')) return
  if (event.key === 'Escape') drop()
})
function search() {
  remember()
  isSearching.value = true
}
/** A dialog that closes gives the focus back to where it was before: that comes first. */
const AFTER_DIALOG = 60
function back() {
  isSearching.value = false
  window.setTimeout(() => {
    field.value?.focus()
    if (!caret) return
    getSelection()?.removeAllRanges()
    getSelection()?.addRange(caret)
  }, AFTER_DIALOG)
}
/** Puts a number where the text cursor is. */
function insert(offer: NumberOffer) {
  if (!field.value) return
  const number: LiveNumber = {
    said: offer.said,
    of: offer.of,
    column: offer.column,
    exact: offer.exact,
    follows: true,
    ...(offer.isClosing ? { closing: true } : { row: offer.row }),
  }
  numbers.push(number)
  const piece = document.createElement('span')
  writeParts(piece, [number], () => offer.said, numbers.length - 1)
  const node = piece.firstChild
  if (!node) return
  const range = caret ?? document.createRange()
  if (!caret) {
    range.selectNodeContents(field.value)
    range.collapse(false)
  }
  range.deleteContents()
  range.insertNode(node)
  range.setStartAfter(node)
  range.collapse(true)
  caret = range
  list()
  back()
}
defineExpose({ insert })

function choose(event: MouseEvent) {
  const piece = (event.target as HTMLElement).closest<HTMLElement>('[data-number]')
  if (!piece || !field.value) return (chosen.value = null)
  chosen.value = { at: Number(piece.dataset.number), left: piece.offsetLeft, top: piece.offsetTop + piece.offsetHeight }
}
function turn(follows: boolean) {
  if (chosen.value) turnAt(chosen.value.at, follows)
  chosen.value = null
}
/** What is marked once it is another says what it was turned at. */
function turnAt(at: number, follows: boolean) {
  const number = numbers[at]
  const piece = pieceOf(at)
  if (!number || !piece) return
  numbers[at] = { ...number, follows }
  piece.setAttribute('data-follows', String(follows))
  list()
}
/** The numbers that stand in the text, for those who do not point. */
const listed = ref<{ at: number; said: string; follows: boolean }[]>([])
function list() {
  const pieces = [...(field.value?.querySelectorAll<HTMLElement>('[data-number]') ?? [])]
  listed.value = pieces.map(piece => {
    const at = Number(piece.dataset.number)
    return { at, said: piece.textContent ?? '', follows: numbers[at]?.follows !== false }
  })
}
function toText() {
  const at = chosen.value?.at
  if (at !== undefined) pieceOf(at)?.replaceWith(pieceOf(at)?.textContent ?? '')
  chosen.value = null
}
const pieceOf = (at: number) => field.value?.querySelector(`[data-number="${at}"]`) ?? null
const followsNow = () => (chosen.value ? numbers[chosen.value.at]?.follows !== false : true)

function key(event: KeyboardEvent) {
  const mod = event.ctrlKey || event.metaKey
  if (event.key === 'Escape') drop()
  else if (event.key === 'Enter' && (mod || !props.isLong)) save()
  else if (event.key === '#' || (mod && event.key.toLowerCase() === 'k')) search()
  else return
  event.preventDefault()
  event.stopPropagation()
}
</script>

<template>
  <div class="relative" data-live-text @focusout="left">
    <div
      ref="field"
      class="live min-h-[1.3em] rounded-sm outline-2 outline-offset-4 outline-accent"
      contenteditable="plaintext-only"
      role="textbox"
      :aria-multiline="isLong"
      :aria-label="label"
      spellcheck="false"
      @keydown="key"
      @input="list"
      @keyup="remember"
      @mouseup="remember"
      @click="choose" />
    <div v-if="chosen" class="sheet w-60 py-1.5" :style="{ left: `${chosen.left}px`, top: `${chosen.top}px` }">
      <button class="choice" :class="followsNow() ? 'choice-chosen' : ''" @mousedown.prevent="turn(true)">
        Follows its chart
      </button>
      <button class="choice" :class="followsNow() ? '' : 'choice-chosen'" @mousedown.prevent="turn(false)">
        Stays, and is marked once it is another
      </button>
      <button class="choice" @mousedown.prevent="toText">Make it plain text</button>
    </div>
    <div
      class="absolute top-full left-0 z-20 mt-2 flex w-max max-w-[560px] flex-wrap items-center gap-2 rounded-md border border-[#d9d2c6] bg-panel p-1.5 font-sans text-[12px] leading-5 shadow-sm">
      <button class="button bg-panel" title="#  or  Ctrl+K" @mousedown.prevent @click="search">Take a number</button>
      <button
        v-for="one in listed"
        :key="one.at"
        class="button bg-panel"
        :aria-pressed="one.follows"
        :title="
          one.follows ? 'It follows its chart; press to let it stay' : 'It stays, and is marked once it is another'
        "
        @mousedown.prevent
        @click="turnAt(one.at, !one.follows)">
        {{ one.said }} {{ one.follows ? 'follows' : 'stays' }}
      </button>
      <span class="px-1 text-quiet"
        >or click one in a chart · {{ isLong ? 'Ctrl+Enter' : 'Enter' }} keeps it, Escape does not{{
          isLong ? ' · - for lists, **for emphasis**' : ''
        }}</span
      >
    </div>
    <NumberSearch v-if="isSearching" :report="report" :page="page" @take="insert" @close="back" />
  </div>
</template>

<style scoped>
.live {
  white-space: pre-wrap;
  overflow-wrap: anywhere;
}
.live :deep([data-number]) {
  border-bottom: 1.5px solid var(--color-accent);
  background: var(--color-accent-tint);
  border-radius: 2px;
  padding: 0 1px;
  cursor: pointer;
}
.live :deep([data-follows='false']) {
  border-bottom-style: dotted;
}
</style>

<script setup lang="ts">
import { computed, nextTick, onMounted, ref, toRef, watch } from 'vue'
import { onClickOutside, onKeyStroke } from '@vueuse/core'
import type { Recipe, WorkingsTable } from '../../shared/types'
import { beside } from './beside'
import { canMove } from './rowSteps'
import { useRow } from './useRow'

/** What can be done with the selected row. */
const props = withDefaults(
  defineProps<{
    dataset: number
    recipe: Recipe
    table: WorkingsTable
    rowKey: string
    isHighlighted: boolean
    canOrder?: boolean
    left: number
    top: number
    right: number
    bottom: number
    width: number
  }>(),
  { canOrder: true },
)
const emit = defineEmits<{
  close: []
  note: []
  highlight: []
  move: [by: number]
  leaveOut: [recipe: Recipe]
  look: [recipe: Recipe, label: string]
  sources: []
  turn: [recipe: Recipe]
}>()
const WIDTH = 236
const menu = ref<HTMLElement | null>(null)
const row = computed(() => props.table.rows.find(row => row.key === props.rowKey))
const style = computed(() => beside(props, WIDTH))
const MOVABLE = ['row', 'group', 'step']
const isMember = computed(() => props.table.rowsAre !== 'Period' && props.canOrder)
const { about, problem } = useRow(toRef(props, 'dataset'), toRef(props, 'recipe'), toRef(props, 'rowKey'))

const buttons = () => [...(menu.value?.querySelectorAll<HTMLElement>('button:not(:disabled)') ?? [])]
function step(by: number) {
  const all = buttons()
  const at = all.indexOf(document.activeElement as HTMLElement)
  all[(at + by + all.length) % all.length]?.focus()
}
/** Keys of the menu: those that the kind gives its changes, and brackets that move the row. */
function press(event: KeyboardEvent) {
  if (event.ctrlKey || event.metaKey || event.altKey) return
  const by = event.key === '[' ? -1 : event.key === ']' ? 1 : 0
  const change = about.value?.changes.find(one => one.key === event.key)
  if (!change && !(by && isMember.value && canMove(props.table.rows, props.rowKey, by))) return
  event.preventDefault()
  event.stopPropagation()
  if (change) emit('turn', change.recipe)
  else emit('move', by)
}
onMounted(async () => (await nextTick(), buttons()[0]?.focus({ preventScroll: true })))
// Near the end of the room the menu would be cut off.
watch(about, async () => (await nextTick(), menu.value?.scrollIntoView?.({ block: 'nearest' })))
onClickOutside(menu, () => emit('close'))
// Also where the focus is elsewhere: a changed chart takes it away.
onKeyStroke('Escape', () => emit('close'))
</script>

<template>
  <div
    v-if="row"
    ref="menu"
    class="sheet m-0! py-1.5"
    :style="style"
    role="menu"
    :aria-label="`What to do with ${row.label}`"
    @keydown.escape.stop.prevent="emit('close')"
    @keydown.h="emit('highlight')"
    @keydown="press"
    @keydown.down.prevent="step(1)"
    @keydown.up.prevent="step(-1)">
    <p class="mb-1 border-b border-hairline px-3 pb-1.5 font-semibold break-words">{{ row.label }}</p>
    <button class="choice" role="menuitem" :disabled="about?.canNote === false" @click="emit('note')">
      <span class="flex-1">Write a note</span><kbd class="text-quiet">n</kbd>
    </button>
    <button class="choice" role="menuitem" @click="emit('highlight')">
      <span class="flex-1">{{ isHighlighted ? 'Highlight no more' : 'Highlight' }}</span><kbd class="text-quiet">h</kbd>
    </button>
    <template v-if="isMember && MOVABLE.includes(row.role)">
      <button class="choice" role="menuitem" :disabled="!canMove(table.rows, rowKey, -1)" @click="emit('move', -1)">
        <span class="flex-1">Move up</span><kbd class="text-quiet">[</kbd>
      </button>
      <button class="choice" role="menuitem" :disabled="!canMove(table.rows, rowKey, 1)" @click="emit('move', 1)">
        <span class="flex-1">Move down</span><kbd class="text-quiet">]</kbd>
      </button>
    </template>
    <button
      v-for="change in about?.changes ?? []"
      :key="change.label"
      class="choice"
      role="menuitem"
      @click="emit('turn', change.recipe)">
      <span class="flex-1">{{ change.label }}</span><kbd v-if="change.key" class="text-quiet">{{ change.key }}</kbd>
    </button>
    <button class="choice" role="menuitem" @click="emit('sources')">Source rows</button>
    <p v-if="problem" class="px-3 py-1 text-unfavourable-text" role="alert">{{ problem }}</p>
    <template v-if="about">
      <button
        v-if="about.without"
        class="choice"
        role="menuitem"
        @click="about.without && emit('leaveOut', about.without)">
        Leave it out
      </button>
      <p v-else class="px-3 py-1 text-[12px] text-quiet">It cannot be left out. {{ about.whyNot }}</p>
      <div
        v-if="about.deeper.length"
        role="group"
        aria-label="Look into it"
        class="mt-1 border-t border-hairline pt-1.5">
        <p class="label px-3">Look into it</p>
        <button
          v-for="way in about.deeper"
          :key="way.by"
          class="choice"
          role="menuitem"
          @click="emit('look', way.recipe, row.label)">
          {{ way.label }}
        </button>
      </div>
    </template>
  </div>
</template>

<script setup lang="ts">
import { computed, nextTick, ref, watch } from 'vue'
import { useTimeoutFn } from '@vueuse/core'
import type { Handle } from '../../shared/types'
import { amountAt, placeOf, stepped } from './handles'

/** Targets, goals and limits of bands that are moved on the chart itself, by pointer or arrow keys. */
const props = defineProps<{ handles: Handle[]; zoom: number; width: number }>()
const emit = defineEmits<{ move: [handle: Handle, amount: string]; rename: [handle: Handle, name: string] }>()

/** Which one is being moved, and to what; it is asked for once it rests. */
const moving = ref<{ index: number; amount: string } | null>(null)
const isDragged = ref(false)
watch(
  () => props.handles,
  () => (moving.value = null),
)
const shown = computed(() =>
  props.handles.map((handle, index) => {
    const amount = moving.value?.index === index ? moving.value.amount : handle.amount
    const place = placeOf(handle, Number(amount))
    const isLine = !handle.centre && handle.isHorizontal
    return { handle, index, amount, place, cursor: isLine || handle.centre ? 'ew-resize' : 'ns-resize' }
  }),
)
const { start: rest, stop } = useTimeoutFn(commit, 500, { immediate: false })

function commit() {
  const move = moving.value
  const handle = move && props.handles[move.index]
  if (!move || !handle) return
  if (move.amount === handle.amount) moving.value = null
  else emit('move', handle, move.amount)
}
function grab(index: number, event: PointerEvent) {
  isDragged.value = true
  ;(event.currentTarget as Element).setPointerCapture(event.pointerId)
  const handle = props.handles[index]
  if (handle) moving.value = { index, amount: handle.amount }
}
function drag(event: PointerEvent) {
  const handle = moving.value && props.handles[moving.value.index]
  const box = (event.currentTarget as SVGElement).ownerSVGElement?.getBoundingClientRect()
  if (!isDragged.value || !moving.value || !handle || !box) return
  const [x, y] = [(event.clientX - box.left) / props.zoom, (event.clientY - box.top) / props.zoom]
  moving.value = { index: moving.value.index, amount: amountAt(handle, x, y) }
}
function letGo() {
  if (!isDragged.value) return
  isDragged.value = false
  commit()
}
/** The band whose name is written in place. */
const named = ref<number | null>(null)
const field = ref<HTMLInputElement[]>([])
async function name(index: number) {
  if (!props.handles[index]?.name) return
  moving.value = null
  isDragged.value = false
  named.value = index
  await nextTick()
  field.value[0]?.select()
}
function rename(index: number, event: Event) {
  const handle = props.handles[index]
  const text = (event.target as HTMLInputElement).value.trim()
  if (named.value === index && handle && text && text !== handle.name) emit('rename', handle, text)
  named.value = null
}
function step(index: number, event: KeyboardEvent) {
  if (named.value !== null) return
  if (event.key === 'F2') {
    event.preventDefault()
    return void name(index)
  }
  const by = { ArrowUp: 1, ArrowRight: 1, ArrowDown: -1, ArrowLeft: -1, PageUp: 10, PageDown: -10 }[event.key]
  const handle = props.handles[index]
  if (!handle || (!by && event.key !== 'Escape' && event.key !== 'Enter')) return
  event.preventDefault()
  event.stopPropagation()
  if (event.key === 'Escape') return void (stop(), (moving.value = null))
  if (event.key === 'Enter') return void (stop(), commit())
  const from = moving.value?.index === index ? moving.value.amount : handle.amount
  moving.value = { index, amount: stepped(handle, from, (by ?? 0) * (event.shiftKey ? 10 : 1)) }
  rest()
}
/** Beside the line, towards the middle of the chart. */
function labelOf(one: (typeof shown.value)[number]) {
  const { x2, y1, y2 } = one.place
  const isRight = x2 > props.width * 0.6
  return { x: isRight ? x2 - 8 : x2 + 8, y: Math.min(y1, y2) - 4, anchor: isRight ? 'end' : 'start' } as const
}
</script>

<template>
  <g>
    <g
      v-for="one in shown"
      :key="`${one.handle.of} ${one.handle.place}`"
      class="grip"
      role="slider"
      tabindex="0"
      :aria-label="one.handle.label"
      :aria-valuenow="Number(one.amount)"
      :aria-valuemin="one.handle.least === null ? undefined : Number(one.handle.least)"
      :aria-valuemax="one.handle.most === null ? undefined : Number(one.handle.most)"
      :aria-valuetext="`${one.handle.label} ${one.amount}, tried in this question`"
      :style="{ cursor: one.cursor }"
      @pointerdown.prevent.stop="grab(one.index, $event)"
      @pointermove.stop="drag"
      @pointerup.stop="letGo"
      @pointercancel="letGo"
      @click.stop
      @dblclick.stop="name(one.index)"
      @keydown="step(one.index, $event)"
      @blur="(stop(), commit())">
      <title>
        {{ one.handle.label }} {{ one.amount }}: drag it, or use the arrow keys, to try another in this question{{
          one.handle.name ? '; a double click or F2 renames the band' : ''
        }}
      </title>
      <line v-bind="one.place" stroke="transparent" stroke-width="11" />
      <line class="line" :class="moving?.index === one.index ? 'moved' : ''" v-bind="one.place" />
      <circle class="knob" :cx="one.place.x2" :cy="one.place.y2" r="3.4" />
      <text
        v-if="moving?.index === one.index"
        class="said"
        :x="labelOf(one).x"
        :y="labelOf(one).y"
        :text-anchor="labelOf(one).anchor">
        {{ one.handle.label }} {{ one.amount }}
      </text>
      <foreignObject
        v-if="named === one.index"
        :x="Math.max(0, one.place.x2 - 112)"
        :y="Math.min(one.place.y1, one.place.y2) - 4"
        width="120"
        height="32">
        <input
          ref="field"
          class="field w-28 text-[12px]"
          :value="one.handle.name"
          maxlength="60"
          :aria-label="`Name of the band up to ${one.amount}`"
          @pointerdown.stop
          @keydown.stop
          @keydown.enter.prevent="rename(one.index, $event)"
          @keydown.escape.prevent="named = null"
          @blur="rename(one.index, $event)" />
      </foreignObject>
    </g>
  </g>
</template>

<style scoped>
.grip {
  touch-action: none;
  outline: none;
}
.line {
  stroke: var(--color-accent);
  stroke-width: 1.2;
  opacity: 0;
}
.knob {
  fill: var(--color-accent);
  opacity: 0.35;
}
.grip:hover .line,
.grip:focus-visible .line,
.line.moved {
  opacity: 1;
}
.grip:hover .knob,
.grip:focus-visible .knob {
  opacity: 1;
}
.said {
  fill: var(--color-accent);
  font-size: 11px;
  font-weight: 600;
  paint-order: stroke;
  stroke: var(--color-paper, #fbfaf7);
  stroke-width: 4px;
}
</style>

<script setup lang="ts">
import { computed, defineAsyncComponent, nextTick, ref, useId, watch } from 'vue'
import { useElementBounding, useEventListener, useWindowSize } from '@vueuse/core'
import type { Handle, Scene } from '../../shared/types'
import { hatch, hatches, palettes } from '../../shared/notation'
import { inSight, layers } from '../../shared/scene/inSight'
import { rowsFollow } from '../../shared/wording'
import SceneMarks from '../../shared/scene/SceneMarks.vue'

const SceneHandles = defineAsyncComponent(() => import('./SceneHandles.vue'))

const props = withDefaults(
  defineProps<{
    scene: Scene
    keys: string[]
    selected: string | null
    /** Whether a row can be moved to another place. */
    canMove?: (key: string) => boolean
    /** Rows that follow those of the scene: they are on their way, or come once they are wanted. */
    more?: number
    /** Pixels of a point of the scene. */
    zoom?: number
  }>(),
  { canMove: () => false, more: 0, zoom: 1 },
)
/** The row of the workings that is lit. */
const lit = defineModel<string | null>('lit', { default: null })
const emit = defineEmits<{
  highlight: [key: string]
  select: [key: string]
  note: [key: string]
  moveTo: [key: string, place: string]
  move: [key: string, by: number]
  moveHandle: [handle: Handle, amount: string]
  renameBand: [handle: Handle, name: string]
  /** Whether the reader is about to look beyond the first rows. */
  beyond: [is: boolean]
}>()
const svg = ref<SVGSVGElement | null>(null)
const id = useId()
const prefix = computed(() => `${id}-`)

/** Scenes higher than this many pixels are shown in part, which moves on by so many. */
const HIGH = 3000
const STEP = 200
/** How far beyond the window marks are drawn already. */
const BEYOND = 240

/** Those of the rows that are shown, in the rows' order. */
const regions = computed(() => {
  const byKey = new Map(props.scene.regions.map(region => [region.key, region]))
  return props.keys.flatMap(key => byKey.get(key) ?? [])
})
function placeOf(key: string) {
  const region = regions.value.find(one => one.key === key)
  if (!region) return null
  const [left, top, right, bottom] = region.lit
  return { left, top, right, bottom }
}
const litPlace = computed(() => (lit.value ? placeOf(lit.value) : null))
/** Where a row is on the page, in pixels from the chart's corner. */
function pixelsOf(key: string) {
  const place = placeOf(key)
  if (!place) return null
  const { left, top, right, bottom } = place
  return { left: left * props.zoom, top: top * props.zoom, right: right * props.zoom, bottom: bottom * props.zoom }
}
defineExpose({ pixelsOf, focus: () => svg.value?.focus({ preventScroll: true }) })
const inks = computed(() => palettes[props.scene.colours])

/** Of a scene that is far higher than the window, only what is near is on the page; all of it is printed. */
const { top: pageTop } = useElementBounding(svg)
const { height: windowHeight } = useWindowSize()
const isPrinting = ref(false)
useEventListener('beforeprint', () => (isPrinting.value = true))
useEventListener('afterprint', () => (isPrinting.value = false))
const isHigh = computed(() => props.scene.height * props.zoom > HIGH && !isPrinting.value)
/** How many steps of the page the chart is scrolled by. */
const scrolled = computed(() => (isHigh.value ? Math.floor(-pageTop.value / STEP) : 0))
const bandHeight = computed(() => STEP / props.zoom)
const allLayers = computed(() => (isHigh.value ? layers(props.scene.marks, bandHeight.value) : []))
const shownLayers = computed(() => {
  const top = scrolled.value * STEP
  const from = (top - BEYOND) / props.zoom
  const to = (top + STEP + windowHeight.value + BEYOND) / props.zoom
  return allLayers.value.map(layer => ({ role: layer.role, parts: inSight(layer, bandHeight.value, from, to) }))
})

/** The other rows are wanted once the chart is scrolled, walked through by keys, or printed. */
const hasFocus = ref(false)
const isBeyond = computed(() => scrolled.value > 0 || hasFocus.value || isPrinting.value)
watch(isBeyond, is => emit('beyond', is))
/** Where rows end that are not here yet. */
const missingFrom = computed(() => (props.more > 0 ? (props.scene.regions.at(-1)?.reach[3] ?? 0) : null))

function at(event: PointerEvent) {
  const box = svg.value?.getBoundingClientRect()
  const x = (event.clientX - (box?.left ?? 0)) / props.zoom
  const y = (event.clientY - (box?.top ?? 0)) / props.zoom
  return regions.value.find(
    ({ reach: [left, top, right, bottom] }) => x >= left && x <= right && y >= top && y <= bottom,
  )
}
function point(event: PointerEvent) {
  if (!dragged.value) lit.value = at(event)?.key ?? null
}

/** The handle of the lit row: dots at the end of its band, which it is dragged by to another row's place. */
const dragged = ref<string | null>(null)
const target = ref<string | null>(null)
const isMovable = (key: string | null): key is string => key !== null && props.canMove(key)
const isLying = computed(() => {
  const [first, second] = regions.value
  return !first || !second || Math.abs(second.reach[1] - first.reach[1]) > Math.abs(second.reach[0] - first.reach[0])
})
const handle = computed(() => {
  const key = dragged.value ?? lit.value
  const region = isMovable(key) ? regions.value.find(one => one.key === key) : undefined
  if (!region) return null
  const [left, top, right, bottom] = region.reach
  // Beyond the numbers of the row, which reach to its end.
  return isLying.value ? { x: right + 8, y: (top + bottom) / 2 } : { x: (left + right) / 2, y: top - 3 }
})
const DOTS = [-4, 0, 4].flatMap(along => [-2, 2].map(across => ({ along, across })))
const drop = computed(() => (dragged.value && target.value ? placeOf(target.value) : null))

function grab(event: PointerEvent) {
  dragged.value = lit.value
  target.value = null
  ;(event.currentTarget as Element).setPointerCapture(event.pointerId)
}
function drag(event: PointerEvent) {
  if (!dragged.value) return
  const over = at(event)?.key ?? null
  target.value = isMovable(over) && over !== dragged.value ? over : null
}
function letGo() {
  const [key, place] = [dragged.value, target.value]
  dragged.value = target.value = null
  if (key && place) emit('moveTo', key, place)
}
/** With Alt an arrow moves the lit row. */
function moveByKey(event: KeyboardEvent) {
  const by = { ArrowUp: -1, ArrowLeft: -1, ArrowDown: 1, ArrowRight: 1 }[event.key]
  if (!by || !event.altKey || !isMovable(lit.value)) return
  event.preventDefault()
  event.stopImmediatePropagation()
  emit('move', lit.value, by)
}

/** On or back from the lit row; from none to the first or last. Infinitely far is to the end. */
function step(by: number) {
  isLastWanted.value = by === Infinity && props.more > 0
  const last = regions.value.length - 1
  const at = regions.value.findIndex(region => region.key === lit.value)
  const from = at < 0 && Number.isFinite(by) ? (by > 0 ? -1 : last + 1) : at
  const next = regions.value[Math.max(0, Math.min(last, from + by))]
  if (!next) return
  lit.value = next.key
  void nextTick(() => svg.value?.querySelector('.lit')?.scrollIntoView({ block: 'nearest' }))
}
/** Whether the last row was asked for while it was not here. */
const isLastWanted = ref(false)
watch(regions, () => isLastWanted.value && step(Infinity))
</script>

<template>
  <svg
    ref="svg"
    :width="scene.width * zoom"
    :height="scene.height * zoom"
    :viewBox="`0 0 ${scene.width} ${scene.height}`"
    class="chart block"
    role="group"
    tabindex="0"
    :aria-label="`${scene.title}. ${scene.description}`"
    @pointermove="point"
    @keydown.capture="moveByKey"
    @pointerleave="lit = null"
    @keydown.left.prevent="step(-1)"
    @keydown.right.prevent="step(1)"
    @keydown.up.prevent="step(-1)"
    @keydown.down.prevent="step(1)"
    @click="lit && emit('select', lit)"
    @keydown.enter.prevent="lit && emit('select', lit)"
    @keydown.h.prevent="lit && emit('highlight', lit)"
    @keydown.n.prevent.stop="lit && emit('note', lit)"
    @keydown.home.prevent="step(-Infinity)"
    @keydown.end.prevent="step(Infinity)"
    @keydown.escape="lit = null"
    @focus="hasFocus = true"
    @blur="((hasFocus = false), selected || (lit = null))">
    <defs>
      <pattern
        v-for="name in hatches"
        :id="prefix + name"
        :key="name"
        :width="hatch.size"
        :height="hatch.size"
        patternUnits="userSpaceOnUse">
        <rect :width="hatch.size" :height="hatch.size" :fill="hatch.paper" />
        <path :d="hatch.path" :stroke="inks[name]" :stroke-width="hatch.thickness" />
      </pattern>
    </defs>
    <rect
      v-if="litPlace"
      :x="litPlace.left"
      :y="litPlace.top"
      :width="litPlace.right - litPlace.left"
      :height="litPlace.bottom - litPlace.top"
      rx="4"
      class="lit" />
    <rect
      v-if="drop"
      :x="drop.left"
      :y="drop.top"
      :width="drop.right - drop.left"
      :height="drop.bottom - drop.top"
      rx="4"
      class="drop" />
    <template v-if="isHigh">
      <g v-for="(layer, i) in shownLayers" :key="i" :class="layer.role">
        <SceneMarks v-for="part in layer.parts" :key="part.key" :marks="part.marks" :prefix="prefix" :inks="inks" />
      </g>
    </template>
    <SceneMarks v-else :marks="scene.marks" :prefix="prefix" :inks="inks" />
    <text v-if="missingFrom !== null" :x="2" :y="missingFrom + 20" class="missing">
      {{ rowsFollow(more) }}
    </text>
    <SceneHandles
      v-if="scene.handles.length"
      :handles="scene.handles"
      :zoom="zoom"
      :width="scene.width"
      @move="(one, amount) => emit('moveHandle', one, amount)"
      @rename="(one, name) => emit('renameBand', one, name)" />
    <g
      v-if="handle"
      class="handle"
      role="presentation"
      :transform="`translate(${handle.x} ${handle.y})`"
      @pointerdown.prevent.stop="grab"
      @pointermove.stop="drag"
      @pointerup.stop="letGo"
      @pointercancel="letGo"
      @click.stop>
      <title>Drag it to another place; Alt and an arrow key do the same</title>
      <rect x="-9" y="-9" width="18" height="18" fill="transparent" />
      <circle
        v-for="dot in DOTS"
        :key="`${dot.along} ${dot.across}`"
        r="1.2"
        :cx="isLying ? dot.across : dot.along"
        :cy="isLying ? dot.along : dot.across" />
    </g>
  </svg>
</template>

<style scoped>
.chart {
  overflow: visible;
  font-kerning: none;
  font-variant-ligatures: none;
}
.chart :deep(text) {
  white-space: pre;
}
.lit {
  fill: var(--color-accent-tint);
  /* Room for the row's card where keys bring it into sight. */
  scroll-margin: 140px;
}
.drop {
  fill: none;
  stroke: var(--color-accent);
  stroke-dasharray: 3 3;
}
.missing {
  fill: var(--color-quiet);
  font-size: 12px;
}
.handle {
  cursor: grab;
  fill: var(--color-accent);
  touch-action: none;
}
.chart :deep([data-key]) {
  cursor: pointer;
}
</style>

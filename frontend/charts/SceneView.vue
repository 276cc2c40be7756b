<script setup lang="ts">
import { computed, ref, useId } from 'vue'
import type { Mark, Scene } from '../shared/types'
import { hatch, hatches, palettes } from '../shared/notation'
import SceneMarks from './SceneMarks.vue'

const props = defineProps<{ scene: Scene; keys: string[]; selected: string | null }>()
/** The row of the workings that is lit. */
const lit = defineModel<string | null>('lit', { default: null })
const emit = defineEmits<{ highlight: [key: string]; select: [key: string]; note: [key: string] }>()
const svg = ref<SVGSVGElement | null>(null)
const id = useId()
const prefix = computed(() => `${id}-`)

function flat(marks: Mark[]): Mark[] {
  return marks.flatMap((mark) => (mark.type === 'group' ? flat(mark.marks ?? []) : [mark]))
}

interface Place {
  key: string
  left: number
  right: number
  top: number
  bottom: number
}

/** The corners of whatever a mark covers. */
function covered(mark: Mark): [number, number][] {
  if (mark.type === 'rect')
    return [
      [mark.x ?? 0, mark.y ?? 0],
      [(mark.x ?? 0) + (mark.width ?? 0), (mark.y ?? 0) + (mark.height ?? 0)],
    ]
  if (mark.type === 'line')
    return [
      [mark.x1 ?? 0, mark.y1 ?? 0],
      [mark.x2 ?? 0, mark.y2 ?? 0],
    ]
  if (mark.type === 'circle') {
    const { x = 0, y = 0, radius = 0 } = mark
    return [
      [x - radius, y - radius],
      [x + radius, y + radius],
    ]
  }
  return mark.points ?? []
}

/** Where each row's marks stand, in the rows' order. */
const places = computed(() => {
  const found = new Map<string, Place>()
  for (const mark of flat(props.scene.marks)) {
    if (!mark.key || mark.type === 'text' || mark.role === 'highlight' || mark.role === 'note') continue
    for (const [x, y] of covered(mark)) {
      const place = found.get(mark.key) ?? { key: mark.key, left: x, right: x, top: y, bottom: y }
      found.set(mark.key, {
        key: mark.key,
        left: Math.min(place.left, x),
        right: Math.max(place.right, x),
        top: Math.min(place.top, y),
        bottom: Math.max(place.bottom, y),
      })
    }
  }
  return props.keys.flatMap((key) => found.get(key) ?? [])
})
const litPlace = computed(() => places.value.find((place) => place.key === lit.value) ?? null)
/** Room for the labels at the ends of columns, or of bars; their neighbours stay outside. */
const halo = computed(() => (props.scene.isLying ? { x: 36, y: 4 } : { x: 5, y: 24 }))
const placeOf = (key: string) => places.value.find((place) => place.key === key) ?? null
defineExpose({ placeOf, focus: () => svg.value?.focus({ preventScroll: true }) })
const inks = computed(() => palettes[props.scene.colours])

/** How far a point is from the band of a place; bands have room for names around their marks. */
function distance(place: Place, x: number, y: number): number {
  const outside = (at: number, from: number, to: number) => Math.max(0, from - at, at - to)
  return props.scene.isLying
    ? Math.abs((place.top + place.bottom) / 2 - y) + outside(x, place.left - 220, place.right + 80)
    : Math.abs((place.left + place.right) / 2 - x) + 3 * outside(y, place.top - 40, place.bottom + 30)
}

function point(event: PointerEvent) {
  const box = (event.currentTarget as Element).getBoundingClientRect()
  const [x, y] = [event.clientX - box.left, event.clientY - box.top]
  const near = places.value
    .map((place) => ({ key: place.key, far: distance(place, x, y), reach: Math.max(24, place.right - place.left) }))
    .reduce<{ key: string; far: number; reach: number } | null>(
      (best, one) => (best && best.far <= one.far ? best : one),
      null,
    )
  lit.value = near && near.far <= near.reach + 12 ? near.key : null
}

/** On or back from the lit row; from none to the first or last. Infinitely far is to the end. */
function step(by: number) {
  const last = places.value.length - 1
  const at = places.value.findIndex((place) => place.key === lit.value)
  const from = at < 0 && Number.isFinite(by) ? (by > 0 ? -1 : last + 1) : at
  const next = places.value[Math.max(0, Math.min(last, from + by))]
  if (next) lit.value = next.key
}
</script>

<template>
  <svg
    ref="svg"
    :width="scene.width"
    :height="scene.height"
    :viewBox="`0 0 ${scene.width} ${scene.height}`"
    class="chart block"
    role="group"
    tabindex="0"
    :aria-label="`${scene.title}. ${scene.description}`"
    @pointermove="point"
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
    @blur="selected || (lit = null)"
  >
    <defs>
      <pattern
        v-for="name in hatches"
        :id="prefix + name"
        :key="name"
        :width="hatch.size"
        :height="hatch.size"
        patternUnits="userSpaceOnUse"
      >
        <rect :width="hatch.size" :height="hatch.size" :fill="hatch.paper" />
        <path :d="hatch.path" :stroke="inks[name]" :stroke-width="hatch.thickness" />
      </pattern>
    </defs>
    <rect
      v-if="litPlace"
      :x="litPlace.left - halo.x"
      :y="litPlace.top - halo.y"
      :width="litPlace.right - litPlace.left + 2 * halo.x"
      :height="litPlace.bottom - litPlace.top + 2 * halo.y"
      rx="4"
      class="lit"
    />
    <SceneMarks :marks="scene.marks" :prefix="prefix" :inks="inks" />
  </svg>
</template>

<style scoped>
.chart {
  font-kerning: none;
  font-variant-ligatures: none;
}
.chart :deep(text) {
  white-space: pre;
}
.lit {
  fill: var(--color-accent-tint);
}
.chart :deep([data-key]) {
  cursor: pointer;
}
</style>

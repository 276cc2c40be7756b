<script setup lang="ts">
import { computed, useId } from 'vue'
import type { Mark, Scene } from '../shared/types'
import { hatch, hatches, inks } from '../shared/notation'
import SceneMarks from './SceneMarks.vue'

const props = defineProps<{ scene: Scene }>()
/** The row of the workings that is lit. */
const lit = defineModel<string | null>('lit', { default: null })
const id = useId()
const prefix = computed(() => `${id}-`)

function flat(marks: Mark[]): Mark[] {
  return marks.flatMap((mark) => (mark.type === 'group' ? flat(mark.marks ?? []) : [mark]))
}

/** Where each row's marks stand, from left to right. */
const places = computed(() => {
  const found = new Map<string, { left: number; right: number; top: number; bottom: number }>()
  for (const mark of flat(props.scene.marks)) {
    if (mark.type !== 'rect' || !mark.key) continue
    const { x = 0, y = 0, width = 0, height = 0 } = mark
    const place = found.get(mark.key)
    found.set(
      mark.key,
      place
        ? {
            left: Math.min(place.left, x),
            right: Math.max(place.right, x + width),
            top: Math.min(place.top, y),
            bottom: Math.max(place.bottom, y + height),
          }
        : { left: x, right: x + width, top: y, bottom: y + height },
    )
  }
  return [...found].map(([key, place]) => ({ key, ...place })).sort((a, b) => a.left - b.left)
})
const litPlace = computed(() => places.value.find((place) => place.key === lit.value) ?? null)
defineExpose({ litPlace })

function point(event: PointerEvent) {
  const box = (event.currentTarget as Element).getBoundingClientRect()
  const x = event.clientX - box.left
  const y = event.clientY - box.top
  const first = places.value[0]
  const last = places.value[places.value.length - 1]
  if (
    !first ||
    !last ||
    y < Math.min(...places.value.map((place) => place.top)) - 30 ||
    x < first.left - 20 ||
    x > last.right + 20
  ) {
    lit.value = null
    return
  }
  const distance = (place: { left: number; right: number }) => Math.abs((place.left + place.right) / 2 - x)
  lit.value = places.value.reduce((near, place) => (distance(place) < distance(near) ? place : near)).key
}

function step(by: number) {
  const at = places.value.findIndex((place) => place.key === lit.value)
  const next =
    places.value[
      at < 0 ? (by > 0 ? 0 : places.value.length - 1) : Math.max(0, Math.min(places.value.length - 1, at + by))
    ]
  if (next) lit.value = next.key
}
</script>

<template>
  <svg
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
    @keydown.home.prevent="step(-Infinity)"
    @keydown.end.prevent="step(Infinity)"
    @keydown.escape="lit = null"
    @blur="lit = null"
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
      :x="litPlace.left - 5"
      :y="litPlace.top - 24"
      :width="litPlace.right - litPlace.left + 10"
      :height="litPlace.bottom - litPlace.top + 48"
      rx="4"
      class="lit"
    />
    <SceneMarks :marks="scene.marks" :prefix="prefix" />
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
</style>

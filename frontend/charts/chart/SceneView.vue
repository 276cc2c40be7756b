<script setup lang="ts">
import { computed, ref, useId } from 'vue'
import type { Scene } from '../../shared/types'
import { hatch, hatches, palettes } from '../../shared/notation'
import SceneMarks from '../../shared/scene/SceneMarks.vue'

const props = defineProps<{ scene: Scene; keys: string[]; selected: string | null }>()
/** The row of the workings that is lit. */
const lit = defineModel<string | null>('lit', { default: null })
const emit = defineEmits<{ highlight: [key: string]; select: [key: string]; note: [key: string] }>()
const svg = ref<SVGSVGElement | null>(null)
const id = useId()
const prefix = computed(() => `${id}-`)

/** Those of the rows that are shown, in the rows' order. */
const regions = computed(() => {
  const byKey = new Map(props.scene.regions.map((region) => [region.key, region]))
  return props.keys.flatMap((key) => byKey.get(key) ?? [])
})
function placeOf(key: string) {
  const region = regions.value.find((one) => one.key === key)
  if (!region) return null
  const [left, top, right, bottom] = region.lit
  return { left, top, right, bottom }
}
const litPlace = computed(() => (lit.value ? placeOf(lit.value) : null))
defineExpose({ placeOf, focus: () => svg.value?.focus({ preventScroll: true }) })
const inks = computed(() => palettes[props.scene.colours])

function point(event: PointerEvent) {
  const box = (event.currentTarget as Element).getBoundingClientRect()
  const [x, y] = [event.clientX - box.left, event.clientY - box.top]
  const hit = regions.value.find(
    ({ reach: [left, top, right, bottom] }) => x >= left && x <= right && y >= top && y <= bottom,
  )
  lit.value = hit?.key ?? null
}

/** On or back from the lit row; from none to the first or last. Infinitely far is to the end. */
function step(by: number) {
  const last = regions.value.length - 1
  const at = regions.value.findIndex((region) => region.key === lit.value)
  const from = at < 0 && Number.isFinite(by) ? (by > 0 ? -1 : last + 1) : at
  const next = regions.value[Math.max(0, Math.min(last, from + by))]
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
      :x="litPlace.left"
      :y="litPlace.top"
      :width="litPlace.right - litPlace.left"
      :height="litPlace.bottom - litPlace.top"
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

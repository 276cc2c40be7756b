<script setup lang="ts">
import { computed, ref } from 'vue'
import { useElementSize } from '@vueuse/core'
import type { Dataset, Scenario } from '../../shared/types'

/** Which scenario has figures for which period, and the line up to which the books are closed. The line can be moved. */
const props = defineProps<{ dataset: Dataset }>()
const emit = defineEmits<{ move: [key: string]; show: [scenario: Scenario, period: string] }>()

const LABELS = 104
const TOP = 34
const frame = ref<HTMLElement | null>(null)
const { width } = useElementSize(frame)
const periods = computed(() => props.dataset.strip.periods)
const step = computed(() => Math.max(4, Math.min(23, (width.value - LABELS - 70) / Math.max(1, periods.value.length))))
const side = computed(() => Math.max(3, Math.min(16, step.value - (step.value > 10 ? 6 : 1))))
const rowHeight = 24
const rows = computed(() =>
  props.dataset.references
    .filter(one => props.dataset.scenarios.includes(one.code))
    .map((one, i) => ({ ...one, top: TOP + i * rowHeight, has: new Set(props.dataset.strip.has[one.code] ?? []) })),
)
const bottom = computed(() => TOP + rows.value.length * rowHeight)
const at = computed(() => periods.value.findIndex(period => period.key === props.dataset.strip.closing))
const lineLeft = computed(() => LABELS + (at.value + 1) * step.value - (step.value - side.value) / 2)
const years = computed(() => {
  const starts: { label: string; left: number }[] = []
  periods.value.forEach((period, i) => {
    const label = period.year
    if (label !== starts.at(-1)?.label) starts.push({ label, left: LABELS + i * step.value })
  })
  return starts.filter((one, i) => i === 0 || one.left - (starts[i - 1]?.left ?? 0) > 34)
})
const firstActual = computed(() => periods.value.findIndex(period => props.dataset.strip.has.AC?.includes(period.key)))

/** `J`, `3`: enough below a square where its year stands above. */
function initial(label: string): string {
  return /^\d/.test(label)
    ? (label.split(' ')[0] ?? '')
    : /^[QHW]\d/.test(label)
      ? (label.slice(1).split(' ')[0] ?? '')
      : label.slice(0, 1)
}
function isMissing(code: Scenario, has: Set<string>, i: number): boolean {
  return code === 'AC' && i >= firstActual.value && i <= at.value && !has.has(periods.value[i]?.key ?? '')
}

function moveTo(i: number) {
  const period = periods.value[Math.max(0, Math.min(periods.value.length - 1, i))]
  if (period && period.key !== props.dataset.strip.closing) emit('move', period.closes)
}
function drag(event: PointerEvent) {
  const handle = event.currentTarget as SVGElement
  handle.setPointerCapture(event.pointerId)
  const left = frame.value?.getBoundingClientRect().left ?? 0
  const follow = (moved: PointerEvent) => moveTo(Math.round((moved.clientX - left - LABELS) / step.value) - 1)
  handle.addEventListener('pointermove', follow)
  handle.addEventListener('pointerup', () => handle.removeEventListener('pointermove', follow), { once: true })
}
function key(event: KeyboardEvent) {
  const by = {
    ArrowLeft: -1,
    ArrowDown: -1,
    ArrowRight: 1,
    ArrowUp: 1,
    PageDown: -12,
    PageUp: 12,
    Home: -1e6,
    End: 1e6,
  }[event.key]
  if (by === undefined) return
  event.preventDefault()
  moveTo(at.value + by)
}
</script>

<template>
  <div ref="frame" class="mb-7 overflow-x-auto" role="group" aria-label="Coverage">
    <svg
      v-if="width"
      :width="Math.max(width - 2, LABELS + periods.length * step + 70)"
      :height="bottom + 16"
      class="block select-none">
      <defs>
        <pattern id="forecast-squares" width="4" height="4" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <rect width="1.6" height="4" class="fill-ink" />
        </pattern>
      </defs>
      <text v-for="year in years" :key="year.left" :x="year.left" y="12" class="fill-ink text-[12px] font-semibold">
        {{ year.label }}
      </text>
      <g v-for="row in rows" :key="row.code">
        <text x="0" :y="row.top + 12" class="fill-ink text-[12px]">
          <tspan class="font-semibold">{{ row.code }}</tspan>
          <tspan dx="5" class="fill-quiet">{{ row.word }}</tspan>
        </text>
        <template v-for="(period, i) in periods" :key="period.key">
          <rect
            v-if="row.has.has(period.key)"
            :x="LABELS + i * step + 0.5"
            :y="row.top + 0.5"
            :width="side"
            :height="16"
            :rx="side > 8 ? 2 : 0"
            class="cursor-pointer hover:opacity-70"
            :class="{
              'fill-ink': row.code === 'AC',
              'fill-panel stroke-ink': row.code === 'BU' || row.code === 'TG',
              'stroke-ink': row.code === 'FC',
              'fill-prior-year': row.code === 'PY',
            }"
            :fill="row.code === 'FC' ? 'url(#forecast-squares)' : undefined"
            :data-square="`${row.code} ${period.key}`"
            @click="emit('show', row.code, period.key)">
            <title>{{ row.code }} {{ period.label }}: show the figures</title>
          </rect>
          <rect
            v-else-if="isMissing(row.code, row.has, i)"
            :x="LABELS + i * step + 0.5"
            :y="row.top + 0.5"
            :width="side"
            :height="16"
            :rx="side > 8 ? 2 : 0"
            class="fill-none stroke-unfavourable"
            stroke-dasharray="3 2">
            <title>Actual of {{ period.label }} is missing</title>
          </rect>
          <circle v-else :cx="LABELS + i * step + side / 2" :cy="row.top + 8" r="1" class="fill-prior-year" />
        </template>
      </g>
      <template v-if="step >= 13">
        <text
          v-for="(period, i) in periods"
          :key="period.key"
          :x="LABELS + i * step + side / 2"
          :y="bottom + 8"
          text-anchor="middle"
          class="fill-quiet text-[11px]">
          {{ initial(period.label) }}
        </text>
      </template>
      <g
        v-if="at >= 0"
        role="slider"
        tabindex="0"
        class="cursor-ew-resize"
        aria-label="Books closed through"
        :aria-valuemin="0"
        :aria-valuemax="periods.length - 1"
        :aria-valuenow="at"
        :aria-valuetext="periods[at]?.label"
        @keydown="key"
        @pointerdown="drag">
        <rect :x="lineLeft - 8" y="14" width="16" :height="bottom - 10" fill="transparent" />
        <line
          :x1="lineLeft"
          y1="24"
          :x2="lineLeft"
          :y2="bottom + 4"
          class="stroke-accent"
          stroke-width="1.5"
          stroke-dasharray="1.5 3" />
        <circle :cx="lineLeft" cy="22" r="5" class="fill-accent" />
        <text
          :x="lineLeft + (lineLeft + 50 > width ? -9 : 9)"
          y="26"
          :text-anchor="lineLeft + 50 > width ? 'end' : 'start'"
          class="fill-accent text-[11px]">
          closed
        </text>
      </g>
    </svg>
  </div>
</template>

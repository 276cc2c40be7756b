<script setup lang="ts">
import { computed, ref, useId, useSlots } from 'vue'
import { inks, pageType } from '../../shared/notation'
import SceneMarks from '../../shared/scene/SceneMarks.vue'
import SceneView from '../../charts/chart/SceneView.vue'
import type { PageBlock, ReportPage } from '../types'
import RowTip from './RowTip.vue'

/** A page as it prints: marks can be pointed at. What stands over it is told through slots, in pixels. */
const props = withDefaults(
  defineProps<{
    page: ReportPage
    /** pixels of a point */
    zoom: number
    /** whether clicking a row takes a number of it */
    takes?: boolean
  }>(),
  { takes: false },
)
const emit = defineEmits<{
  take: [block: PageBlock, row: string]
  open: [block: PageBlock]
  note: [block: PageBlock, row: string]
}>()
/** Where it is read and not changed, nothing of a page that is too full stands over its foot. */
const slots = useSlots()
const isCut = computed(() => !slots.block && Boolean(props.page.over))
const id = useId()
const prefix = computed(() => `${id}-`)
const lit = ref<{ block: string; row: string } | null>(null)

const box = (block: PageBlock) => ({
  left: `${block.left * props.zoom}px`,
  top: `${block.top * props.zoom}px`,
  width: `${block.width * props.zoom}px`,
  height: `${block.height * props.zoom}px`,
})
/** Handles are moved where a chart is edited by itself. */
const scenes = computed(
  () => new Map(props.page.blocks.flatMap(one => (one.scene ? [[one.id, { ...one.scene, handles: [] }]] : []))),
)
const keysOf = (block: PageBlock) => block.rows.map(row => row.key)
const point = (block: PageBlock, row: string | null) => (lit.value = row === null ? null : { block: block.id, row })
const litIn = (block: PageBlock) => (lit.value?.block === block.id ? lit.value.row : null)
const litRow = (block: PageBlock) => block.rows.find(row => row.key === litIn(block))
function tipPlace(block: PageBlock) {
  const region = block.scene?.regions.find(one => one.key === litIn(block))
  if (!region) return null
  const zoom = props.zoom * block.scale
  const [left, , right] = region.reach
  const [, top, , bottom] = region.lit
  return { left: left * zoom, right: right * zoom, top: top * zoom, bottom: bottom * zoom }
}
</script>

<template>
  <article
    class="sheet-page relative bg-panel"
    :class="isCut ? 'overflow-hidden' : ''"
    :style="{ width: `${page.width * zoom}px`, height: `${page.height * zoom}px` }"
    :aria-label="`Page ${page.number}${page.title ? `: ${page.title}` : ''}`">
    <h2 class="sr-only">{{ page.says || page.title || `Page ${page.number}` }}</h2>
    <svg
      class="chart absolute inset-0"
      :width="page.width * zoom"
      :height="page.height * zoom"
      :viewBox="`0 0 ${page.width} ${page.height}`"
      aria-hidden="true">
      <SceneMarks :marks="page.message" :prefix="prefix" :inks="inks" />
      <SceneMarks v-if="!isCut" :marks="page.frame" :prefix="prefix" :inks="inks" />
      <SceneMarks v-for="block in page.blocks" :key="block.id" :marks="block.marks" :prefix="prefix" :inks="inks" />
    </svg>
    <slot name="head" />
    <div
      v-for="block in page.blocks"
      :key="block.id"
      class="group/block absolute"
      :style="box(block)"
      :data-block="block.id"
      role="group"
      :aria-label="block.scene?.title ?? (block.kind === 'figures' ? 'Key figures' : 'Text')"
      @dblclick="emit('open', block)">
      <SceneView
        v-if="scenes.get(block.id)"
        :lit="litIn(block)"
        :selected="null"
        :scene="scenes.get(block.id)!"
        :keys="keysOf(block)"
        :zoom="zoom * block.scale"
        @update:lit="point(block, $event)"
        @select="takes ? emit('take', block, $event) : emit('note', block, $event)"
        @note="emit('note', block, $event)" />
      <p v-if="block.kind !== 'chart'" class="sr-only">
        {{ block.marks.map(mark => mark.text ?? '').join(' ') }}
      </p>
      <slot name="block" :block="block" />
      <RowTip
        v-if="litRow(block) && tipPlace(block)"
        :row="litRow(block)!"
        :place="tipPlace(block)!"
        :width="block.width * zoom"
        :down="(page.height - block.top) * zoom"
        :takes="takes" />
    </div>
    <svg
      v-if="isCut"
      class="chart pointer-events-none absolute inset-0"
      :width="page.width * zoom"
      :height="page.height * zoom"
      :viewBox="`0 0 ${page.width} ${page.height}`"
      aria-hidden="true">
      <rect :x="page.left" :y="page.height - pageType.foot" width="100%" :height="pageType.foot" class="fill-panel" />
      <SceneMarks :marks="page.frame" :prefix="prefix" :inks="inks" />
    </svg>
    <ol v-if="page.notes.length" class="sr-only">
      <li v-for="note in page.notes" :key="note.number">{{ note.number }}: {{ note.text }}</li>
    </ol>
    <slot />
  </article>
</template>

<style scoped>
.chart {
  font-kerning: none;
  font-variant-ligatures: none;
}
.chart :deep(text) {
  white-space: pre;
}
.chart :deep([data-role='stale-number']) {
  text-decoration: underline dotted 1.5px;
  text-decoration-color: var(--color-unfavourable-text);
  text-underline-offset: 3px;
}
</style>

<script setup lang="ts">
import { computed, ref } from 'vue'
import { useWindowSize } from '@vueuse/core'
import SentenceOfTrouble from '../../shared/SentenceOfTrouble.vue'
import SceneTable from './SceneTable.vue'
import SceneView from './SceneView.vue'
import { useChart } from './useChart'
import { useDrawing } from './useDrawing'

/** A chart as it is read on a phone: the question in one small line, the picture with its message, its workings. */
const { dataset, recipes, known, problem, fresh, saving } = useChart()
const { chart } = saving
const { width } = useWindowSize()
const SIDE = 14
/** Laid out for steps of ten, so that a scroll bar does not ask for it again. */
const wide = computed(() => Math.max(320, Math.floor(width.value / 10) * 10) - 2 * SIDE)
const {
  drawing,
  problem: refusal,
  isSlow,
} = useDrawing(
  computed(() => dataset.value?.id ?? null),
  computed(() => recipes.value.slice(0, 1)),
  wide,
  fresh,
  known,
  ref(true),
)
const question = computed(() => (drawing.value?.sentence ?? []).map(part => part.text).join(''))
const failed = computed(() => (drawing.value?.checks ?? []).filter(check => !check.holds))
const scene = computed(() => drawing.value && { ...drawing.value.scene, handles: [] })
const keys = computed(() => drawing.value?.workings.rows.map(row => row.key) ?? [])
const lit = ref<string | null>(null)
</script>

<template>
  <main class="min-h-screen bg-panel" :style="{ padding: `12px ${SIDE}px 32px` }">
    <p class="flex justify-between gap-4 text-[12px]">
      <RouterLink class="text-accent" to="/charts">Charts</RouterLink>
      <span v-if="dataset" class="min-w-0 truncate text-quiet">{{ dataset.name }}</span>
    </p>
    <h1 v-if="chart" class="mt-1 font-serif text-[21px] break-words">{{ chart.name }}</h1>
    <p v-if="question" class="mt-1 text-[12px] break-words text-quiet">{{ question }}</p>
    <SentenceOfTrouble v-if="problem || refusal" class="mt-3" :says="problem || refusal" />
    <p v-if="!drawing && isSlow" class="py-16 text-center text-quiet">Drawing…</p>
    <template v-if="drawing && scene">
      <div class="mt-3 overflow-x-auto">
        <SceneView v-model:lit="lit" :scene="scene" :keys="keys" :selected="null" :more="drawing.workings.more" />
      </div>
      <ul v-if="failed.length" class="mt-3 text-[12px]" aria-label="Checks that fail">
        <li v-for="check in failed" :key="check.id" class="flex gap-2">
          <span class="font-semibold text-unfavourable-text" aria-hidden="true">!</span
          ><span class="min-w-0 break-words">{{ check.says }}</span>
        </li>
      </ul>
      <h2 class="mt-5 mb-1 font-semibold">Workings</h2>
      <div class="overflow-x-auto" tabindex="0" role="region" aria-label="Workings">
        <SceneTable :table="drawing.workings" title="Workings" is-shown />
      </div>
    </template>
  </main>
</template>

<script setup lang="ts">
import { nextTick, ref } from 'vue'
import type { Chart, Drawing } from '../shared/types'
import { effectClass } from './effects'

const props = defineProps<{ drawing: Drawing | null; chart: Chart | null; datasetName: string; savedAt: string }>()
const lit = defineModel<string | null>('lit', { default: null })
const emit = defineEmits<{ name: [text: string] }>()

const isNaming = ref(false)
const text = ref('')
const field = ref<HTMLInputElement | null>(null)

async function startNaming() {
  text.value = props.chart?.name ?? ''
  isNaming.value = true
  await nextTick()
  field.value?.focus()
}

function finishNaming() {
  if (isNaming.value && text.value.trim()) emit('name', text.value)
  isNaming.value = false
}

function time(iso: string): string {
  return new Date(iso).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' })
}
</script>

<template>
  <aside
    class="w-[272px] shrink-0 border-r-2 border-accent/35 px-7 pt-8 pb-8 max-lg:w-[228px] max-lg:px-5"
    aria-label="Margin"
  >
    <div class="mb-8 text-[12px] leading-[18px] text-quiet">
      <input
        v-if="isNaming"
        ref="field"
        v-model="text"
        class="field w-full"
        maxlength="200"
        aria-label="Name of the chart"
        placeholder="Name the chart"
        @keydown.enter="finishNaming"
        @keydown.escape="isNaming = false"
        @blur="finishNaming"
      />
      <template v-else-if="chart">
        <button class="block max-w-full text-left break-words hover:text-accent" title="Rename" @click="startNaming">
          {{ chart.name }}
        </button>
        <span v-if="savedAt">saved {{ time(savedAt) }}</span>
      </template>
      <template v-else>
        <span class="block break-words">{{ datasetName }}</span>
        <button v-if="datasetName" class="link" @click="startNaming">Name and save this chart</button>
      </template>
    </div>

    <template v-if="drawing">
      <section aria-label="Reading">
        <h2 class="label">{{ drawing.reading.headline.label }}</h2>
        <p v-if="drawing.reading.headline.amount !== '–'" class="flex flex-wrap items-baseline gap-x-3">
          <span class="text-[28px] leading-10 font-semibold">{{ drawing.reading.headline.amount }}</span>
          <span
            v-if="drawing.reading.headline.variance"
            class="font-semibold"
            :class="effectClass(drawing.reading.headline.effect)"
            >{{ drawing.reading.headline.variance }}&ensp;{{ drawing.reading.headline.percent }}</span
          >
        </p>
        <p class="text-quiet">{{ drawing.reading.headline.note }}</p>

        <template v-if="drawing.reading.movers.length">
          <h2 class="label mt-4 mb-0.5">{{ drawing.reading.moves }}</h2>
          <ul>
            <li
              v-for="mover in drawing.reading.movers"
              :key="mover.key"
              class="-mx-2 flex justify-between gap-3 border-b border-hairline px-2 py-[3px]"
              :class="lit === mover.key ? 'bg-accent-tint' : ''"
              @pointerenter="lit = mover.key"
              @pointerleave="lit = null"
            >
              <span class="min-w-0 break-words">{{ mover.label }}</span>
              <span :class="[effectClass(mover.effect), mover.flagged ? 'font-semibold' : '']">{{
                mover.variance
              }}</span>
            </li>
          </ul>
        </template>
        <p v-for="statement in drawing.reading.statements.slice(2)" :key="statement" class="mt-3">{{ statement }}</p>
      </section>

      <section class="mt-6" aria-label="Checks">
        <h2 class="label mb-1">Checks</h2>
        <ul>
          <li v-for="check in drawing.checks" :key="check.id" class="flex gap-2.5 py-0.5">
            <span v-if="check.holds" class="w-3 shrink-0 text-favourable-text" role="img" aria-label="holds">✓</span>
            <span
              v-else
              class="w-3 shrink-0 text-center font-semibold text-unfavourable-text"
              role="img"
              aria-label="does not hold"
              >!</span
            >
            <span class="min-w-0 break-words">{{ check.says }}</span>
          </li>
        </ul>
      </section>
    </template>
  </aside>
</template>

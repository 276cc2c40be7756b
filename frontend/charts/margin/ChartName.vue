<script setup lang="ts">
import { nextTick, ref } from 'vue'
import type { Chart } from '../../shared/types'

/** What the chart is called, and since when it is kept so. */
const props = defineProps<{ chart: Chart | null; datasetName: string; savedAt: string }>()
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
const time = (iso: string) => new Date(iso).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' })
</script>

<template>
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
      @blur="finishNaming" />
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
</template>

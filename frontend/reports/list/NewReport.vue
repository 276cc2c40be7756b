<script setup lang="ts">
import { ref } from 'vue'
import { refDebounced } from '@vueuse/core'
import { ask } from '../../shared/api'
import DialogSheet from '../../shared/DialogSheet.vue'
import type { Chart, Listing } from '../../shared/types'
import { useLoad } from '../../shared/useLoad'

/** A report from nothing, or of charts in the order in which they are chosen. */
const emit = defineEmits<{ close: []; make: [title: string, charts: number[]] }>()
const title = ref('')
const chosen = ref<number[]>([])
const sought = ref('')
const settled = refDebounced(sought, 150)
const { value: charts } = useLoad(
  () => ['charts', 'list', settled.value],
  signal => ask<Listing<Chart>>('GET', `/charts?q=${encodeURIComponent(settled.value.trim())}`, { signal }),
  { keepsPrevious: true },
)

function toggle(id: number) {
  chosen.value = chosen.value.includes(id) ? chosen.value.filter(one => one !== id) : [...chosen.value, id]
}
function make() {
  const text = title.value.trim()
  if (text) emit('make', text, chosen.value)
}
</script>

<template>
  <DialogSheet title="A new report" @close="$emit('close')">
    <form @submit.prevent="make">
      <label class="label mb-1.5 block" for="report-title">What it is called</label>
      <input
        id="report-title"
        v-model="title"
        class="field mb-4 w-full"
        maxlength="200"
        placeholder="Monthly review"
        autocomplete="off" />
      <template v-if="charts && (charts.total || settled)">
        <div class="mb-1.5 flex items-end gap-3">
          <p class="label flex-1">Charts to begin with, two on a page</p>
          <input
            v-model="sought"
            class="field h-7 w-44"
            type="search"
            aria-label="Find a chart"
            placeholder="Find a chart" />
        </div>
        <div class="max-h-[40vh] overflow-y-auto border-y border-hairline" role="group" aria-label="Charts">
          <button
            v-for="chart in charts.items"
            :key="chart.id"
            type="button"
            class="choice"
            role="checkbox"
            :aria-checked="chosen.includes(chart.id)"
            @click="toggle(chart.id)">
            <span class="w-5 text-right text-accent" aria-hidden="true">{{
              chosen.includes(chart.id) ? chosen.indexOf(chart.id) + 1 : ''
            }}</span>
            <span class="min-w-0 flex-1 break-words">{{ chart.name }}</span>
            <span class="shrink-0 font-normal text-quiet">{{ chart.datasetName }}</span>
          </button>
        </div>
      </template>
      <div class="mt-5 flex gap-3">
        <button class="button button-strong" :disabled="!title.trim()">
          {{ chosen.length ? `Make it of ${chosen.length} ${chosen.length === 1 ? 'chart' : 'charts'}` : 'Make it' }}
        </button>
        <button type="button" class="button" @click="$emit('close')">Cancel</button>
      </div>
    </form>
  </DialogSheet>
</template>

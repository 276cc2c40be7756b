<script setup lang="ts">
import type { Chart } from '../shared/types'

defineProps<{ chart: Chart; deletable?: boolean }>()
defineEmits<{ remove: [] }>()

function day(iso: string): string {
  return new Date(iso).toLocaleDateString('en-GB', { day: 'numeric', month: 'short', year: 'numeric' })
}
</script>

<template>
  <article class="group relative rounded-lg border border-hairline bg-panel transition-colors hover:border-accent/50">
    <RouterLink :to="`/charts/${chart.id}`" class="block rounded-lg">
      <div class="border-b border-hairline p-4">
        <img
          :src="`/api/charts/${chart.id}/picture.svg?v=${chart.pictured ?? chart.version}`"
          :alt="`Picture of ${chart.name}`"
          loading="lazy"
          class="h-auto w-full"
          width="620"
          height="440"
        />
      </div>
      <div class="px-4 py-3">
        <h2 class="font-semibold break-words">{{ chart.name }}</h2>
        <p class="text-[12px] break-words text-quiet">{{ chart.datasetName }} · saved {{ day(chart.savedAt) }}</p>
        <p v-for="trouble in chart.troubles ?? []" :key="trouble" class="flex gap-1.5 text-[12px]">
          <span class="font-semibold text-unfavourable-text" aria-hidden="true">!</span
          ><span class="min-w-0 break-words">{{ trouble }}</span>
        </p>
        <p v-if="chart.behind" class="flex gap-1.5 text-[12px] text-quiet">
          <span class="font-semibold" aria-hidden="true">‹</span><span>{{ chart.behind }}</span>
        </p>
      </div>
    </RouterLink>
    <button
      v-if="deletable"
      class="absolute right-3 bottom-3 rounded px-1.5 text-[12px] text-quiet opacity-0 group-hover:opacity-100 hover:text-unfavourable-text focus-visible:opacity-100"
      :aria-label="`Delete ${chart.name}`"
      @click="$emit('remove')"
    >
      Delete
    </button>
  </article>
</template>

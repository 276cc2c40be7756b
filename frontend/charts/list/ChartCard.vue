<script setup lang="ts">
import { computed, nextTick, ref } from 'vue'
import MoreMenu from '../../shared/MoreMenu.vue'
import type { Chart } from '../../shared/types'

const props = defineProps<{ chart: Chart; editable?: boolean }>()
const emit = defineEmits<{ remove: []; duplicate: []; rename: [name: string]; copyRecipe: [] }>()
const pictured = computed(() => props.chart.pictured ?? props.chart.version)
/** The state that there is no picture of: its troubles say why. */
const failed = ref<string | number | null>(null)
const name = ref<string | null>(null)
const field = ref<HTMLInputElement | null>(null)

const day = (iso: string) =>
  new Date(iso).toLocaleDateString('en-GB', { day: 'numeric', month: 'short', year: 'numeric' })

async function startNaming() {
  name.value = props.chart.name
  await nextTick()
  field.value?.select()
}
function finishNaming() {
  const text = name.value?.trim()
  name.value = null
  if (text && text !== props.chart.name) emit('rename', text)
}
const choices = [
  ['Rename', startNaming],
  ['Duplicate', () => emit('duplicate')],
  ['Copy the recipe', () => emit('copyRecipe')],
  ['Delete', () => emit('remove')],
] as const
</script>

<template>
  <article class="group relative rounded-lg border border-hairline bg-panel transition-colors hover:border-accent/50">
    <RouterLink :to="`/charts/${chart.id}`" class="block rounded-t-lg" :aria-label="chart.name">
      <div class="aspect-[62/46] overflow-hidden border-b border-hairline p-4">
        <img
          v-if="pictured !== failed"
          :src="`/api/charts/${chart.id}/picture.svg?v=${pictured}`"
          :alt="`Picture of ${chart.name}`"
          loading="lazy"
          class="h-full w-full object-contain object-top"
          width="620"
          height="440"
          @error="failed = pictured" />
      </div>
    </RouterLink>
    <div class="px-4 py-3" :class="editable ? 'pr-12' : ''">
      <input
        v-if="name !== null"
        ref="field"
        v-model="name"
        class="field w-full"
        maxlength="200"
        :aria-label="`New name of ${chart.name}`"
        @keydown.enter="finishNaming"
        @keydown.escape="name = null"
        @blur="finishNaming" />
      <h2 v-else class="font-semibold break-words">
        <RouterLink :to="`/charts/${chart.id}`" class="block">{{ chart.name }}</RouterLink>
      </h2>
      <p class="text-[12px] break-words text-quiet">{{ chart.datasetName }} · saved {{ day(chart.savedAt) }}</p>
      <p v-for="trouble in chart.troubles ?? []" :key="trouble" class="flex gap-1.5 text-[12px]">
        <span class="font-semibold text-unfavourable-text" aria-hidden="true">!</span
        ><span class="min-w-0 break-words">{{ trouble }}</span>
      </p>
      <p v-if="chart.behind" class="flex gap-1.5 text-[12px] text-quiet">
        <span class="font-semibold" aria-hidden="true">‹</span><span>{{ chart.behind }}</span>
      </p>
    </div>
    <MoreMenu v-if="editable" :name="chart.name" :choices="choices" />
  </article>
</template>

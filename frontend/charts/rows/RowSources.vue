<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import DialogSheet from '../../shared/DialogSheet.vue'
import { ask, says } from '../../shared/api'
import { saveFile } from '../../shared/save'
import SentenceOfTrouble from '../../shared/SentenceOfTrouble.vue'
import SourceFiles from '../../shared/SourceFiles.vue'
import type { Recipe, Scenario, SourceFile } from '../../shared/types'
import { useLoad } from '../../shared/useLoad'
import { useToast } from '../../shared/useToast'
import { useRow } from './useRow'

/** The rows of the files that a row of the chart came from, a page at a time; all of them can be saved. */
const props = defineProps<{ dataset: number; recipe: Recipe; rowKey: string }>()
const emit = defineEmits<{ close: [] }>()
const { tell } = useToast()
const { about, problem } = useRow(
  computed(() => props.dataset),
  computed(() => props.recipe),
  computed(() => props.rowKey),
)
const scenario = ref<Scenario | null>(null)
const page = ref(1)
watch(about, told => (scenario.value ??= told?.scenarios[0]?.scenario ?? null), { immediate: true })
const body = computed(() => ({ recipe: props.recipe, row: props.rowKey, scenario: scenario.value, page: page.value }))
const { value: sources, problem: trouble } = useLoad(
  () => ['datasets', props.dataset, 'sources', body.value],
  signal =>
    ask<{ files: SourceFile[] }>('POST', `/datasets/${props.dataset}/rows/sources`, { body: body.value, signal }),
  { isAsked: () => scenario.value !== null, isFresh: true },
)
const files = computed(() => sources.value?.files ?? null)
const hasMore = computed(() => files.value?.some(file => file.hasMore) ?? false)

async function save() {
  try {
    const body = { recipe: props.recipe, row: props.rowKey, scenario: scenario.value }
    tell(`Saved ${await saveFile(`/datasets/${props.dataset}/rows/sources.csv`, body)}`)
  } catch (error) {
    tell(says(error))
  }
}
</script>

<template>
  <DialogSheet :title="`Source rows of ${about?.label ?? '…'}`" width="max-w-4xl" @close="emit('close')">
    <SentenceOfTrouble v-if="problem || trouble" :says="problem || trouble" />
    <div v-if="about" class="mb-3 flex flex-wrap items-center gap-2" role="radiogroup" aria-label="Scenario">
      <button
        v-for="of in about.scenarios"
        :key="of.scenario"
        class="button"
        :class="of.scenario === scenario ? 'border-accent! font-semibold text-accent' : ''"
        role="radio"
        :aria-checked="of.scenario === scenario"
        @click="((scenario = of.scenario), (page = 1))">
        {{ of.scenario }}
      </button>
      <button class="button ml-auto" :disabled="!files?.length" @click="save">Save all rows as CSV</button>
    </div>
    <div class="min-h-24 flex-1 overflow-auto" tabindex="0" aria-label="Rows">
      <p v-if="!files && !problem && !trouble" class="text-quiet">Looking through the files…</p>
      <p v-else-if="files && !files.length" class="text-quiet">No file brought these numbers.</p>
      <SourceFiles v-if="files" :files="files" />
    </div>
    <p class="mt-4 flex items-center gap-3">
      <template v-if="page > 1 || hasMore">
        <button class="button" :disabled="page === 1" @click="page--">Earlier rows</button>
        <button class="button" :disabled="!hasMore" @click="page++">Later rows</button>
      </template>
      <button class="button ml-auto" @click="emit('close')">Close</button>
    </p>
  </DialogSheet>
</template>

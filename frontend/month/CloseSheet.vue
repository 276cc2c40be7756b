<script setup lang="ts">
import { computed, ref } from 'vue'
import { ask } from '../shared/api'
import DialogSheet from '../shared/DialogSheet.vue'
import type { Month, MonthDataset, RollPreview } from '../shared/contract'
import { useLoad } from '../shared/useLoad'

/** Which books move with the month, and what would then be said wrongly in the reports that follow them. */
const props = defineProps<{ month: Month }>()
const emit = defineEmits<{ close: []; confirm: [datasets: number[]] }>()
const movable = computed(() => props.month.datasets.filter(one => one.closing && !one.isClosed))
const isReady = (one: MonthDataset) => one.expected.every(own => own.state === 'came' || own.state === 'does not come')
const chosen = ref(movable.value.filter(one => isReady(one) && !one.waiting.length).map(one => one.id))
const followers = computed(() => props.month.reports.filter(one => !one.isPinned))
const { value: stale, problem } = useLoad(
  () => ['months', props.month.key, 'closing'],
  async signal => {
    const told: { title: string; says: string[] }[] = []
    for (const report of followers.value) {
      const preview = await ask<RollPreview>('GET', `/reports/${report.id}/roll?to=${props.month.key}`, { signal })
      const says = preview.pages.flatMap(page => [
        ...page.numbers
          .filter(one => !one.follows)
          .map(one => `${page.title}: ${one.was} is said; it will be ${one.becomes ?? 'gone'}`),
        ...page.found,
      ])
      if (says.length) told.push({ title: report.title, says })
    }
    return told
  },
  { isFresh: true },
)
</script>

<template>
  <DialogSheet :title="`Close ${month.label}`" width="max-w-xl" @close="$emit('close')">
    <p class="mb-2 text-quiet">The books of what is ticked are closed through {{ month.label }}.</p>
    <p v-if="movable.length > 1" class="mb-1 flex gap-3">
      <button type="button" class="link" @click="chosen = movable.map(one => one.id)">Tick all</button>
      <button type="button" class="link" @click="chosen = []">Tick none</button>
    </p>
    <div
      class="max-h-[34vh] shrink-0 overflow-y-auto border-y border-hairline py-2"
      role="group"
      aria-label="Datasets"
      tabindex="0">
      <label v-for="one in movable" :key="one.id" class="flex items-baseline gap-2.5 py-0.5">
        <input v-model="chosen" type="checkbox" class="accent-accent" :value="one.id" />
        <span class="min-w-0 flex-1 break-words">{{ one.name }}</span>
        <span class="text-[12px] text-quiet">{{ one.says }}</span>
      </label>
    </div>
    <section
      class="my-3 max-h-[24vh] shrink-0 overflow-y-auto"
      aria-label="What would be said wrongly"
      aria-live="polite"
      tabindex="0">
      <p v-if="problem" class="text-unfavourable-text">{{ problem }}</p>
      <p v-else-if="!stale" class="text-quiet">Looking through the reports…</p>
      <p v-else-if="!stale.length" class="flex gap-2">
        <span class="text-favourable-text" aria-hidden="true">✓</span>Nothing that is written becomes wrong.
      </p>
      <template v-else>
        <div v-for="report in stale" :key="report.title" class="mb-1">
          <p class="font-semibold">{{ report.title }}</p>
          <ul>
            <li v-for="says in report.says" :key="says" class="flex gap-2">
              <span class="font-semibold text-unfavourable-text" aria-hidden="true">!</span>{{ says }}
            </li>
          </ul>
        </div>
      </template>
    </section>
    <div class="flex gap-3">
      <button class="button button-strong" :disabled="!chosen.length" @click="emit('confirm', chosen)">
        Close {{ chosen.length === 1 ? '1 dataset' : `${chosen.length} datasets` }}
      </button>
      <button class="button" @click="$emit('close')">Leave them open</button>
    </div>
  </DialogSheet>
</template>

<script setup lang="ts">
import { ask } from '../shared/api'
import DialogSheet from '../shared/DialogSheet.vue'
import SentenceOfTrouble from '../shared/SentenceOfTrouble.vue'
import type { Month, MonthHistory } from '../shared/contract'
import { useLoad } from '../shared/useLoad'

/** How late each dataset was over the last twelve months. */
const props = defineProps<{ month: Month }>()
defineEmits<{ close: [] }>()
const { value: history, problem } = useLoad(
  () => ['months', props.month.key, 'history'],
  signal => ask<MonthHistory>('GET', `/months/${props.month.key}/history`, { signal }),
)
const words: Record<string, string> = { AC: '', BU: 'budget', FC: 'forecast', TG: 'target', PY: 'prior year' }
</script>

<template>
  <DialogSheet title="How late it was" width="max-w-4xl" @close="$emit('close')">
    <p class="mb-3 text-quiet">Working days after the one by which figures are expected; · in time, – not known.</p>
    <SentenceOfTrouble v-if="problem" :says="problem" />
    <div v-if="history?.items.length" class="overflow-x-auto" tabindex="0" role="region" aria-label="How late it was">
      <table class="w-full border-collapse">
        <thead>
          <tr class="text-[12px] text-quiet">
            <th class="pb-1 text-left font-normal" scope="col">Dataset</th>
            <th
              v-for="period in history.periods"
              :key="period.key"
              class="w-11 pb-1 text-center font-normal whitespace-nowrap"
              scope="col">
              {{ period.label.split(' ')[0] }}<br />{{ period.label.split(' ')[1] }}
            </th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in history.items" :key="`${row.dataset}${row.scenario}`" class="border-t border-hairline">
            <th class="py-1 pr-3 text-left font-normal break-words" scope="row">
              {{ row.name }} <span class="text-quiet">{{ words[row.scenario] }}</span>
            </th>
            <td
              v-for="one in row.months"
              :key="one.period"
              class="text-center"
              :class="one.late ? 'font-semibold text-unfavourable-text' : 'text-quiet'"
              :title="one.came ?? undefined">
              {{ one.late === null ? '–' : one.late || '·' }}
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <p v-else-if="history" class="text-quiet">No dataset expects anything yet.</p>
    <p><button class="button mt-4" @click="$emit('close')">Close</button></p>
  </DialogSheet>
</template>

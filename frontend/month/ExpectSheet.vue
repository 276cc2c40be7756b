<script setup lang="ts">
import { ref, watch } from 'vue'
import { ask, says } from '../shared/api'
import DialogSheet from '../shared/DialogSheet.vue'
import SentenceOfTrouble from '../shared/SentenceOfTrouble.vue'
import type { Expected, MonthDataset, Source } from '../shared/contract'
import type { Listing } from '../shared/types'
import { useLoad } from '../shared/useLoad'

/** What a dataset expects each month: of which scenario, by which working day, from where or whom. */
const props = defineProps<{ dataset: MonthDataset }>()
const emit = defineEmits<{ close: []; changed: [] }>()
const { value: known, problem } = useLoad(
  () => ['datasets', props.dataset.id, 'expectations'],
  signal => ask<Expected[]>('GET', `/datasets/${props.dataset.id}/expectations`, { signal }),
  { isFresh: true },
)
const { value: sources } = useLoad(
  () => ['sources', props.dataset.id],
  signal => ask<Listing<Source>>('GET', `/sources?dataset=${props.dataset.id}`, { signal }),
)
const scenarios = [
  ['AC', 'Actual'],
  ['FC', 'Forecast'],
  ['BU', 'Budget'],
  ['TG', 'Target'],
] as const
const items = ref<Expected[]>([])
const trouble = ref('')
watch(
  known,
  own => own && (items.value = own.length ? own : [{ scenario: 'AC', workingDay: 3, whom: '', source: null }]),
  { immediate: true },
)

function add() {
  const free = scenarios.find(([code]) => !items.value.some(one => one.scenario === code))
  if (free) items.value = [...items.value, { scenario: free[0], workingDay: 3, whom: '', source: null }]
}
async function save() {
  trouble.value = ''
  try {
    await ask('PUT', `/datasets/${props.dataset.id}/expectations`, { body: { items: items.value } })
    emit('changed')
    emit('close')
  } catch (error) {
    trouble.value = says(error)
  }
}
</script>

<template>
  <DialogSheet :title="`What ${dataset.name} expects each month`" width="max-w-2xl" @close="$emit('close')">
    <form @submit.prevent="save">
      <ul class="space-y-2">
        <li v-for="(one, i) in items" :key="i" class="flex flex-wrap items-center gap-2">
          <select v-model="one.scenario" class="field w-32" aria-label="Scenario">
            <option v-for="[code, word] in scenarios" :key="code" :value="code">{{ word }}</option>
          </select>
          <span>by working day</span>
          <input
            v-model.number="one.workingDay"
            class="field w-16"
            type="number"
            min="1"
            max="23"
            required
            aria-label="Working day" />
          <span>from</span>
          <select v-if="sources?.items.length" v-model="one.source" class="field w-44" aria-label="Source">
            <option :value="null">somebody</option>
            <option v-for="source in sources.items" :key="source.id" :value="source.id">{{ source.name }}</option>
          </select>
          <input
            v-if="!one.source"
            v-model="one.whom"
            class="field min-w-36 flex-1"
            maxlength="120"
            placeholder="a name or an address"
            aria-label="From whom" />
          <button
            type="button"
            class="size-7 rounded text-quiet hover:text-ink"
            aria-label="Expect this no more"
            @click="items = items.filter((_, own) => own !== i)">
            ×
          </button>
        </li>
      </ul>
      <button v-if="items.length < scenarios.length" type="button" class="link mt-2" @click="add">
        {{ items.length ? 'And another scenario' : 'Expect figures' }}
      </button>
      <SentenceOfTrouble v-if="problem || trouble" class="mt-2" :says="trouble || problem" />
      <p class="mt-4 flex gap-3">
        <button class="button button-strong">Keep it</button>
        <button type="button" class="button" @click="$emit('close')">Leave it</button>
      </p>
    </form>
  </DialogSheet>
</template>

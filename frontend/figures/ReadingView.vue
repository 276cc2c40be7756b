<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { refDebounced } from '@vueuse/core'
import { ask, says } from '../shared/api'
import SentenceOfTrouble from '../shared/SentenceOfTrouble.vue'
import TopBar from '../shared/TopBar.vue'
import type { Dataset, Mapping, Trial } from '../shared/types'
import { useIncoming } from '../start/useIncoming'
import SampleTable from './SampleTable.vue'
import TrialSummary from './TrialSummary.vue'

const router = useRouter()
const { reading } = useIncoming()
if (!reading.value) void router.replace('/figures')

const mapping = ref<Mapping>(reading.value?.mapping ?? ({ columns: {} } as Mapping))
const name = ref(reading.value?.suggestedName ?? '')
const organisation = ref('')
const measure = ref(mapping.value.measure === 'Amount' ? '' : (mapping.value.measure ?? ''))
const trial = ref<Trial | null>(null)
const problem = ref('')
const isBusy = ref(false)

const amounts = computed(() => Object.values(mapping.value.columns).filter((column) => column.role === 'amount'))
const asksMeasure = computed(
  () =>
    amounts.value.some((column) => !column.measure) &&
    !Object.values(mapping.value.columns).some((column) => column.role === 'measure'),
)
/** The mapping as it will be sent: amounts without a name of their own count what the reader says. */
const told = computed<Mapping>(() => {
  const named = measure.value.trim() || 'Amount'
  const { [mapping.value.measure ?? 'Amount']: rule, ...rules } = mapping.value.measures ?? {}
  const measures = rule ? { ...rules, [named]: rule } : rules
  return {
    ...mapping.value,
    measure: named,
    measures: Object.keys(measures).length ? measures : undefined,
    leaveOut: mapping.value.leaveOut?.length ? mapping.value.leaveOut : undefined,
  }
})
const settled = refDebounced(told, 150)
let asked = 0

watch(
  settled,
  async (value) => {
    if (!reading.value) return
    const mine = ++asked
    try {
      const answer = await ask<Trial>('POST', `/readings/${reading.value.id}/trials`, { body: { mapping: value } })
      if (mine === asked) [trial.value, problem.value] = [answer, '']
    } catch (error) {
      if (mine === asked) [trial.value, problem.value] = [null, says(error)]
    }
  },
  { immediate: true },
)

async function confirm() {
  if (!reading.value || isBusy.value) return
  isBusy.value = true
  try {
    const dataset = await ask<Dataset>('POST', '/datasets', {
      body: {
        reading: reading.value.id,
        name: name.value,
        organisation: organisation.value || undefined,
        mapping: told.value,
      },
    })
    reading.value = null
    await router.push(`/charts/new?dataset=${dataset.id}`)
  } catch (error) {
    problem.value = says(error)
  } finally {
    isBusy.value = false
  }
}

function drop() {
  if (reading.value) void ask('DELETE', `/readings/${reading.value.id}`).catch(() => undefined)
  reading.value = null
  void router.push('/figures')
}

function leaveOut(rows: number[]) {
  mapping.value = { ...mapping.value, leaveOut: [...(mapping.value.leaveOut ?? []), ...rows] }
}
</script>

<template>
  <TopBar area="figures" />
  <div v-if="reading" class="flex min-h-[calc(100vh-48px)]">
    <aside
      class="w-[272px] shrink-0 border-r-2 border-accent/35 px-7 pt-8 pb-8 max-lg:w-[228px] max-lg:px-5"
      aria-label="What would come in"
    >
      <h1 class="font-serif text-[21px] leading-7 break-words">{{ reading.name }}</h1>
      <p class="mb-6 text-quiet">
        {{ reading.rowCount.toLocaleString('en-GB') }} {{ reading.rowCount === 1 ? 'row' : 'rows' }}. Nothing is kept
        yet.
      </p>
      <TrialSummary v-if="trial" :trial="trial" @leave-out="leaveOut" />
      <SentenceOfTrouble v-if="problem" :says="problem" />
      <p v-if="mapping.leaveOut?.length" class="mt-4 text-quiet">
        {{ mapping.leaveOut.length }} {{ mapping.leaveOut.length === 1 ? 'row is' : 'rows are' }} left out.
        <button class="link" @click="mapping = { ...mapping, leaveOut: [] }">Take back</button>
      </p>
    </aside>
    <main class="min-w-0 flex-1 px-7 pt-8 pb-10">
      <form class="mb-7 flex flex-wrap items-end gap-x-4 gap-y-3" @submit.prevent="confirm">
        <label class="w-72"
          ><span class="label mb-1 block">Name of the dataset</span
          ><input v-model="name" class="field w-full" maxlength="200" required
        /></label>
        <label v-if="asksMeasure" class="w-48"
          ><span class="label mb-1 block">What is counted</span
          ><input v-model="measure" class="field w-full" maxlength="120" placeholder="Amount"
        /></label>
        <label class="w-48"
          ><span class="label mb-1 block">Organisation, if you like</span
          ><input v-model="organisation" class="field w-full" maxlength="200"
        /></label>
        <button class="button button-strong h-8" :disabled="!trial?.accepted || !name.trim() || isBusy">
          {{ isBusy ? 'Bringing in…' : 'Bring in' }}
        </button>
        <button type="button" class="button h-8" @click="drop">Cancel</button>
      </form>
      <fieldset class="mb-5 flex flex-wrap items-center gap-x-7 gap-y-2">
        <label
          class="flex items-center gap-2"
          :class="trial?.doubts.includes('decimal') ? 'rounded bg-accent-tint px-2 py-1' : ''"
        >
          Decimal sign
          <select v-model="mapping.decimal" class="field">
            <option value=".">point, 1,234.5</option>
            <option value=",">comma, 1.234,5</option>
          </select>
          <span v-if="trial?.doubts.includes('decimal')" class="text-accent">the file does not tell: please check</span>
        </label>
        <label v-if="trial?.doubts.includes('dates')" class="flex items-center gap-2 rounded bg-accent-tint px-2 py-1">
          Dates have the
          <select v-model="mapping.dates" class="field">
            <option value="day first">day first</option>
            <option value="month first">month first</option>
          </select>
          <span class="text-accent">the file does not tell: please check</span>
        </label>
        <label v-if="trial?.doubts.includes('year')" class="flex items-center gap-2 rounded bg-accent-tint px-2 py-1">
          The periods have no year. It is
          <input v-model.number="mapping.year" class="field w-20" type="number" min="1900" max="2199" />
        </label>
        <label class="flex items-center gap-2">
          Fiscal year starts in
          <select v-model.number="mapping.fiscalYearStarts" class="field">
            <option
              v-for="(month, i) in [
                'January',
                'February',
                'March',
                'April',
                'May',
                'June',
                'July',
                'August',
                'September',
                'October',
                'November',
                'December',
              ]"
              :key="month"
              :value="i + 1"
            >
              {{ month }}
            </option>
          </select>
        </label>
      </fieldset>
      <SampleTable
        v-model="mapping"
        :reading="reading"
        :refused="(trial?.refusals ?? []).map((refusal) => refusal.row)"
      />
    </main>
  </div>
</template>

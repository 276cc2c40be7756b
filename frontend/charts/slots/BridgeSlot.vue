<script setup lang="ts">
import { computed } from 'vue'
import type { Dataset, Question, Scenario } from '../../shared/types'
import SlotSheet from '../../shared/slots/SlotSheet.vue'

/** What a bridge leads from and to: scenarios, spans of time, members, or the opening and closing value. */
const props = defineProps<{ text: string; dataset: Dataset; question: Question }>()
const emit = defineEmits<{ change: [part: Partial<Question>] }>()

type Bridge = NonNullable<Question['bridge']>
const bridge = computed(() => props.question.bridge)
const scenarios = computed(() => {
  const told = bridge.value
  return told && 'from' in told ? told : null
})
const members = computed(() => {
  const told = bridge.value
  return told && 'field' in told ? told : null
})
const fields = computed(() =>
  props.dataset.breakdowns.filter(
    one => one.members.length > 1 && one.name !== props.question.by && one.name !== props.question.each,
  ),
)
const ofField = computed(() => fields.value.find(one => one.name === members.value?.field)?.members ?? [])
const stretches = computed(() => [...props.dataset.years, ...props.dataset.closings.slice(-24)])
const periods = computed(() => {
  const told = bridge.value
  return told && 'toPeriod' in told ? told : null
})
const isSame = (one: Bridge) => JSON.stringify(one) === JSON.stringify(bridge.value)
const quick = computed(() => {
  const choices: { label: string; bridge: Bridge }[] = []
  const [before, last] = props.dataset.years.slice(-2)
  if (before && last) {
    choices.push(
      { label: `${before.label} to ${last.label}`, bridge: { fromPeriod: before.key, toPeriod: last.key } },
      { label: 'Year to date, on the year', bridge: { fromPeriod: 'a year before', toPeriod: 'year to date' } },
    )
    if (props.dataset.grains.includes('month'))
      choices.push({
        label: 'Month on the year',
        bridge: { fromPeriod: 'a year before', toPeriod: { last: 1, unit: 'month' } },
      })
  }
  if (props.dataset.grains.length) choices.push({ label: 'Opening to closing value', bridge: { over: 'periods' } })
  return choices
})

/** Steps that were opened, and drivers, belong to the bridge before. */
function take(next: Bridge) {
  emit('change', { bridge: next, opened: undefined })
}
function ends(from: string, to: string, through: Scenario[] = []) {
  if (from === to) return
  const between = through.filter(one => one !== from && one !== to)
  take({ from: from as Scenario, to: to as Scenario, ...(between.length ? { through: between } : {}) })
}
function spans(from: string, to: string) {
  if (from && to && from !== to) take({ fromPeriod: from, toPeriod: to })
}
function ofMembers(field: string, first?: string, second?: string) {
  const found = fields.value.find(one => one.name === field)?.members ?? []
  const a = first ?? found[0] ?? ''
  const b = second && second !== a ? second : (found.find(one => one !== a) ?? '')
  take({ field, first: a, second: b })
}
const key = (stretch: unknown) => (typeof stretch === 'string' ? stretch : '')
const value = (event: Event) => (event.target as HTMLSelectElement).value
const drivers = computed(() => props.dataset.drivers as { volume: string; value: string } | null)
function drive(on: boolean) {
  if (!on || !drivers.value) return emit('change', { drivers: undefined, opened: undefined })
  const isGrain = (props.dataset.grains as string[]).includes(props.question.by ?? 'month')
  emit('change', {
    drivers: drivers.value,
    measure: drivers.value.value,
    opened: undefined,
    subtotals: undefined,
    ...(isGrain ? { by: props.dataset.breakdowns[0]?.name } : {}),
  })
}
</script>

<template>
  <SlotSheet :text="text" says="bridge" name="From and to" example="budget to actual, 2025 to 2026" :width="360">
    <div v-if="dataset.references.length > 1" class="grid grid-cols-[auto_1fr] items-center gap-x-3 gap-y-2">
      <label for="bridge-from">From</label>
      <select
        id="bridge-from"
        class="field min-w-0"
        :value="scenarios?.from ?? ''"
        @change="ends(value($event), scenarios?.to ?? 'AC', scenarios?.through ?? [])">
        <option v-if="!scenarios" value="">a scenario</option>
        <option v-for="one in dataset.references" :key="one.code" :value="one.code">{{ one.word }}</option>
      </select>
      <label for="bridge-to">to</label>
      <select
        id="bridge-to"
        class="field min-w-0"
        :value="scenarios?.to ?? ''"
        @change="ends(scenarios?.from ?? 'BU', value($event), scenarios?.through ?? [])">
        <option v-if="!scenarios" value="">a scenario</option>
        <option v-for="one in dataset.references" :key="one.code" :value="one.code">{{ one.word }}</option>
      </select>
      <template v-if="scenarios && dataset.references.length > 2">
        <label for="bridge-through">by way of</label>
        <select
          id="bridge-through"
          class="field min-w-0"
          :value="scenarios.through?.[0] ?? ''"
          @change="ends(scenarios.from, scenarios.to, value($event) ? [value($event) as Scenario] : [])">
          <option value="">no total between</option>
          <option
            v-for="one in dataset.references.filter(one => one.code !== scenarios?.from && one.code !== scenarios?.to)"
            :key="one.code"
            :value="one.code">
            {{ one.word }}
          </option>
        </select>
      </template>
    </div>
    <div v-if="quick.length" class="mt-2 border-t border-hairline pt-2">
      <p class="label mb-1">Over time</p>
      <button
        v-for="choice in quick"
        :key="choice.label"
        class="choice rounded"
        :class="isSame(choice.bridge) ? 'choice-chosen' : ''"
        @click="take(choice.bridge)">
        {{ choice.label }}
      </button>
      <div v-if="stretches.length > 1" class="mt-1 flex items-center gap-2">
        <label class="sr-only" for="bridge-first">From the period</label>
        <select
          id="bridge-first"
          class="field min-w-0 flex-1"
          :value="key(periods?.fromPeriod)"
          @change="spans(value($event), key(periods?.toPeriod) || stretches[stretches.length - 1]!.key)">
          <option value="">a period</option>
          <option v-for="one in stretches" :key="one.key" :value="one.key">{{ one.label }}</option>
        </select>
        to
        <label class="sr-only" for="bridge-second">To the period</label>
        <select
          id="bridge-second"
          class="field min-w-0 flex-1"
          :value="key(periods?.toPeriod)"
          @change="spans(key(periods?.fromPeriod) || stretches[0]!.key, value($event))">
          <option value="">a period</option>
          <option v-for="one in stretches" :key="one.key" :value="one.key">{{ one.label }}</option>
        </select>
      </div>
    </div>
    <div
      v-if="fields.length"
      class="mt-2 grid grid-cols-[auto_1fr] items-center gap-x-3 gap-y-2 border-t border-hairline pt-3">
      <label for="bridge-field">Members of</label>
      <select id="bridge-field" class="field min-w-0" :value="members?.field ?? ''" @change="ofMembers(value($event))">
        <option v-if="!members" value="">a breakdown</option>
        <option v-for="one in fields" :key="one.name" :value="one.name">{{ one.name }}</option>
      </select>
      <template v-if="members">
        <label for="bridge-one">from</label>
        <select
          id="bridge-one"
          class="field min-w-0"
          :value="members.first"
          @change="ofMembers(members.field, value($event), members.second)">
          <option v-for="one in ofField" :key="one" :value="one">{{ one || '(blank)' }}</option>
        </select>
        <label for="bridge-other">to</label>
        <select
          id="bridge-other"
          class="field min-w-0"
          :value="members.second"
          @change="ofMembers(members.field, members.first, value($event))">
          <option v-for="one in ofField" :key="one" :value="one">{{ one || '(blank)' }}</option>
        </select>
      </template>
    </div>
    <label v-if="drivers" class="mt-3 flex items-start gap-2 border-t border-hairline pt-3">
      <input
        type="checkbox"
        class="mt-1 size-4 accent-accent"
        :checked="Boolean(question.drivers)"
        @change="drive(($event.target as HTMLInputElement).checked)" />
      <span>By what drives {{ drivers.value }}: volume ({{ drivers.volume }}), mix and rate</span>
    </label>
  </SlotSheet>
</template>

<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Dataset, Measure } from '../../shared/types'
import ChoiceSetting from './ChoiceSetting.vue'
import TextSetting from './TextSetting.vue'

/** The measures of a dataset: what they are called, how they are counted, and whether more is better. */
const props = defineProps<{ dataset: Dataset; kept: number }>()
const emit = defineEmits<{ change: [title: string, path: string, body: object, method?: string] }>()

const GROUPINGS = [
  { value: 'sum', label: 'added up' },
  { value: 'average', label: 'averaged' },
  { value: 'last', label: 'the last one counts' },
  { value: 'rate', label: 'not put together' },
  { value: 'ratio', label: 'a ratio of two' },
]
const OVER_MEMBERS = [
  { value: 'sum', label: 'added up' },
  { value: 'average', label: 'averaged' },
  { value: 'never', label: 'not put together' },
]
const better = (measure: Measure) => [
  { value: '', label: measure.betterGuess ? `${measure.betterGuess}? (by its name)` : 'not told' },
  { value: 'more', label: 'more' },
  { value: 'less', label: 'less' },
]
/** Ratios and percentages whose parts are not known have one rule for both. */
const hasOneRule = (measure: Measure) => ['ratio', 'rate'].includes(measure.grouping)
const plain = computed(() => props.dataset.measures.filter(one => one.grouping !== 'ratio').map(one => one.name))
const partsOf = (measure: Measure) =>
  plain.value.filter(name => name !== measure.name).map(name => ({ value: name, label: name }))
const groupings = (measure: Measure) =>
  GROUPINGS.filter(one => one.value !== 'ratio' || measure.grouping === 'ratio' || partsOf(measure).length > 1)

function set(measure: Measure, body: object) {
  emit('change', `Change how ${measure.name} is counted?`, `/measures/${measure.id}`, body)
}
function setGrouping(measure: Measure, grouping: string) {
  const [numerator, denominator] = partsOf(measure).map(one => one.value)
  set(measure, grouping === 'ratio' ? { grouping, numerator, denominator } : { grouping })
}

const isAdding = ref(false)
const fresh = ref({ name: '', numerator: '', denominator: '', better: '' })
function start() {
  isAdding.value = !isAdding.value
  fresh.value = { name: '', numerator: plain.value[0] ?? '', denominator: plain.value[1] ?? '', better: 'more' }
}
function add() {
  const { name, numerator, denominator, better } = fresh.value
  if (!name.trim()) return
  emit(
    'change',
    `Add ${name}?`,
    '/measures',
    { name: name.trim(), grouping: 'ratio', numerator, denominator, better },
    'POST',
  )
  isAdding.value = false
}
</script>

<template>
  <table class="w-full border-collapse">
    <thead>
      <tr class="border-b border-ink/40 text-left text-[12px] text-quiet">
        <th class="py-1.5 pr-4 font-semibold" scope="col">Name</th>
        <th class="py-1.5 pr-4 font-semibold" scope="col">Unit</th>
        <th class="py-1.5 pr-4 font-semibold" scope="col">Decimals</th>
        <th class="py-1.5 pr-4 font-semibold" scope="col">Over periods</th>
        <th class="py-1.5 pr-4 font-semibold" scope="col">Over members</th>
        <th class="py-1.5 font-semibold" scope="col">Better</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="measure in dataset.measures" :key="measure.id" class="border-b border-hairline align-top">
        <td class="w-1/3 py-1 pr-4 max-lg:w-1/4">
          <TextSetting
            :label="`Name of ${measure.name}`"
            :value="measure.name"
            :kept="kept"
            required
            @change="emit('change', `Rename ${measure.name}?`, `/measures/${measure.id}`, { name: $event })" />
        </td>
        <td class="py-1 pr-4">
          <TextSetting
            :label="`Unit of ${measure.name}`"
            :value="measure.unit"
            :kept="kept"
            width="w-20"
            @change="set(measure, { unit: $event })" />
        </td>
        <td class="py-1 pr-4">
          <span v-if="measure.grouping === 'ratio'" class="inline-block py-1 text-quiet">computed</span>
          <ChoiceSetting
            v-else
            :label="`Decimals of ${measure.name}`"
            :value="String(measure.decimals)"
            :choices="[0, 1, 2, 3, 4, 5, 6, 7, 8, 9, 10].map(one => ({ value: String(one), label: String(one) }))"
            :kept="kept"
            @change="set(measure, { decimals: Number($event) })" />
        </td>
        <td class="py-1 pr-4">
          <ChoiceSetting
            :label="`How ${measure.name} is counted`"
            :value="measure.grouping"
            :choices="groupings(measure)"
            :kept="kept"
            @change="setGrouping(measure, $event)" />
          <div v-if="measure.grouping === 'ratio'" class="flex flex-wrap items-center gap-x-1 text-quiet">
            <ChoiceSetting
              :label="`Numerator of ${measure.name}`"
              :value="measure.numerator ?? ''"
              :choices="partsOf(measure)"
              :kept="kept"
              @change="set(measure, { numerator: $event })" />
            over
            <span class="pl-2" /><ChoiceSetting
              :label="`Denominator of ${measure.name}`"
              :value="measure.denominator ?? ''"
              :choices="partsOf(measure)"
              :kept="kept"
              @change="set(measure, { denominator: $event })" />
          </div>
        </td>
        <td class="py-1 pr-4">
          <span v-if="hasOneRule(measure)" class="inline-block py-1 text-quiet">the same</span>
          <ChoiceSetting
            v-else
            :label="`How members of ${measure.name} are counted together`"
            :value="measure.overMembers"
            :choices="OVER_MEMBERS"
            :kept="kept"
            @change="set(measure, { overMembers: $event })" />
        </td>
        <td class="min-w-[86px] py-1">
          <ChoiceSetting
            :label="`Better of ${measure.name}`"
            :value="measure.better ?? ''"
            :choices="better(measure)"
            :kept="kept"
            @change="set(measure, { better: $event })" />
        </td>
      </tr>
    </tbody>
  </table>
  <p v-if="plain.length > 1" class="mt-2">
    <button class="link" :aria-expanded="isAdding" @click="start">Add a ratio</button>
  </p>
  <form v-if="isAdding" class="mt-2 flex flex-wrap items-center gap-2" @submit.prevent="add">
    <input v-model="fresh.name" class="field w-48" aria-label="Name of the ratio" placeholder="Name" maxlength="200" />
    is
    <select v-model="fresh.numerator" class="field max-w-52" aria-label="Numerator">
      <option v-for="name in plain" :key="name">{{ name }}</option>
    </select>
    over
    <select v-model="fresh.denominator" class="field max-w-52" aria-label="Denominator">
      <option v-for="name in plain" :key="name">{{ name }}</option>
    </select>
    <select v-model="fresh.better" class="field" aria-label="Better">
      <option value="more">more is better</option>
      <option value="less">less is better</option>
    </select>
    <button class="button button-strong" :disabled="!fresh.name.trim() || fresh.numerator === fresh.denominator">
      Add it
    </button>
  </form>
</template>

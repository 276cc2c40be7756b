<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Dataset, Measure } from '../../shared/types'
import { FORMS, read, type Form } from '../../shared/slots/bands'

type Kept = Measure['bands'][number]

/** Bands that belong to measures: for all values or one member, from a period on. Charts are judged by them that have none of their own. */
const props = defineProps<{ dataset: Dataset }>()
const emit = defineEmits<{ change: [title: string, path: string, body: object] }>()

const kept = computed(() =>
  props.dataset.measures.flatMap(measure => measure.bands.map((bands, place) => ({ measure, bands, place }))),
)
const measures = computed(() => props.dataset.measures.filter(measure => measure.band === null))
function told(bands: Kept) {
  const parts = bands.limits.map((limit, i) => (bands.names?.[i] ? `${bands.names[i]} to ${limit}` : `to ${limit}`))
  const last = bands.names?.[bands.limits.length]
  return [...parts, ...(last ? [`then ${last}`] : [])].join(', ')
}
function whose(bands: Kept) {
  const from = props.dataset.periodList.find(period => period.key === bands.from)?.label ?? bands.from
  return [bands.member ? `${bands.field} ${bands.member}` : 'all values', ...(from ? [`from ${from}`] : [])].join(', ')
}
function send(measure: Measure, bands: Kept[]) {
  emit('change', `Change the bands of ${measure.name}?`, `/measures/${measure.id}`, { bands })
}

const isAdding = ref(false)
const trouble = ref('')
const fresh = ref({ measure: '', member: '', from: '', form: 'limits' as Form, numbers: '', names: '' })
const members = computed(() =>
  props.dataset.breakdowns.flatMap(one => one.members.map(member => ({ field: one.name, member }))),
)
function start() {
  isAdding.value = !isAdding.value
  trouble.value = ''
  fresh.value = { ...fresh.value, measure: measures.value[0]?.name ?? '', member: '', from: '', numbers: '', names: '' }
}
function add() {
  const { measure: name, member, from, form, numbers, names } = fresh.value
  const measure = measures.value.find(one => one.name === name)
  const bands = read(form, numbers, names)
  if (typeof bands === 'string') return void (trouble.value = bands)
  if (!measure) return
  trouble.value = ''
  const of = members.value[Number(member)]
  const own = { ...(member && of ? of : {}), ...(from ? { from } : {}) }
  const isOther = (one: Kept) =>
    (one.member ?? '') !== (own.member ?? '') || (one.field ?? '') !== (own.field ?? '') || (one.from ?? '') !== from
  send(measure, [...measure.bands.filter(isOther), { ...bands, ...own } as Kept])
  isAdding.value = false
}
</script>

<template>
  <ul v-if="kept.length" aria-label="Bands of measures">
    <li
      v-for="one in kept"
      :key="`${one.measure.id} ${one.place}`"
      class="flex flex-wrap items-baseline gap-x-3 border-b border-hairline py-1.5">
      <span class="w-1/4 min-w-40">{{ one.measure.name }}</span>
      <span class="min-w-0 flex-1">{{ told(one.bands) }}</span>
      <span class="text-quiet">{{ whose(one.bands) }}</span>
      <button
        class="link"
        :aria-label="`Leave out the bands of ${one.measure.name} for ${whose(one.bands)}`"
        @click="
          send(
            one.measure,
            one.measure.bands.filter((_, place) => place !== one.place),
          )
        ">
        leave out
      </button>
    </li>
  </ul>
  <p v-else class="text-quiet">No bands are kept. Those of a chart, or those that came with a list, are its own.</p>
  <p class="mt-2"><button class="link" :aria-expanded="isAdding" @click="start">Add bands</button></p>
  <form v-if="isAdding" class="mt-2 flex flex-wrap items-center gap-2" @submit.prevent="add">
    <select v-model="fresh.measure" class="field max-w-52" aria-label="Bands of">
      <option v-for="measure in measures" :key="measure.id">{{ measure.name }}</option>
    </select>
    for
    <select v-model="fresh.member" class="field max-w-52" aria-label="For which values">
      <option value="">all values</option>
      <option v-for="(one, i) in members.slice(0, 500)" :key="i" :value="String(i)">
        {{ one.field }} {{ one.member }}
      </option>
    </select>
    <template v-if="dataset.periodList.length">
      from
      <select v-model="fresh.from" class="field" aria-label="Valid from">
        <option value="">always</option>
        <option v-for="period in dataset.periodList" :key="period.key" :value="period.key">{{ period.label }}</option>
      </select>
    </template>
    <select v-model="fresh.form" class="field" aria-label="What the numbers are">
      <option v-for="form in FORMS.filter(one => one.id !== 'percentOfTarget')" :key="form.id" :value="form.id">
        {{ form.label }}
      </option>
    </select>
    <input v-model="fresh.numbers" class="field w-36" aria-label="Numbers of the bands" placeholder="60, 75, 90" />
    <input v-model="fresh.names" class="field w-44" aria-label="Names of the bands" placeholder="poor, fair, good" />
    <button class="button button-strong" :disabled="!fresh.numbers.trim()">Add them</button>
    <p v-if="trouble" class="w-full text-unfavourable-text" role="alert">{{ trouble }}</p>
  </form>
</template>

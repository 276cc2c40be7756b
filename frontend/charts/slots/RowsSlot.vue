<script setup lang="ts">
import { computed } from 'vue'
import type { Dataset, Kind, Order, Question } from '../../shared/types'
import SlotSheet from '../../shared/slots/SlotSheet.vue'

/** What the rows are: periods, running totals of them, or members of a breakdown; and whether there is a chart for each member of another. */
const props = defineProps<{ text: string; dataset: Dataset; question: Question; rows: Kind['rows'] }>()
const emit = defineEmits<{ change: [part: Partial<Question>] }>()

/** Blank: all together, in one row. */
const by = computed(() => props.question.by ?? (props.rows.canBeWhole ? '' : 'month'))
const isPeriods = computed(() => (props.dataset.grains as string[]).includes(by.value))
const breakdowns = computed(() =>
  props.rows.hasMembers ? props.dataset.breakdowns.map(one => one.name).filter(name => name !== props.rows.taken) : [],
)
const others = computed(() =>
  props.dataset.breakdowns.map(one => one.name).filter(name => name !== by.value && name !== props.rows.taken),
)
const many = computed(() => props.dataset.breakdowns.find(one => one.name === by.value)?.members.length ?? 0)
const tops = computed(() => [3, 5, 10, 20, 50].filter(top => top < many.value))
const running = [
  { value: undefined, label: 'each on its own' },
  { value: 'year to date', label: 'year to date' },
  { value: 'moving', label: 'over 12 months' },
] as const
const orders: { value: Order | undefined; label: string }[] = [
  { value: undefined, label: 'as given' },
  { value: 'largest first', label: 'largest first' },
  { value: 'smallest first', label: 'smallest first' },
  { value: 'favourable first', label: 'favourable first' },
]
const subtotals = computed(() => [
  { value: undefined, label: 'none' },
  ...(isPeriods.value
    ? ([
        { value: 'quarter', label: 'quarters' },
        { value: 'half-year', label: 'half-years' },
        { value: 'year', label: 'years' },
      ] as const)
    : ([{ value: 'group', label: 'groups' }] as const)),
])
const hasGroups = computed(
  () => Object.keys(props.dataset.breakdowns.find(one => one.name === by.value)?.parents ?? {}).length > 0,
)
/** Members were moved by hand. */
const isOwn = computed(() => Boolean(props.question.sequence?.length) && !props.question.order && !isPeriods.value)
const hasMoving = computed(() => !['day', 'week'].includes(by.value))

/** Running totals are of periods, order and gathering of members. */
function take(name: string, isGrain: boolean) {
  emit('change', {
    by: name,
    ...(isGrain ? { order: undefined, top: undefined } : { cumulate: undefined, landing: undefined }),
    ...(['day', 'week'].includes(name) && props.question.cumulate === 'moving' ? { cumulate: undefined } : {}),
    ...(props.question.each === name ? { each: undefined } : {}),
    ...(props.question.subtotals ? { subtotals: undefined } : {}),
    ...(props.question.opened ? { opened: undefined } : {}),
    ...(isGrain ? { drivers: undefined } : {}),
  })
}
function takeTogether() {
  const none = { order: undefined, top: undefined, cumulate: undefined, sequence: undefined }
  emit('change', { by: undefined, ...none })
}
</script>

<template>
  <SlotSheet :text="text" name="Rows" says="by" example="quarter" :width="340">
    <div v-if="rows.canBeWhole" class="mb-2 border-b border-hairline pb-2">
      <button class="choice w-full rounded" role="radio" :aria-checked="by === ''" @click="takeTogether">
        all together, in one row
      </button>
    </div>
    <div v-if="dataset.grains.length" role="radiogroup" aria-label="By period">
      <p class="label mb-1">Periods</p>
      <div class="grid grid-cols-3 gap-x-1">
        <button
          v-for="grain in dataset.grains"
          :key="grain"
          class="choice rounded"
          role="radio"
          :aria-checked="by === grain"
          @click="take(grain, true)">
          {{ grain }}
        </button>
      </div>
    </div>
    <div
      v-if="breakdowns.length"
      class="mt-2 border-t border-hairline pt-2"
      role="radiogroup"
      aria-label="By breakdown">
      <p class="label mb-1">Members of</p>
      <div class="grid grid-cols-2 gap-x-1">
        <button
          v-for="name in breakdowns"
          :key="name"
          class="choice min-w-0 rounded break-words"
          role="radio"
          :aria-checked="by === name"
          @click="take(name, false)">
          <span class="min-w-0">{{ name }}</span>
        </button>
      </div>
    </div>
    <div
      v-if="rows.isWaterfall && (isPeriods || hasGroups)"
      class="mt-2 border-t border-hairline pt-2"
      role="radiogroup"
      aria-label="Subtotals">
      <p class="label mb-1">Subtotals at the ends of</p>
      <div class="grid grid-cols-4 gap-x-1">
        <button
          v-for="choice in subtotals"
          :key="choice.label"
          class="choice rounded"
          role="radio"
          :aria-checked="question.subtotals === choice.value"
          @click="emit('change', { subtotals: choice.value })">
          {{ choice.label }}
        </button>
      </div>
    </div>
    <div
      v-if="isPeriods && !rows.isWaterfall"
      class="mt-2 border-t border-hairline pt-2"
      role="radiogroup"
      aria-label="Running totals">
      <p class="label mb-1">Running totals</p>
      <div class="grid grid-cols-3 gap-x-1">
        <button
          v-for="choice in running.filter(one => one.value !== 'moving' || hasMoving)"
          :key="choice.label"
          class="choice rounded"
          role="radio"
          :aria-checked="question.cumulate === choice.value"
          @click="emit('change', { cumulate: choice.value })">
          {{ choice.label }}
        </button>
      </div>
      <label v-if="rows.canLand && question.forecast" class="mt-2 flex items-center gap-2">
        <input
          type="checkbox"
          class="accent-accent"
          :checked="question.landing ?? false"
          @change="emit('change', { landing: ($event.target as HTMLInputElement).checked || undefined })" />
        Where the year will land, set apart
      </label>
    </div>
    <template v-if="!isPeriods && by !== '' && rows.canOrder">
      <div class="mt-2 border-t border-hairline pt-2" role="radiogroup" aria-label="Order">
        <p class="label mb-1">Order{{ isOwn ? ': your own' : '' }}</p>
        <div class="grid grid-cols-2 gap-x-1">
          <button
            v-for="choice in orders"
            :key="choice.label"
            class="choice rounded"
            role="radio"
            :aria-checked="question.order === choice.value && !(isOwn && !choice.value)"
            @click="emit('change', { order: choice.value, sequence: choice.value ? question.sequence : undefined })">
            {{ choice.label }}
          </button>
        </div>
      </div>
      <label v-if="tops.length" class="mt-2 flex items-center gap-2 border-t border-hairline pt-3">
        Show
        <select
          class="field flex-1"
          aria-label="How many members"
          :value="question.top ?? ''"
          @change="emit('change', { top: Number(($event.target as HTMLSelectElement).value) || undefined })">
          <option value="">{{ many > 40 ? 'the 20 largest, and the others together' : 'all of them' }}</option>
          <option v-for="top in tops" :key="top" :value="top">the {{ top }} largest, and the others together</option>
        </select>
      </label>
    </template>
    <label v-if="others.length" class="mt-3 flex items-center gap-2 border-t border-hairline pt-3">
      A chart for
      <select
        class="field min-w-0 flex-1"
        aria-label="A chart for each"
        :value="question.each ?? ''"
        @change="emit('change', { each: ($event.target as HTMLSelectElement).value || undefined })">
        <option value="">all together</option>
        <option v-for="name in others" :key="name" :value="name">each of {{ name }}</option>
      </select>
    </label>
  </SlotSheet>
</template>

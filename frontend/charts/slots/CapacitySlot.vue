<script setup lang="ts">
import { computed } from 'vue'
import type { Dataset, Question } from '../../shared/types'
import SlotSheet from '../../shared/slots/SlotSheet.vue'

/** Which measures are what is used, what is not, and the total: two of the three tell the third. */
const props = defineProps<{ text: string; dataset: Dataset; question: Question }>()
const emit = defineEmits<{ change: [part: Partial<Question>] }>()

const PARTS = [
  { key: 'used', label: 'used', rest: 'the total less what is unused' },
  { key: 'unused', label: 'unused', rest: 'the total less what is used' },
  { key: 'total', label: 'the total', rest: 'used and unused together' },
] as const
const unit = computed(() => {
  const name = props.question.used ?? props.question.total ?? props.question.unused
  return props.dataset.measures.find(one => one.name === name)?.unit
})
/** Only what is added up, over periods and members, can be a part of anything. */
const isAddedUp = (one: Dataset['measures'][number]) => one.grouping === 'sum' && (one.overMembers ?? 'sum') === 'sum'
const measures = computed(() =>
  props.dataset.measures.filter(one => isAddedUp(one) && one.band === null && one.unit === unit.value),
)

/** One measure is one part only, and two parts have to be told. */
function set(part: 'used' | 'unused' | 'total', name: string) {
  const next: Partial<Question> = {
    used: props.question.used,
    unused: props.question.unused,
    total: props.question.total,
  }
  for (const { key } of PARTS) if (next[key] === name) next[key] = next[part]
  next[part] = name || undefined
  if (PARTS.filter(({ key }) => next[key]).length > 1) emit('change', next)
}
const isNeeded = (part: 'used' | 'unused' | 'total') =>
  Boolean(props.question[part]) && PARTS.filter(({ key }) => props.question[key]).length < 3
</script>

<template>
  <SlotSheet :text="text" name="Capacity" :width="340">
    <div class="grid grid-cols-[auto_1fr] items-center gap-x-3 gap-y-2">
      <template v-for="part in PARTS" :key="part.key">
        <label :for="`capacity-${part.key}`">{{ part.label }}</label>
        <select
          :id="`capacity-${part.key}`"
          class="field min-w-0"
          :value="question[part.key] ?? ''"
          @change="set(part.key, ($event.target as HTMLSelectElement).value)">
          <option value="" :disabled="isNeeded(part.key)">{{ part.rest }}</option>
          <option v-for="measure in measures" :key="measure.name" :value="measure.name">{{ measure.name }}</option>
        </select>
      </template>
    </div>
  </SlotSheet>
</template>

<script setup lang="ts">
import { computed } from 'vue'
import type { Dataset, Question } from '../../shared/types'
import SlotSheet from '../../shared/slots/SlotSheet.vue'

/** Two members of a breakdown that are held against each other. */
const props = defineProps<{ text: string; dataset: Dataset; question: Question }>()
const emit = defineEmits<{ change: [part: Partial<Question>] }>()

const SIDES = [
  ['first', 'from'],
  ['second', 'to'],
] as const
const fields = computed(() =>
  props.dataset.breakdowns.filter(
    one => one.members.length > 1 && one.name !== props.question.by && one.name !== props.question.each,
  ),
)
const between = computed(() => props.question.between ?? { field: '', first: '', second: '' })
const members = computed(() => fields.value.find(one => one.name === between.value.field)?.members ?? [])

function take(field: string) {
  const found = fields.value.find(one => one.name === field)?.members ?? []
  const groups = new Set(Object.values(fields.value.find(one => one.name === field)?.parents ?? {}))
  const [first = '', second = ''] = found.filter(one => !groups.has(one))
  emit('change', { between: { field, first, second } })
}

/** Taking the other side's member turns the two round. */
function set(side: 'first' | 'second', member: string) {
  const { field, first, second } = between.value
  const other = side === 'first' ? second : first
  const left = other === member ? (side === 'first' ? first : second) : other
  emit('change', {
    between: side === 'first' ? { field, first: member, second: left } : { field, first: left, second: member },
  })
}
</script>

<template>
  <SlotSheet :text="text" says="between" name="Two members" :width="320">
    <div class="grid grid-cols-[auto_1fr] items-center gap-x-3 gap-y-2">
      <label for="between-field">Members of</label>
      <select
        id="between-field"
        class="field min-w-0"
        :value="between.field"
        @change="take(($event.target as HTMLSelectElement).value)">
        <option v-for="field in fields" :key="field.name" :value="field.name">{{ field.name }}</option>
      </select>
      <template v-for="[side, word] in SIDES" :key="side">
        <label :for="`between-${side}`">{{ word }}</label>
        <select
          :id="`between-${side}`"
          class="field min-w-0"
          :value="between[side]"
          @change="set(side, ($event.target as HTMLSelectElement).value)">
          <option v-for="member in members" :key="member" :value="member">{{ member || '(blank)' }}</option>
        </select>
      </template>
    </div>
    <button class="link mt-3" @click="set('first', between.second)">The other way round</button>
  </SlotSheet>
</template>

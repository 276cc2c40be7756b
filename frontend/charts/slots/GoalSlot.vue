<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import type { Dataset, Question, Scenario } from '../../shared/types'
import SlotSheet from '../../shared/slots/SlotSheet.vue'
import { thresholdDigits } from '../../shared/slots/threshold'

/**
 * What a value is to reach: a number, the same measure of another scenario, or another measure; of a goal in the course
 * of time also the total of all rows.
 */
const props = defineProps<{
  text: string
  dataset: Dataset
  question: Question
  of: 'target' | 'goal'
  hasMilestones?: boolean
}>()
const emit = defineEmits<{ change: [part: Partial<Question>] }>()

const scenarios = computed(() =>
  props.dataset.references.filter(reference => reference.code !== (props.question.scenario ?? 'AC')),
)
const measures = computed(() =>
  props.dataset.measures.filter(
    measure => measure.band === null && measure.name !== (props.question.measure ?? props.dataset.measures[0]?.name),
  ),
)
const target = computed(() => props.question[props.of])
const name = computed(() => (props.of === 'goal' ? 'Goal' : 'Target'))
const chosen = computed(() => {
  const aim = target.value
  return aim === undefined || typeof aim === 'string' ? aim : 'scenario' in aim ? aim.scenario : `of ${aim.measure}`
})
const number = ref('')
const trouble = ref('')
watch(target, aim => (number.value = typeof aim === 'string' && aim !== 'total' ? aim : ''), { immediate: true })

function take(close: () => void) {
  const text = number.value.trim().replace('−', '-')
  const digits = thresholdDigits(text.replace(/^-/, ''))
  if (digits === null) return void (trouble.value = `"${number.value}" is not a number. Write it like 90 or 250k.`)
  trouble.value = ''
  emit('change', { [props.of]: text.startsWith('-') ? `-${digits}` : digits })
  close()
}
const milestones = ref('')
watch(
  () => props.question.milestones,
  marks => (milestones.value = (marks ?? []).join(', ')),
  { immediate: true },
)
function mark(close: () => void) {
  const marks = milestones.value.split(/[,;\s]+/).filter(Boolean)
  const isRising = marks.every((one, i) => Number(one) > (i ? Number(marks[i - 1]) : 0))
  if (!isRising || marks.length > 10)
    return void (trouble.value = 'Write up to ten percentages that rise, such as 25, 50, 75.')
  trouble.value = ''
  emit('change', { milestones: marks.length ? marks : undefined })
  close()
}
function choose(aim: Question['goal'], close: () => void) {
  emit('change', { [props.of]: aim })
  close()
}
</script>

<template>
  <SlotSheet
    :text="text"
    :name="name"
    :says="of === 'goal' ? 'goal' : 'aim'"
    :example="of === 'goal' ? '2m, budget, the total' : '90, budget'"
    :width="280">
    <template #default="{ close }">
      <div role="radiogroup" :aria-label="name">
        <button
          class="choice -mx-3 w-[calc(100%+24px)]"
          role="radio"
          :aria-checked="chosen === undefined"
          @click="choose(undefined, close)">
          <span class="w-7" />the {{ of }} of the figures
        </button>
        <button
          v-if="of === 'goal' && question.by !== undefined"
          class="choice -mx-3 w-[calc(100%+24px)]"
          role="radio"
          :aria-checked="chosen === 'total'"
          @click="choose('total', close)">
          <span class="w-7" />the total: shares of it
        </button>
        <button
          v-for="choice in scenarios"
          :key="choice.code"
          class="choice -mx-3 w-[calc(100%+24px)]"
          role="radio"
          :aria-checked="chosen === choice.code"
          @click="choose({ scenario: choice.code as Scenario }, close)">
          <span class="w-7 text-quiet">{{ choice.code }}</span>{{ choice.word }}
        </button>
        <button
          v-for="measure in measures"
          :key="measure.name"
          class="choice -mx-3 w-[calc(100%+24px)]"
          role="radio"
          :aria-checked="chosen === `of ${measure.name}`"
          @click="choose({ measure: measure.name }, close)">
          <span class="w-7" />{{ measure.name }}
        </button>
      </div>
      <form class="mt-2 flex items-center gap-2 border-t border-hairline pt-3" @submit.prevent="take(close)">
        <label for="goal-number">A number</label>
        <input id="goal-number" v-model="number" class="field w-24 text-right" inputmode="decimal" />
        <button class="button ml-auto" type="submit">Set</button>
      </form>
      <form v-if="hasMilestones" class="mt-2 flex items-center gap-2" @submit.prevent="mark(close)">
        <label for="goal-milestones">Marked at, in %</label>
        <input
          id="goal-milestones"
          v-model="milestones"
          class="field w-28"
          autocomplete="off"
          placeholder="25, 50, 75" />
        <button class="button ml-auto" type="submit">Mark</button>
      </form>
      <p v-if="trouble" class="mt-2 text-unfavourable-text" role="alert">{{ trouble }}</p>
    </template>
  </SlotSheet>
</template>

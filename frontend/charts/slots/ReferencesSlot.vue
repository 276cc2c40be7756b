<script setup lang="ts">
import { computed } from 'vue'
import type { Dataset, Question, Scenario } from '../../shared/types'
import SlotSheet from '../../shared/slots/SlotSheet.vue'

const props = defineProps<{ text: string; dataset: Dataset; question: Question }>()
const emit = defineEmits<{ change: [part: Partial<Question>] }>()

const choices = computed(() =>
  props.dataset.references.filter(reference => reference.code !== (props.question.scenario ?? 'AC')),
)
const first = computed(() => props.question.against?.[0])
const second = computed(() => props.question.against?.[1])

function set(reference: Scenario | undefined, marked: Scenario | undefined) {
  const against = [reference, marked === reference ? undefined : marked].filter(
    (code): code is Scenario => code !== undefined,
  )
  emit('change', { against: against.length ? against : undefined })
}
</script>

<template>
  <SlotSheet :text="text" name="References" says="against" example="budget and prior year" :width="280">
    <div role="radiogroup" aria-label="Reference">
      <p class="label mb-1">The reference</p>
      <button
        v-for="choice in choices"
        :key="choice.code"
        class="choice -mx-3 w-[calc(100%+24px)]"
        role="radio"
        :aria-checked="first === choice.code"
        @click="set(choice.code, second)">
        <span class="w-7 text-quiet">{{ choice.code }}</span>{{ choice.word }}
      </button>
      <button
        class="choice -mx-3 w-[calc(100%+24px)]"
        role="radio"
        :aria-checked="!first"
        @click="set(undefined, undefined)">
        <span class="w-7" />nothing
      </button>
    </div>
    <div
      v-if="first && choices.length > 1"
      class="mt-2 border-t border-hairline pt-2"
      role="radiogroup"
      aria-label="Marked as well">
      <p class="label mb-1">Marked as well</p>
      <button
        v-for="choice in choices.filter(choice => choice.code !== first)"
        :key="choice.code"
        class="choice -mx-3 w-[calc(100%+24px)]"
        role="radio"
        :aria-checked="second === choice.code"
        @click="set(first, choice.code)">
        <span class="w-7 text-quiet">{{ choice.code }}</span>{{ choice.word }}
      </button>
      <button
        class="choice -mx-3 w-[calc(100%+24px)]"
        role="radio"
        :aria-checked="!second"
        @click="set(first, undefined)">
        <span class="w-7" />nothing
      </button>
    </div>
  </SlotSheet>
</template>

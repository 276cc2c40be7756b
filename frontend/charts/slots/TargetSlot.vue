<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import type { Dataset, Question, Scenario } from '../../shared/types'
import SlotSheet from '../../shared/slots/SlotSheet.vue'
import { thresholdDigits } from '../../shared/slots/threshold'

/** What a capacity is held against: a scenario that has figures of it, a rate, or both. */
const props = defineProps<{ text: string; dataset: Dataset; question: Question }>()
const emit = defineEmits<{ change: [part: Partial<Question>] }>()

const choices = computed(() =>
  props.dataset.references.filter(reference => reference.code !== (props.question.scenario ?? 'AC')),
)
const chosen = computed(() => props.question.against?.[0])
const rate = ref('')
const trouble = ref('')
watch(
  () => props.question.target,
  target => (rate.value = typeof target === 'string' ? target : ''),
  { immediate: true },
)

function take(close: () => void) {
  const digits = rate.value.trim() ? thresholdDigits(rate.value) : undefined
  if (digits === null) return void (trouble.value = `"${rate.value}" is not a percentage. Write it like 85.`)
  trouble.value = ''
  emit('change', { target: digits })
  close()
}
const set = (code: Scenario | undefined) => emit('change', { against: code ? [code] : undefined })
</script>

<template>
  <SlotSheet :text="text" name="Target" :width="270">
    <template #default="{ close }">
      <div role="radiogroup" aria-label="Reference">
        <button
          v-for="choice in choices"
          :key="choice.code"
          class="choice -mx-3 w-[calc(100%+24px)]"
          role="radio"
          :aria-checked="chosen === choice.code"
          @click="set(choice.code)">
          <span class="w-7 text-quiet">{{ choice.code }}</span>{{ choice.word }}
        </button>
        <button class="choice -mx-3 w-[calc(100%+24px)]" role="radio" :aria-checked="!chosen" @click="set(undefined)">
          <span class="w-7" />no figures
        </button>
      </div>
      <form class="mt-2 flex items-center gap-2 border-t border-hairline pt-3" @submit.prevent="take(close)">
        <label for="target-rate">A rate of</label>
        <input id="target-rate" v-model="rate" class="field w-20 text-right" inputmode="decimal" />%
        <button class="button ml-auto" type="submit">Set</button>
      </form>
      <p v-if="trouble" class="mt-2 text-unfavourable-text" role="alert">{{ trouble }}</p>
    </template>
  </SlotSheet>
</template>

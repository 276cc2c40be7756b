<script setup lang="ts">
import { ref, watch } from 'vue'
import SlotSheet from '../../shared/slots/SlotSheet.vue'
import { thresholdDigits } from '../../shared/slots/threshold'

const props = defineProps<{ text: string; flag: { percent?: string; amount?: string }; inPoints: boolean }>()
const emit = defineEmits<{ change: [flag: { percent?: string; amount?: string } | undefined] }>()
const percent = ref('')
const amount = ref('')
const trouble = ref('')
watch(
  () => props.flag,
  flag => {
    percent.value = flag.percent ?? ''
    amount.value = flag.amount ?? ''
  },
  { immediate: true },
)

function take(close: () => void) {
  const flag: { percent?: string; amount?: string } = {}
  for (const [key, text] of [
    ['percent', percent.value],
    ['amount', amount.value],
  ] as const) {
    if (!text.trim()) continue
    const digits = thresholdDigits(text)
    if (digits === null) {
      trouble.value = `"${text}" is not a number of zero or more. Write it like 5 or 20k.`
      return
    }
    flag[key] = digits
  }
  trouble.value = ''
  emit('change', Object.keys(flag).length ? flag : undefined)
  close()
}
</script>

<template>
  <SlotSheet :text="text" name="Flag" says="flag" :example="inPoints ? '2 pp' : '5 % and 20k'" :width="270">
    <template #default="{ close }">
      <form class="space-y-2" @submit.prevent="take(close)">
        <p class="text-quiet">
          A gap deserves attention from this size on{{ inPoints ? '' : '; where both are set, both must be reached' }}.
        </p>
        <label class="flex items-center gap-2"
          ><input v-model="percent" class="field w-28 text-right" inputmode="decimal" aria-label="Percent" />{{
            inPoints ? 'pp' : '% of the reference'
          }}</label
        >
        <label v-if="!inPoints" class="flex items-center gap-2"
          ><input v-model="amount" class="field w-28 text-right" aria-label="Amount" placeholder="20k" />as an
          amount</label
        >
        <p v-if="trouble" class="text-unfavourable-text" role="alert">{{ trouble }}</p>
        <div class="flex gap-2 pt-1">
          <button class="button button-strong" type="submit">Flag</button>
          <button class="button" type="button" @click="(emit('change', undefined), close())">Flag nothing</button>
        </div>
      </form>
    </template>
  </SlotSheet>
</template>

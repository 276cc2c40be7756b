<script setup lang="ts">
import { ref, watch } from 'vue'
import SlotSheet from './SlotSheet.vue'

const props = defineProps<{ text: string; flag: { percent?: string; amount?: string }; inPoints: boolean }>()
const emit = defineEmits<{ change: [flag: { percent?: string; amount?: string } | undefined] }>()
const percent = ref('')
const amount = ref('')
const trouble = ref('')
watch(
  () => props.flag,
  (flag) => {
    percent.value = flag.percent ?? ''
    amount.value = flag.amount ?? ''
  },
  { immediate: true },
)

/** `20k`, `1.5 m`, `20,000` as plain digits; null where it is no number of zero or more. */
function plain(text: string): string | null {
  const match = /^([\d,]*)(?:\.(\d+))?\s*(k|m|bn|%)?$/i.exec(text.trim())
  if (!match || !(match[1] || match[2])) return null
  const zeros = { k: 3, m: 6, bn: 9 }[(match[3] ?? '').toLowerCase()] ?? 0
  const fraction = (match[2] ?? '').padEnd(zeros, '0')
  const whole = ((match[1] ?? '').replaceAll(',', '') + fraction.slice(0, zeros)).replace(/^0+(?=\d)/, '')
  return (whole || '0') + (fraction.slice(zeros) ? `.${fraction.slice(zeros)}` : '')
}

function take(close: () => void) {
  const flag: { percent?: string; amount?: string } = {}
  for (const [key, text] of [['percent', percent.value], ['amount', amount.value]] as const) {
    if (!text.trim()) continue
    const digits = plain(text)
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
  <SlotSheet :text="text" name="Flag" :width="270">
    <template #default="{ close }">
      <form class="space-y-2" @submit.prevent="take(close)">
        <p class="text-quiet">A gap deserves attention from this size on{{ inPoints ? '' : '; where both are set, both must be reached' }}.</p>
        <label class="flex items-center gap-2"><input v-model="percent" class="field w-28 text-right" inputmode="decimal" aria-label="Percent" />{{ inPoints ? 'pp' : '% of the reference' }}</label>
        <label v-if="!inPoints" class="flex items-center gap-2"><input v-model="amount" class="field w-28 text-right" aria-label="Amount" placeholder="20k" />as an amount</label>
        <p v-if="trouble" class="text-unfavourable-text" role="alert">{{ trouble }}</p>
        <div class="flex gap-2 pt-1">
          <button class="button button-strong" type="submit">Flag</button>
          <button class="button" type="button" @click="emit('change', undefined), close()">Flag nothing</button>
        </div>
      </form>
    </template>
  </SlotSheet>
</template>

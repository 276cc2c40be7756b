<script setup lang="ts">
import { ref, watch } from 'vue'
import type { Finish } from '../../shared/types'
import { thresholdDigits } from '../../shared/slots/threshold'

/** Where a gauge begins and ends; what is left blank is found from the numbers. */
const props = defineProps<{ ends: Finish['ends'] }>()
const emit = defineEmits<{ change: [ends: Finish['ends']] }>()
const from = ref('')
const to = ref('')
const trouble = ref('')
watch(
  () => props.ends,
  ends => {
    from.value = ends?.from ?? ''
    to.value = ends?.to ?? ''
  },
  { immediate: true },
)

/** A number as recipes have it; null where it is none. */
function digits(text: string) {
  const plain = text.trim().replace('−', '-')
  const size = thresholdDigits(plain.replace(/^-/, ''))
  return size === null ? null : plain.startsWith('-') ? `-${size}` : size
}
function take() {
  const [least, most] = [from.value, to.value].map(text => (text.trim() ? digits(text) : ''))
  if (least === null || most === null) return void (trouble.value = 'Write numbers such as 0 and 100, or 250k.')
  if (least && most && Number(least) >= Number(most))
    return void (trouble.value = 'The scale must end above where it begins.')
  trouble.value = ''
  emit('change', least || most ? { ...(least ? { from: least } : {}), ...(most ? { to: most } : {}) } : undefined)
}
</script>

<template>
  <div>
    <div class="flex items-center gap-2">
      <span class="w-20 shrink-0 text-quiet">Scale</span>
      <input
        v-model="from"
        class="field w-20 text-right"
        inputmode="decimal"
        aria-label="Scale from"
        placeholder="found"
        @change="take" />
      to
      <input
        v-model="to"
        class="field w-20 text-right"
        inputmode="decimal"
        aria-label="Scale to"
        placeholder="found"
        @change="take" />
    </div>
    <p v-if="trouble" class="mt-1 text-unfavourable-text" role="alert">{{ trouble }}</p>
  </div>
</template>

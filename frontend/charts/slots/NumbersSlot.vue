<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import type { Dataset, Filter } from '../../shared/types'
import GatherLink from '../../shared/slots/GatherLink.vue'
import SlotSheet from '../../shared/slots/SlotSheet.vue'
import { thresholdDigits } from '../../shared/slots/threshold'

/** Where another column of numbers is below a limit, or at least as large. */
const props = defineProps<{ text: string; dataset: Dataset; where: Filter[]; canGather?: boolean }>()
const emit = defineEmits<{ change: [where: Filter[] | undefined]; gather: [] }>()
const trouble = ref('')

const fields = computed(() => [
  ...props.dataset.breakdowns.filter(one => one.isNumeric).map(one => one.name),
  ...props.dataset.measures.filter(one => one.grouping !== 'ratio').map(one => one.name),
])
const limits = ref<Record<string, { atLeast: string; below: string }>>({})
watch(
  [fields, () => props.where],
  () => {
    limits.value = Object.fromEntries(
      fields.value.map(field => {
        const own = props.where.filter(one => one.field === field)
        const told = (key: 'atLeast' | 'below') => own.find(one => one[key] !== undefined)?.[key] ?? ''
        return [field, { atLeast: told('atLeast'), below: told('below') }]
      }),
    )
  },
  { immediate: true },
)

function digits(text: string): string | null {
  const isNegative = /^[-−]/.test(text.trim())
  const size = thresholdDigits(text.trim().replace(/^[-−]/, ''))
  return size === null ? null : (isNegative ? '-' : '') + size
}

function take(close: () => void) {
  const told: Filter[] = []
  for (const field of fields.value) {
    const filter: Filter = { field }
    for (const key of ['atLeast', 'below'] as const) {
      const text = limits.value[field]?.[key].trim()
      if (!text) continue
      const number = digits(text)
      if (number === null) return void (trouble.value = `"${text}" is not a number. Write it like 99 or 20k.`)
      filter[key] = number
    }
    if (filter.atLeast !== undefined || filter.below !== undefined) told.push(filter)
  }
  trouble.value = ''
  const where = [...props.where.filter(one => one.below === undefined && one.atLeast === undefined), ...told]
  emit('change', where.length ? where : undefined)
  close()
}
</script>

<template>
  <SlotSheet :text="text" name="Numbers" :width="360">
    <template #default="{ close }">
      <form class="space-y-2" @submit.prevent="take(close)">
        <p class="text-quiet">Only amounts that stand where this is so are counted.</p>
        <div
          v-for="field in fields"
          :key="field"
          class="grid grid-cols-[1fr_auto_auto] items-center gap-2"
          role="group"
          :aria-label="field">
          <span class="min-w-0 break-words">{{ field }}</span>
          <label class="flex items-center gap-1.5 text-quiet"
            >from<input
              v-model="limits[field]!.atLeast"
              class="field w-20 text-right text-ink"
              :aria-label="`${field} at least`"
          /></label>
          <label class="flex items-center gap-1.5 text-quiet"
            >below<input
              v-model="limits[field]!.below"
              class="field w-20 text-right text-ink"
              :aria-label="`${field} below`"
          /></label>
        </div>
        <p v-if="trouble" class="text-unfavourable-text" role="alert">{{ trouble }}</p>
        <button class="button button-strong" type="submit">Filter</button>
      </form>
      <GatherLink v-if="canGather" @gather="emit('gather')" />
    </template>
  </SlotSheet>
</template>

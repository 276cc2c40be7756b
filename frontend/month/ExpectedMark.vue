<script setup lang="ts">
import { computed } from 'vue'
import type { ExpectedFigures } from '../shared/contract'

/** A square in the fill of its scenario where figures came, a ring where they are expected or late. */
const props = defineProps<{
  one: Pick<ExpectedFigures, 'scenario' | 'state'> & Partial<ExpectedFigures>
  dataset: string
  /** whether it only explains what marks mean */
  plain?: boolean
}>()
defineEmits<{ press: [] }>()
const words: Record<string, string> = { AC: 'Actual', BU: 'Budget', FC: 'Forecast', TG: 'Target', PY: 'Prior year' }
const day = (iso: string) => new Date(iso).toLocaleDateString('en-GB', { day: 'numeric', month: 'short' })
const says = computed(() => {
  const { scenario, state, came, due, whom, sourceName, late, why } = props.one
  const from = whom || sourceName ? ` from ${whom || sourceName}` : ''
  const word = words[scenario]
  if (state === 'came')
    return `${word} came${came ? ` on ${day(came)}` : ''}${late ? `, ${late} working days late` : ''}`
  if (state === 'does not come') return `${word} does not come: ${why}. Press to expect it after all.`
  const delay = state === 'late' ? `, ${late} working ${late === 1 ? 'day' : 'days'} late` : ''
  return `${word} expected${from}${due ? ` by ${day(due)}` : ''}${delay}. Press where none comes this month.`
})
const canPress = computed(() => !props.plain && props.one.state !== 'came')
</script>

<template>
  <component
    :is="canPress ? 'button' : 'span'"
    class="inline-flex size-4 items-center justify-center"
    :title="plain ? undefined : says"
    :aria-label="plain ? undefined : `${dataset}: ${says}`"
    :role="plain || canPress ? undefined : 'img'"
    @click="canPress && $emit('press')">
    <svg width="14" height="14" viewBox="0 0 14 14" aria-hidden="true">
      <template v-if="one.state === 'came'">
        <rect
          x="0.75"
          y="0.75"
          width="12.5"
          height="12.5"
          rx="1.5"
          :class="{
            'fill-ink stroke-ink': one.scenario === 'AC',
            'fill-panel stroke-ink': one.scenario !== 'AC' && one.scenario !== 'PY',
            'fill-prior-year stroke-prior-year': one.scenario === 'PY',
          }"
          stroke-width="1.5" />
        <path
          v-if="one.scenario === 'FC'"
          d="M2 8.5 L8.5 2 M2 12 L12 2 M5.5 12 L12 5.5 M9 12 L12 9 M2 5 L5 2"
          class="stroke-ink"
          stroke-width="1.2" />
        <path v-else-if="one.scenario === 'TG'" d="M3.5 7 H10.5" class="stroke-ink" stroke-width="1.5" />
      </template>
      <path v-else-if="one.state === 'does not come'" d="M3.5 7 H10.5" class="stroke-quiet" stroke-width="1.2" />
      <circle
        v-else
        cx="7"
        cy="7"
        r="5"
        class="fill-none"
        :class="one.state === 'late' ? 'stroke-accent' : 'stroke-prior-year'"
        :stroke-width="one.state === 'late' ? 2.5 : 1.2" />
    </svg>
  </component>
</template>

<script setup lang="ts">
import { computed, ref } from 'vue'
import type { MeasureRule, TrialMeasure } from '../types'

/** How each measure is put together and what is better of it: as it was recognised, changed where it stands. */
const props = defineProps<{ measures: TrialMeasure[] }>()
const emit = defineEmits<{ rule: [measure: string, rule: MeasureRule] }>()

const MOST = 4
const showsAll = ref(false)
/** Guesses first: they want an answer. */
const sorted = computed(() => [...props.measures].sort((a, b) => Number(b.isGuess) - Number(a.isGuess)))
const shown = computed(() => (showsAll.value ? sorted.value : sorted.value.slice(0, MOST)))
const periods = { sum: 'added up', average: 'averaged', last: 'the last one', rate: 'never put together' }
const members = { sum: 'added up', average: 'averaged', never: 'never put together' }
const value = (event: Event) => (event.target as HTMLSelectElement).value
</script>

<template>
  <ul class="space-y-1.5" aria-label="How it is counted">
    <li v-for="measure in shown" :key="measure.name" class="flex flex-wrap items-center gap-x-2 gap-y-1">
      <span class="font-semibold break-words">{{ measure.name }}</span>
      <template v-if="measure.grouping !== 'ratio'">
        <label class="flex items-center gap-2"
          >is, over periods,
          <select
            class="field"
            :value="measure.grouping"
            :aria-label="`${measure.name} over periods`"
            @change="emit('rule', measure.name, { grouping: value($event), overMembers: undefined })">
            <option v-for="(label, rule) in periods" :key="rule" :value="rule">{{ label }}</option>
          </select></label
        >
        <label v-if="measure.grouping !== 'rate'" class="flex items-center gap-2"
          >and over members
          <select
            class="field"
            :value="measure.overMembers"
            :aria-label="`${measure.name} over members`"
            @change="emit('rule', measure.name, { grouping: measure.grouping, overMembers: value($event) })">
            <option v-for="(label, rule) in members" :key="rule" :value="rule">{{ label }}</option>
          </select></label
        >
      </template>
      <span v-if="measure.isGuess" class="flex items-center gap-2 rounded bg-accent-tint px-2.5 py-1">
        By its name, {{ measure.better }} is better.
        <button class="link" @click="emit('rule', measure.name, { better: measure.better })">Yes</button>
        <button
          class="link"
          @click="emit('rule', measure.name, { better: measure.better === 'less' ? 'more' : 'less' })">
          No, {{ measure.better === 'less' ? 'more' : 'less' }} is
        </button>
      </span>
      <label v-else class="flex items-center gap-2">
        <select
          class="field"
          :value="measure.better"
          :aria-label="`${measure.name}: what is better`"
          @change="emit('rule', measure.name, { better: value($event) as 'more' | 'less' })">
          <option value="more">more is better</option>
          <option value="less">less is better</option>
        </select>
      </label>
    </li>
    <li v-if="sorted.length > MOST">
      <button class="link" :aria-expanded="showsAll" @click="showsAll = !showsAll">
        {{ showsAll ? 'Fewer' : `${sorted.length - MOST} more measures` }}
      </button>
    </li>
  </ul>
</template>

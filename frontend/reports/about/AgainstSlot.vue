<script setup lang="ts">
import type { Scenario } from '../../shared/types'
import GatherLink from '../../shared/slots/GatherLink.vue'
import SlotSheet from '../../shared/slots/SlotSheet.vue'
import type { Report } from '../types'

/** What charts are held against: the reference, and one that is marked as well. None: as each chart has it. */
const props = defineProps<{ text: string; scenarios: Report['scenarios']; against: Scenario[]; isGathering: boolean }>()
const emit = defineEmits<{ change: [against: Scenario[]]; gather: [] }>()

function toggle(code: Scenario) {
  const others = props.against.filter(one => one !== code)
  emit('change', others.length < props.against.length ? others : [...others, code].slice(-2))
}
</script>

<template>
  <SlotSheet :text="text" name="References" :width="270">
    <button
      class="choice -mx-3 w-[calc(100%+24px)]"
      :class="against.length ? '' : 'choice-chosen'"
      @click="emit('change', [])">
      As each chart has it
    </button>
    <button
      v-for="scenario in scenarios.filter(one => one.code !== 'AC')"
      :key="scenario.code"
      class="choice -mx-3 w-[calc(100%+24px)]"
      :class="against.includes(scenario.code as Scenario) ? 'choice-chosen' : ''"
      role="checkbox"
      :aria-checked="against.includes(scenario.code as Scenario)"
      @click="toggle(scenario.code as Scenario)">
      <span class="w-7 text-quiet">{{ scenario.code }}</span>{{ scenario.word }}
      <span v-if="against.indexOf(scenario.code as Scenario) === 1" class="ml-auto font-normal text-quiet">marked</span>
    </button>
    <GatherLink v-if="!isGathering" @gather="emit('gather')" />
  </SlotSheet>
</template>

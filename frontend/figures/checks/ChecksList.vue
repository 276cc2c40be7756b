<script setup lang="ts">
import { computed, toRef } from 'vue'
import SentenceOfTrouble from '../../shared/SentenceOfTrouble.vue'
import type { Dataset } from '../../shared/types'
import type { Place } from '../types'
import FindingLine from './FindingLine.vue'
import { useChecks } from './useChecks'

/** What holds of a dataset and what does not; what does not leads to the figures, or is accepted with a reason. */
const props = defineProps<{ dataset: Dataset; sign: string }>()
defineEmits<{ show: [place: Place] }>()
const { findings, problem, accept, withdraw } = useChecks(
  computed(() => props.dataset.id),
  toRef(props, 'sign'),
)
const order = computed(() => [
  ...findings.value.filter(one => !one.holds && !one.accepted),
  ...findings.value.filter(one => one.holds || one.accepted),
])
</script>

<template>
  <section class="mb-6" aria-label="Checks">
    <h2 class="label mb-1">Checks</h2>
    <SentenceOfTrouble v-if="problem" class="my-2" :says="problem" />
    <ul class="space-y-1.5">
      <FindingLine
        v-for="finding in order"
        :key="finding.id"
        :finding="finding"
        :dataset="dataset"
        @show="$emit('show', $event)"
        @accept="accept(finding, $event)"
        @withdraw="withdraw(finding)" />
    </ul>
  </section>
</template>

<script setup lang="ts">
import { ref } from 'vue'
import { ask, says } from '../shared/api'
import SentenceOfTrouble from '../shared/SentenceOfTrouble.vue'
import type { Arrival, ArrivalTaken } from '../shared/contract'
import { useToast } from '../shared/useToast'

/** An arrival that waits, with the ways to decide it. */
const props = defineProps<{ arrival: Arrival }>()
const emit = defineEmits<{ changed: [] }>()
const { tell } = useToast()
const isBusy = ref(false)
const trouble = ref('')

async function take() {
  isBusy.value = true
  try {
    const taken = await ask<ArrivalTaken>('POST', `/arrivals/${props.arrival.id}/take`, { body: {} })
    tell(`${taken.import.name} is in.`)
    emit('changed')
  } catch (error) {
    trouble.value = says(error)
  } finally {
    isBusy.value = false
  }
}
</script>

<template>
  <li class="border-l-2 border-unfavourable pl-3">
    <p class="break-words text-quiet">{{ arrival.datasetName }}</p>
    <p class="break-words">{{ arrival.sourceName }}: {{ arrival.says }}</p>
    <p class="flex gap-3">
      <RouterLink class="link" :to="`/arrivals/${arrival.id}`">Look</RouterLink>
      <button v-if="arrival.counts" class="link" :disabled="isBusy" @click="take">Take</button>
      <RouterLink class="link" :to="`/arrivals/${arrival.id}?refuse=1`">Refuse</RouterLink>
    </p>
    <SentenceOfTrouble v-if="trouble" class="mt-1" :says="trouble" />
  </li>
</template>

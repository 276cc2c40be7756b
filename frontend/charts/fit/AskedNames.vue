<script setup lang="ts">
import type { Ask } from '../../shared/types'
import { LEFT_OUT } from './useFit'

/** Names that figures lack, each with what may stand in its place. */
defineProps<{ asks: Ask[] }>()
const answers = defineModel<Record<string, string>>({ required: true })
</script>

<template>
  <label v-for="one in asks" :key="one.id" class="flex items-center gap-3">
    <span class="min-w-0 flex-1 break-words">{{ one.says }}</span>
    <select v-model="answers[one.id]" class="field max-w-60 min-w-0" :aria-label="one.says">
      <option :value="undefined" disabled>choose</option>
      <option v-for="choice in one.choices" :key="choice" :value="choice">{{ choice || '(blank)' }}</option>
      <option v-if="one.mayGo" :value="LEFT_OUT">
        {{ one.without === 'it' ? 'leave it out' : one.without }}
      </option>
    </select>
  </label>
</template>

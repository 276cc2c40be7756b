<script setup lang="ts">
import { storeToRefs } from 'pinia'
import { useToast } from './useToast'

const toast = useToast()
const { text, action } = storeToRefs(toast)
</script>

<template>
  <div class="pointer-events-none fixed inset-x-0 bottom-6 z-50 flex justify-center" role="status" aria-live="polite">
    <p v-if="text" class="pointer-events-auto max-w-xl rounded-md bg-ink px-4 py-2 break-words text-panel shadow-lg">
      {{ text }}
      <button v-if="action" class="ml-2 underline underline-offset-2" @click="toast.take">{{ action.label }}</button>
    </p>
  </div>
</template>

<script setup lang="ts">
import { useToast } from './useToast'

const { text } = useToast()
</script>

<template>
  <div class="pointer-events-none fixed inset-x-0 bottom-6 z-50 flex justify-center" role="status" aria-live="polite">
    <p v-if="text" class="max-w-xl rounded-md bg-ink px-4 py-2 text-panel shadow-lg">{{ text }}</p>
  </div>
</template>

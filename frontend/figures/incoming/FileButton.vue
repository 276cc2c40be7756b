<script setup lang="ts">
import { ref } from 'vue'

/** A button that lets a file of figures be chosen. */
defineProps<{ busy: boolean; text: string }>()
const emit = defineEmits<{ file: [file: File] }>()
const input = ref<HTMLInputElement | null>(null)

function chosen() {
  const file = input.value?.files?.[0]
  if (file) emit('file', file)
  // So that the same file can be chosen again.
  if (input.value) input.value.value = ''
}
</script>

<template>
  <span class="contents">
    <button class="button button-strong" :disabled="busy" @click="input?.click()">
      {{ busy ? 'Reading…' : text }}
    </button>
    <input
      ref="input"
      class="sr-only"
      type="file"
      accept=".csv,.tsv,.txt,.xlsx,.ods,.jsonl,.ndjson,.json"
      tabindex="-1"
      aria-label="File of figures"
      @change="chosen" />
  </span>
</template>

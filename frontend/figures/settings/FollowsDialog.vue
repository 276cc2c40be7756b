<script setup lang="ts">
import DialogSheet from '../../shared/DialogSheet.vue'

/** What depends on a change, before it is made. */
defineProps<{ title: string; follows: string[] }>()
const emit = defineEmits<{ go: []; leave: [] }>()
</script>

<template>
  <DialogSheet :title="title" width="max-w-md" @close="emit('leave')">
    <ul class="mb-5 space-y-1.5">
      <li v-for="line in follows" :key="line" class="break-words">{{ line }}</li>
    </ul>
    <p class="flex gap-3">
      <button class="button button-strong" @click="emit('go')">Do it</button>
      <button class="button" @click="emit('leave')">Leave it as it is</button>
    </p>
  </DialogSheet>
</template>

<script setup lang="ts">
import { Dialog, DialogPanel, DialogTitle } from '@headlessui/vue'

/** What depends on a change, before it is made. */
defineProps<{ title: string; follows: string[] }>()
const emit = defineEmits<{ go: []; leave: [] }>()
</script>

<template>
  <Dialog open class="relative z-40" @close="emit('leave')">
    <div class="fixed inset-0 bg-ink/25" aria-hidden="true" />
    <div class="fixed inset-0 flex items-start justify-center p-16">
      <DialogPanel class="w-full max-w-md rounded-lg bg-panel p-6 shadow-xl">
        <DialogTitle class="mb-2 font-serif text-xl break-words">{{ title }}</DialogTitle>
        <ul class="mb-5 space-y-1.5">
          <li v-for="line in follows" :key="line" class="break-words">{{ line }}</li>
        </ul>
        <p class="flex gap-3">
          <button class="button button-strong" @click="emit('go')">Do it</button>
          <button class="button" @click="emit('leave')">Leave it as it is</button>
        </p>
      </DialogPanel>
    </div>
  </Dialog>
</template>

<script setup lang="ts">
import { Dialog, DialogPanel, DialogTitle } from '@headlessui/vue'

/** A sheet over the page that asks or shows one thing; Escape and a click beside it close it. */
defineProps<{ title: string; width?: string }>()
defineEmits<{ close: [] }>()
</script>

<template>
  <Dialog :open="true" class="relative z-40" @close="$emit('close')">
    <div class="fixed inset-0 bg-ink/25" aria-hidden="true" />
    <div class="fixed inset-0 flex items-start justify-center p-12">
      <DialogPanel
        class="relative flex max-h-full w-full flex-col overflow-y-auto rounded-lg bg-panel p-6 shadow-xl"
        :class="width ?? 'max-w-lg'">
        <DialogTitle class="mb-2 pr-8 font-serif text-xl break-words">{{ title }}</DialogTitle>
        <slot />
        <!-- Last, so that what is asked has the focus first; there from the beginning, while the rest is fetched. -->
        <button
          class="absolute top-4 right-4 size-8 rounded text-lg text-quiet hover:text-ink"
          aria-label="Close this sheet"
          @click="$emit('close')">
          ×
        </button>
      </DialogPanel>
    </div>
  </Dialog>
</template>

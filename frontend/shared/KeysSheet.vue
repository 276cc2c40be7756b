<script setup lang="ts">
import { Dialog, DialogPanel, DialogTitle } from '@headlessui/vue'

defineEmits<{ close: [] }>()
const keys = [
  ['?', 'Show these keys'],
  ['g f', 'Go to figures'],
  ['g c', 'Go to charts'],
  ['/', 'Find anything'],
  ['[  ]', 'Closing period back and on'],
  ['k', 'Choose among the kinds'],
  ['Enter', 'On the chart: what can be done with the row that is lit'],
  ['n', 'Write a note about the row that is lit'],
  ['h', 'Highlight the row that is lit on the chart'],
  ['b', 'A second chart beside the first, or one chart again'],
  ['w', 'Open or close the workings'],
  ['e', 'Export'],
  ['← →', 'In the question: from slot to slot. On the chart: from period to period. On the closing line: back and on'],
  ['Enter, F2', 'In the table: type into the amount; Tab and Enter go on, Escape lets it be'],
  ['Delete', 'In the table: clear what is selected. Shift and arrows select'],
  ['Ctrl+C  Ctrl+V', 'In the table: copy and paste blocks'],
  ['Space', 'In the table: fold or unfold a group'],
  ['s', 'In the table: where the amount came from'],
  ['Alt+↑ ↓', 'In the settings: move a member'],
  ['Ctrl+Z', 'Undo'],
  ['Ctrl+Shift+Z', 'Redo'],
]
</script>

<template>
  <Dialog :open="true" class="relative z-40" @close="$emit('close')">
    <div class="fixed inset-0 bg-ink/25" aria-hidden="true" />
    <div class="fixed inset-0 flex items-start justify-center p-16">
      <DialogPanel class="w-full max-w-md rounded-lg bg-panel p-6 shadow-xl">
        <DialogTitle class="mb-3 font-serif text-xl">Keys</DialogTitle>
        <dl>
          <div v-for="[key, does] in keys" :key="key" class="flex gap-4 border-t border-hairline py-1.5">
            <dt class="w-28 shrink-0 font-semibold">{{ key }}</dt>
            <dd>{{ does }}</dd>
          </div>
        </dl>
        <button class="button mt-4" @click="$emit('close')">Close</button>
      </DialogPanel>
    </div>
  </Dialog>
</template>

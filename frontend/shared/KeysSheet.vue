<script setup lang="ts">
import DialogSheet from './DialogSheet.vue'

defineEmits<{ close: [] }>()
const keys = [
  ['?', 'Show these keys'],
  ['g f', 'Go to figures'],
  ['g c', 'Go to charts'],
  ['g r', 'Go to reports'],
  ['g m', 'Go to the month'],
  ['/', 'Find anything'],
  ['[  ]', 'Closing period back and on; in Month: the month before and after'],
  ['k', 'Choose among the kinds'],
  ['Enter', 'On the chart: what can be done with the row that is lit'],
  ['n', 'Write a note about the row that is lit'],
  ['h', 'Highlight the row that is lit on the chart'],
  ['b', 'A second chart beside the first, or one chart again'],
  ['r', 'Put the chart into a report'],
  ['p', 'Present the report'],
  ['PgUp PgDn', 'In a report: page back and on'],
  ['#', 'In a message or text: take a number'],
  ['Alt+arrows', 'In a report: move the block, or the page in the outline'],
  ['1 2 3', 'In a report: how wide the block is; Enter changes it, Delete takes it away'],
  ['w', 'Open or close the workings'],
  ['e', 'Export'],
  ['c', 'Copy the chart, the block or the row that is pointed at: picture and table at once'],
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
  <DialogSheet title="Keys" width="max-w-md" @close="$emit('close')">
    <dl>
      <div v-for="[key, does] in keys" :key="key" class="flex gap-4 border-t border-hairline py-1.5">
        <dt class="w-28 shrink-0 font-semibold">{{ key }}</dt>
        <dd>{{ does }}</dd>
      </div>
    </dl>
    <button class="button mt-4" @click="$emit('close')">Close</button>
  </DialogSheet>
</template>

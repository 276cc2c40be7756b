<script setup lang="ts">
import { computed } from 'vue'
import { grouped } from '../../shared/wording'
import type { Overtaken } from './useCellEdits'

/** Somebody else changed the same amounts while this reader did: what they are now, and whose shall stand. */
const props = defineProps<{ overtaken: Overtaken }>()
const emit = defineEmits<{ putOnTop: []; keepTheirs: [] }>()
const first = computed(() => props.overtaken.cells.slice(0, 4))
const more = computed(() => props.overtaken.cells.length - first.value.length)
</script>

<template>
  <div class="mb-3 rounded-md border border-accent/40 bg-accent-tint px-4 py-3" role="alert">
    <p class="mb-1">Somebody else changed the same amounts meanwhile. Yours are not set yet.</p>
    <ul class="mb-2">
      <li v-for="cell in first" :key="cell.row + cell.period" class="break-words">
        {{ [cell.row, cell.label].filter(Boolean).join(', ') }}: was {{ grouped(cell.was) || 'missing' }}, is now
        <b class="font-semibold">{{ grouped(cell.is) || 'cleared' }}</b>
      </li>
      <li v-if="more > 0" class="text-quiet">and {{ more }} more</li>
    </ul>
    <p class="flex gap-3">
      <button class="button button-strong" @click="emit('putOnTop')">Put mine on top</button>
      <button class="button" @click="emit('keepTheirs')">Keep theirs</button>
    </p>
  </div>
</template>

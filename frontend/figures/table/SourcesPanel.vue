<script setup lang="ts">
import SentenceOfTrouble from '../../shared/SentenceOfTrouble.vue'
import SourceFiles from '../../shared/SourceFiles.vue'
import type { SourceFile } from '../../shared/types'
import type { Cell } from './useFigureTable'

/** Where an amount came from: the files, and their rows as they stood. */
defineProps<{ cell: Cell; files: SourceFile[] | null; problem: string }>()
defineEmits<{ close: [] }>()
</script>

<template>
  <section
    class="sticky bottom-0 z-30 max-h-[44vh] overflow-auto border-t border-hairline bg-panel px-7 py-4"
    aria-label="Where it came from">
    <div class="mb-3 flex items-baseline gap-4">
      <h2 class="font-serif text-[17px]">
        {{
          [cell.member === null ? 'All' : cell.member || '(blank)', cell.period?.label, cell.scenario]
            .filter(Boolean)
            .join(', ')
        }}:
        {{ cell.amount }}
      </h2>
      <button class="link ml-auto" @click="$emit('close')">Close</button>
    </div>
    <SentenceOfTrouble v-if="problem" :says="problem" />
    <p v-else-if="!files" class="text-quiet">Looking through the files…</p>
    <p v-else-if="!files.length" class="text-quiet">No file brought this amount.</p>
    <SourceFiles v-if="files" :files="files" />
  </section>
</template>

<script setup lang="ts">
import SentenceOfTrouble from '../shared/SentenceOfTrouble.vue'
import type { SourceFile } from './types'
import type { Cell } from './useFigureTable'
import { plural, stamp } from './wording'

/** Where an amount came from: the files, and their rows as they stood. */
defineProps<{ cell: Cell; files: SourceFile[] | null; problem: string }>()
defineEmits<{ close: [] }>()
</script>

<template>
  <section
    class="sticky bottom-0 z-30 max-h-[44vh] overflow-auto border-t border-hairline bg-panel px-7 py-4"
    aria-label="Where it came from"
  >
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
    <div v-for="file in files ?? []" :key="file.import" class="mb-4">
      <p class="mb-1.5">
        <span class="font-semibold break-words">{{ file.name }}</span>
        <span class="text-quiet"> · {{ stamp(file.at) }} · {{ plural(file.facts, 'figure') }}</span>
      </p>
      <p v-if="file.says" class="text-quiet">{{ file.says }}</p>
      <div v-else class="overflow-x-auto" tabindex="0" :aria-label="`Rows of ${file.name}`">
        <table class="border-collapse text-[12.5px]">
          <thead>
            <tr class="text-left text-quiet">
              <th class="border-b border-hairline py-1 pr-4 text-right font-normal" scope="col">Row</th>
              <th
                v-for="column in file.columns"
                :key="column"
                class="max-w-60 truncate border-b border-hairline px-3 py-1 font-normal"
                scope="col"
              >
                {{ column }}
              </th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="row in file.rows" :key="row.row">
              <td class="py-1 pr-4 text-right text-quiet">{{ row.row }}</td>
              <td
                v-for="(text, i) in row.cells"
                :key="i"
                class="max-w-72 truncate px-3 py-1"
                :class="row.amounts.includes(file.columns[i] ?? '') ? 'bg-accent-tint font-semibold' : ''"
                :title="text"
              >
                {{ text }}
              </td>
            </tr>
          </tbody>
        </table>
      </div>
      <p v-if="file.isCut" class="mt-1 text-quiet">The first {{ file.rows.length }} rows.</p>
    </div>
  </section>
</template>

<script setup lang="ts">
import type { SourceFile } from './types'
import { plural, stamp } from './wording'

/** Files that amounts came from, with their rows as they stood. */
defineProps<{ files: SourceFile[] }>()
</script>

<template>
  <div>
    <div v-for="file in files" :key="file.import" class="mb-4">
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
                scope="col">
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
                :title="text">
                {{ text }}
              </td>
            </tr>
          </tbody>
        </table>
      </div>
      <p v-if="file.hasMore" class="mt-1 text-quiet">
        Rows {{ file.first }} to {{ (file.first ?? 1) + file.rows.length - 1 }} of them.
      </p>
    </div>
  </div>
</template>

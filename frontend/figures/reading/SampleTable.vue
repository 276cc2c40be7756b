<script setup lang="ts">
import { computed } from 'vue'
import type { Mapping, Reading } from '../types'
import { choiceOf, roleChoices } from './roles'

const props = defineProps<{ reading: Reading; refused: number[] }>()
const isRefused = computed(() => new Set(props.refused))
const mapping = defineModel<Mapping>({ required: true })

function choose(column: string, id: string) {
  const choice = roleChoices.find(choice => choice.id === id)
  if (!choice) return
  const before = mapping.value.columns[column]
  const keeps = choice.role.role === 'amount' && before?.role === 'amount'
  mapping.value = {
    ...mapping.value,
    columns: {
      ...mapping.value.columns,
      [column]: {
        ...choice.role,
        ...(keeps && before?.measure ? { measure: before.measure } : {}),
        ...(keeps && before?.period ? { period: before.period } : {}),
      },
    },
  }
}

function isAmount(column: string): boolean {
  return ['amount', 'band', 'total'].includes(mapping.value.columns[column]?.role ?? '')
}
function isIgnored(column: string): boolean {
  return (mapping.value.columns[column]?.role ?? 'ignore') === 'ignore'
}
</script>

<template>
  <div
    class="w-fit max-w-full overflow-x-auto rounded-lg border border-hairline bg-panel"
    tabindex="0"
    aria-label="The first rows of the file, each column with its role">
    <table class="border-collapse">
      <thead>
        <tr>
          <th class="border-b border-hairline bg-accent-tint/60 pl-3"><span class="sr-only">Row</span></th>
          <th
            v-for="column in reading.columns"
            :key="column"
            class="border-b border-hairline bg-accent-tint/60 px-3 pt-2.5 pb-2 text-left align-bottom font-normal"
            scope="col">
            <select
              class="field h-8 w-full max-w-60 min-w-36 font-semibold text-accent"
              :value="choiceOf(mapping.columns[column])"
              :aria-label="`Role of ${column}`"
              @change="choose(column, ($event.target as HTMLSelectElement).value)">
              <option v-for="choice in roleChoices" :key="choice.id" :value="choice.id">{{ choice.label }}</option>
            </select>
            <span class="mt-1.5 block max-w-60 font-semibold break-words">{{ column }}</span>
            <span
              v-if="mapping.columns[column]?.measure && mapping.columns[column]?.measure !== column"
              class="block text-[12px] text-quiet"
              >counts {{ mapping.columns[column]?.measure }}</span
            >
            <span
              v-if="mapping.columns[column]?.period && mapping.columns[column]?.period !== column"
              class="block text-[12px] text-quiet"
              >for {{ mapping.columns[column]?.period }}</span
            >
          </th>
        </tr>
      </thead>
      <tbody>
        <tr
          v-for="(row, i) in reading.sample"
          :key="i"
          class="border-b border-hairline last:border-0"
          :class="isRefused.has(reading.sampleRows[i] ?? 0) ? 'bg-unfavourable/8' : ''">
          <td class="pl-3 text-right text-[12px] text-quiet">{{ reading.sampleRows[i] }}</td>
          <td
            v-for="(column, j) in reading.columns"
            :key="column"
            class="max-w-72 truncate px-3 py-1.5"
            :class="[
              isAmount(column) ? 'text-right' : '',
              isIgnored(column) ? 'text-quiet line-through decoration-hairline' : '',
            ]"
            :title="row[j]">
            {{ row[j] }}
          </td>
        </tr>
      </tbody>
    </table>
  </div>
  <p v-if="reading.rowCount === null || reading.rowCount > reading.sample.length" class="mt-2 text-quiet">
    The first {{ reading.sample.length }} rows.
    <template v-if="reading.notes.length">Above the header: {{ reading.notes.join(' · ') }}</template>
  </p>
</template>

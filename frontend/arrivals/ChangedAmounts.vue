<script setup lang="ts">
import { computed } from 'vue'
import type { ArrivalDifferences } from '../shared/contract'
import { grouped, plural } from '../shared/wording'
import { signed } from './signed'

/** Amount by amount: what it was, what it would be. */
const props = defineProps<{ told: ArrivalDifferences; page: number }>()
defineEmits<{ turn: [by: number] }>()
const A_PAGE = 200
const MOST_SHOWN = 20_000
const pages = computed(() => Math.max(1, Math.ceil(Math.min(props.told.all, MOST_SHOWN) / A_PAGE)))
</script>

<template>
  <section aria-label="Amount by amount">
    <h3 class="label mb-1">Amount by amount</h3>
    <table class="border-collapse">
      <thead>
        <tr class="text-[12px] text-quiet">
          <th class="pr-8 pb-1 text-left font-normal" scope="col">Period</th>
          <th v-for="name in told.breakdowns" :key="name" class="pr-8 pb-1 text-left font-normal" scope="col">
            {{ name }}
          </th>
          <th class="pr-8 pb-1 text-left font-normal" scope="col">Measure</th>
          <th class="w-28 pb-1 text-right font-normal" scope="col">was</th>
          <th class="w-28 pb-1 text-right font-normal" scope="col">would be</th>
          <th class="w-28 pb-1 text-right font-normal" scope="col">difference</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(one, i) in told.amounts" :key="i" class="border-t border-hairline">
          <td class="py-1 pr-8 whitespace-nowrap">
            {{ one.label }}
            <span v-if="one.isClosed" class="ml-1 text-[12px] font-semibold text-unfavourable-text">closed</span>
          </td>
          <td v-for="(name, at) in told.breakdowns" :key="name" class="max-w-72 py-1 pr-8 break-words">
            {{ one.members[at] }}
          </td>
          <td class="py-1 pr-8 text-quiet">{{ one.measure }}, {{ one.scenario }}</td>
          <td class="py-1 text-right">{{ one.was === null ? '–' : grouped(one.was) }}</td>
          <td class="py-1 text-right">{{ one.is === null ? 'goes' : grouped(one.is) }}</td>
          <td class="py-1 text-right font-semibold">{{ signed(one.change) }}</td>
        </tr>
      </tbody>
    </table>
    <p v-if="told.all > told.amounts.length" class="mt-3 flex items-center gap-3 text-quiet">
      <button class="button" :disabled="page <= 1" @click="$emit('turn', -1)">Before</button>
      <span>{{ page }} of {{ pages }}, {{ plural(told.all, 'amount') }} in all</span>
      <button class="button" :disabled="page >= pages" @click="$emit('turn', 1)">Next</button>
    </p>
  </section>
</template>

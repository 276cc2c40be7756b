<script setup lang="ts">
import type { ChangedPeriod } from '../shared/contract'
import { grouped } from '../shared/wording'
import { signed } from './signed'

/** The totals that move, closed periods first; each can be left out. */
defineProps<{ periods: ChangedPeriod[]; canPick: boolean }>()
const without = defineModel<string[]>({ required: true })
function toggle(key: string, isTaken: boolean) {
  without.value = isTaken ? without.value.filter(one => one !== key) : [...without.value, key]
}
</script>

<template>
  <section aria-label="Totals that move">
    <h3 class="label mb-1">Totals that move</h3>
    <table class="border-collapse">
      <thead>
        <tr class="text-[12px] text-quiet">
          <th class="pr-8 pb-1 text-left font-normal" scope="col">Period</th>
          <th class="pr-8 pb-1 text-left font-normal" scope="col">Measure</th>
          <th class="w-28 pb-1 text-right font-normal" scope="col">was</th>
          <th class="w-28 pb-1 text-right font-normal" scope="col">would be</th>
          <th class="w-28 pb-1 text-right font-normal" scope="col">difference</th>
          <th class="pb-1 pl-8 text-left font-normal" scope="col">amounts</th>
        </tr>
      </thead>
      <tbody>
        <tr
          v-for="one in periods"
          :key="`${one.key}${one.measure}${one.scenario}`"
          class="border-t border-hairline"
          :class="without.includes(one.key) ? 'text-quiet line-through' : ''">
          <th class="py-1 pr-8 text-left font-normal whitespace-nowrap" scope="row">
            <label class="flex items-baseline gap-2">
              <input
                v-if="canPick"
                type="checkbox"
                class="accent-accent"
                :aria-label="`Take ${one.label}`"
                :checked="!without.includes(one.key)"
                @change="toggle(one.key, ($event.target as HTMLInputElement).checked)" />
              <span>{{ one.label }}</span>
              <span v-if="one.isClosed" class="text-[12px] font-semibold text-unfavourable-text">closed</span>
              <span v-else-if="one.isNew" class="text-[12px] text-quiet">new</span>
            </label>
          </th>
          <td class="py-1 pr-8">{{ one.measure }}, {{ one.scenario }}</td>
          <td class="py-1 text-right">{{ one.was === null ? '–' : grouped(one.was) }}</td>
          <td class="py-1 text-right">{{ grouped(one.is) }}</td>
          <td class="py-1 text-right font-semibold">{{ signed(one.change) }}</td>
          <td class="py-1 pl-8 text-quiet">{{ one.amounts.toLocaleString('en-GB') }}</td>
        </tr>
      </tbody>
    </table>
  </section>
</template>

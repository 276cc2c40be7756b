<script setup lang="ts">
import { computed } from 'vue'
import type { Scenario } from '../shared/types'
import type { FigureTable } from './types'
import type { Cell } from './useFigureTable'

/** Members down, periods across; each amount leads to the rows that it came from. */
const props = defineProps<{ table: FigureTable; scenario: Scenario; chosen: Cell | null }>()
const emit = defineEmits<{ trace: [cell: Cell] }>()
const isList = computed(() => props.table.periods.length === 1 && props.table.periods[0]?.key === '')

function scenarioAt(i: number): Scenario {
  return props.table.shown[i] ?? props.scenario
}
function trace(member: string | null, i: number, amount: string) {
  emit('trace', {
    member,
    period: isList.value ? null : (props.table.periods[i] ?? null),
    scenario: scenarioAt(i),
    amount,
  })
}
function isChosen(member: string | null, i: number): boolean {
  return props.chosen?.member === member && (props.chosen.period?.key ?? '') === props.table.periods[i]?.key
}

/** Arrow keys go from amount to amount. */
function step(event: KeyboardEvent) {
  const cell = (event.target as HTMLElement).closest('td')
  const row = cell?.closest('tr')
  if (!cell || !row) return
  const at = [...row.children].indexOf(cell)
  const next = {
    ArrowLeft: cell.previousElementSibling,
    ArrowRight: cell.nextElementSibling,
    ArrowUp: row.previousElementSibling?.children[at],
    ArrowDown: row.nextElementSibling?.children[at],
  }[event.key]
  const button = next?.querySelector('button')
  if (!button) return
  event.preventDefault()
  button.focus()
}
</script>

<template>
  <div class="overflow-x-auto" tabindex="0" aria-label="Figures">
    <table class="border-collapse" @keydown="step">
      <thead>
        <tr class="text-right text-[12px] text-quiet">
          <th class="sticky left-0 min-w-40 bg-paper py-1.5 pr-6 text-left font-semibold" scope="col">
            {{ table.by ?? '' }}
          </th>
          <th
            v-for="(period, i) in table.periods"
            :key="period.key"
            class="min-w-[68px] py-1.5 pl-3 font-normal whitespace-nowrap"
            :class="table.shown[i] === 'FC' ? 'forecast' : ''"
            scope="col"
          >
            {{ isList ? 'Amount' : period.label }}
          </th>
          <th v-if="!isList" class="sticky right-0 min-w-[84px] bg-paper py-1.5 pl-4 font-semibold" scope="col">
            Total
          </th>
        </tr>
      </thead>
      <tbody>
        <tr class="border-y border-ink/30 font-semibold">
          <th class="sticky left-0 bg-paper py-1.5 pr-6 text-left" scope="row">All</th>
          <td
            v-for="(amount, i) in table.total.cells"
            :key="i"
            class="py-1.5 pl-3 text-right whitespace-nowrap"
            :class="table.shown[i] === 'FC' ? 'forecast' : ''"
          >
            <button
              v-if="amount"
              class="amount"
              :class="isChosen(null, i) ? 'amount-chosen' : ''"
              @click="trace(null, i, amount)"
            >
              {{ amount }}
            </button>
          </td>
          <td v-if="!isList" class="sticky right-0 bg-paper py-1.5 pl-4 text-right whitespace-nowrap">
            {{ table.total.total }}
          </td>
        </tr>
        <tr v-for="row in table.rows" :key="row.member" class="border-b border-hairline hover:bg-panel">
          <th
            class="sticky left-0 max-w-80 break-words bg-paper py-1.5 pr-6 text-left font-normal"
            scope="row"
            :title="row.member"
          >
            {{ row.member || '(blank)' }}
          </th>
          <td
            v-for="(amount, i) in row.cells"
            :key="i"
            class="py-1.5 pl-3 text-right whitespace-nowrap"
            :class="table.shown[i] === 'FC' ? 'forecast text-quiet' : ''"
          >
            <button
              v-if="amount"
              class="amount"
              :class="isChosen(row.member, i) ? 'amount-chosen' : ''"
              :aria-label="`${row.member || 'blank'}, ${table.periods[i]?.label || 'amount'}: ${amount}`"
              @click="trace(row.member, i, amount)"
            >
              {{ amount }}
            </button>
            <span v-else class="text-quiet" aria-label="missing">–</span>
          </td>
          <td v-if="!isList" class="sticky right-0 bg-paper py-1.5 pl-4 text-right font-semibold whitespace-nowrap">
            {{ row.total }}
          </td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
.amount {
  margin: -2px -4px;
  padding: 2px 4px;
  border-radius: 3px;
}
.amount:hover {
  background: var(--color-accent-tint);
  color: var(--color-accent);
}
.amount-chosen {
  outline: 2px solid var(--color-accent);
}
.forecast {
  background: repeating-linear-gradient(135deg, #f1ede4 0 3px, transparent 3px 7px);
}
</style>

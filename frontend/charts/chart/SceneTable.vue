<script setup lang="ts">
import { onUnmounted, shallowRef, watch } from 'vue'
import type { WorkingsTable } from '../../shared/types'
import { plural } from '../../shared/wording'
import { sumsBelow } from '../workings/tableText'

/**
 * The numbers of a chart as a table, for whoever hears it, or shown below the chart. A long one follows once the chart is
 * painted.
 */
const props = defineProps<{ table: WorkingsTable; title: string; isShown?: boolean }>()
const emit = defineEmits<{ all: [] }>()
const LONG = 100
const rows = shallowRef(props.table.rows.slice(0, LONG))
let waiting = 0
watch(
  () => props.table,
  table => {
    clearTimeout(waiting)
    rows.value = table.rows.slice(0, LONG)
    if (table.rows.length > LONG) waiting = window.setTimeout(() => (rows.value = table.rows), 400)
  },
  { immediate: true },
)
onUnmounted(() => clearTimeout(waiting))
</script>

<template>
  <!-- A table itself would be as high as its rows, and leave room below the chart that nothing is in. -->
  <div :class="isShown ? '' : 'sr-only'">
    <table :class="{ shown: isShown }">
      <caption class="sr-only">
        {{
          title
        }}
      </caption>
      <thead>
        <tr>
          <th scope="col">{{ table.rowsAre }}</th>
          <th v-for="column in table.columns" :key="column.id" scope="col">{{ column.head }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in rows" :key="row.key">
          <th scope="row">{{ row.label }}{{ row.flagged ? ', flagged' : '' }}</th>
          <td v-for="column in table.columns" :key="column.id">{{ row.cells[column.id] ?? '' }}</td>
        </tr>
      </tbody>
      <tfoot v-if="isShown && !table.more && rows.length === table.rows.length">
        <tr v-for="sum in sumsBelow(table)" :key="sum.key">
          <th scope="row">{{ sum.label }}</th>
          <td v-for="column in table.columns" :key="column.id">{{ sum.cells[column.id] ?? '' }}</td>
        </tr>
      </tfoot>
    </table>
  </div>
  <button v-if="table.more" class="link sr-only focus:not-sr-only" @click="emit('all')">
    Numbers of {{ plural(table.more, 'more row') }}
  </button>
</template>

<style scoped>
.shown {
  border-collapse: collapse;
  font-size: 13px;
}
.shown :is(th, td) {
  padding: 3px 0 3px 16px;
  border-bottom: 1px solid var(--color-hairline);
  text-align: right;
  white-space: nowrap;
}
.shown th:first-child {
  position: sticky;
  left: 0;
  min-width: 84px;
  max-width: 130px;
  padding-left: 0;
  background: var(--color-panel);
  overflow-wrap: break-word;
  text-align: left;
  white-space: normal;
}
.shown :is(thead th, tfoot *) {
  font-weight: 600;
}
.shown tbody th {
  font-weight: 400;
}
</style>

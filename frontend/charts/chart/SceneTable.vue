<script setup lang="ts">
import { onUnmounted, shallowRef, watch } from 'vue'
import type { WorkingsTable } from '../../shared/types'

/** The numbers of a chart as a table, for whoever hears it. A long one follows once the chart is painted. */
const props = defineProps<{ table: WorkingsTable; title: string }>()
const LONG = 100
const rows = shallowRef(props.table.rows.slice(0, LONG))
let waiting = 0
watch(
  () => props.table,
  (table) => {
    clearTimeout(waiting)
    rows.value = table.rows.slice(0, LONG)
    if (table.rows.length > LONG) waiting = window.setTimeout(() => (rows.value = table.rows), 400)
  },
  { immediate: true },
)
onUnmounted(() => clearTimeout(waiting))
</script>

<template>
  <table class="sr-only">
    <caption>
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
  </table>
</template>

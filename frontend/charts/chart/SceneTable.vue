<script setup lang="ts">
import type { WorkingsTable } from '../../shared/types'

/** The numbers of a chart as a table, for whoever hears it. */
defineProps<{ table: WorkingsTable; title: string }>()
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
      <tr v-for="row in table.rows" :key="row.key">
        <th scope="row">{{ row.label }}{{ row.flagged ? ', flagged' : '' }}</th>
        <td v-for="column in table.columns" :key="column.id">{{ row.cells[column.id] ?? '' }}</td>
      </tr>
    </tbody>
  </table>
</template>

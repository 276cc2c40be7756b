<script setup lang="ts">
import type { MonthReport } from '../shared/contract'

/** The reports that stand on the month's datasets, with what is to settle in each. */
defineProps<{ reports: MonthReport[] }>()
function waits(report: MonthReport): string {
  const [first, ...others] = report.waitsFor
  return first ? `waits for ${first}${others.length ? ` and ${others.length} more` : ''}` : ''
}
const settles = (report: MonthReport) =>
  [report.settle ? `${report.settle} to settle` : '', waits(report)].filter(Boolean)
</script>

<template>
  <section aria-label="What stands on it">
    <h2 class="label mb-3">What stands on it</h2>
    <ul class="grid grid-cols-3 gap-5 max-xl:grid-cols-2 max-md:grid-cols-1">
      <li v-for="report in reports" :key="report.id">
        <RouterLink
          class="block h-full rounded-md border border-hairline bg-panel px-4 py-3 hover:border-accent/50"
          :to="`/reports/${report.id}`">
          <span class="block font-semibold break-words">{{ report.title }}</span>
          <span class="block text-quiet"
            >{{ report.pages }} {{ report.pages === 1 ? 'page' : 'pages'
            }}{{ report.closing ? ` · draft of ${report.closing}` : '' }}{{ report.isPinned ? ', pinned' : '' }}</span
          >
          <span v-if="settles(report).length" class="flex gap-1.5"
            ><span class="font-semibold text-unfavourable-text" aria-hidden="true">!</span
            >{{ settles(report).join(', ') }}</span
          >
          <span v-else class="flex gap-1.5"
            ><span class="text-favourable-text" aria-hidden="true">✓</span>nothing to settle</span
          >
        </RouterLink>
      </li>
    </ul>
  </section>
</template>

<script setup lang="ts">
import type { Report, ReportChanges } from '../types'

/** What went out, what changed since, and the button that issues it. */
defineProps<{ report: Report; open: number; changes: ReportChanges | null }>()
const emit = defineEmits<{ issue: []; compare: [from: number, to: string]; close: [] }>()
const day = (iso: string) => new Date(iso).toLocaleDateString('en-GB', { day: 'numeric', month: 'short' })
</script>

<template>
  <section class="mt-6" aria-label="Issued">
    <h2 class="label mb-1">Issued</h2>
    <p v-if="!report.issues.length" class="text-quiet">Nothing yet.</p>
    <ul>
      <li v-for="issue in report.issues" :key="issue.number" class="mb-1.5">
        <RouterLink class="hover:text-accent" :to="`/reports/${report.id}/issues/${issue.number}`"
          >{{ issue.closing || `Issue ${issue.number}` }}
          <span class="text-[12px] text-quiet"
            >{{ day(issue.at) }}{{ issue.who ? `, ${issue.who}` : '' }}</span
          ></RouterLink
        >
        <p class="text-[12px]">
          <button class="link" @click="emit('compare', issue.number, 'draft')">What changed since</button> ·
          <button
            class="link"
            :aria-label="`${issue.closing} with the figures as they are now`"
            @click="emit('compare', issue.number, 'now')">
            Restated
          </button>
        </p>
      </li>
    </ul>
    <button class="link mt-1" @click="emit('issue')">
      Issue {{ report.closing?.label ?? 'it' }}<span v-if="open" class="text-quiet">, {{ open }} to settle</span>
    </button>
  </section>
</template>

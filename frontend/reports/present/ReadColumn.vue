<script setup lang="ts">
import { computed } from 'vue'
import { useWindowSize } from '@vueuse/core'
import type { ReportDocument } from '../document'
import type { Report } from '../types'
import ColumnPage from './ColumnPage.vue'

/** A report as it is read on a phone: blocks below one another, charts laid out anew for the width. */
const props = defineProps<{ report: Report; document: ReportDocument; sign: string }>()
const { width } = useWindowSize()
/** Laid out for steps of ten, so that a scroll bar does not ask for all pages again. */
const column = computed(() => Math.max(320, Math.floor(width.value / 10) * 10))
const pages = computed(() => props.document.pages ?? [])
</script>

<template>
  <main class="min-h-screen bg-panel">
    <header class="border-b border-hairline px-3.5 py-3">
      <RouterLink class="text-[12px] text-accent" to="/reports">Reports</RouterLink>
      <h1 class="font-serif text-[21px]">{{ document.report }}</h1>
      <p class="text-[12px] text-quiet">
        {{
          [document.organisation, report.closing && `closed through ${report.closing.label}`]
            .filter(Boolean)
            .join(' · ')
        }}
      </p>
    </header>
    <ColumnPage v-for="page in pages" :key="page.id" :report="report.id" :page="page.id" :sign="sign" :width="column" />
    <p v-if="!pages.length" class="p-4 text-quiet">This report has no page.</p>
  </main>
</template>

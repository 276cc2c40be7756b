<script setup lang="ts">
import { computed } from 'vue'
import { nameOf, type ReportDocument } from '../document'
import type { Report, ReportChanges, ReportDifference } from '../types'

/** What differs from an issued report, page by page; each leads to its place. */
const props = defineProps<{ changes: ReportChanges; report: Report; document: ReportDocument }>()
const emit = defineEmits<{ go: [page: string, block: string]; close: [] }>()
const WORDS: Record<ReportDifference['kind'], string> = {
  number: 'moved on',
  restated: 'restated',
  question: 'question',
  measure: 'measure',
  title: 'title',
  message: 'message',
  text: 'text',
  note: 'note',
  chart: 'chart',
  page: 'page',
}
const issue = computed(() => props.report.issues.find(one => one.number === props.changes.from))
const title = computed(() => {
  const then = issue.value?.closing || `issue ${props.changes.from}`
  return props.changes.to === 'now'
    ? `${then} as issued, against the figures as they are now`
    : `${then} as issued, against the draft of ${props.report.closing?.label ?? 'now'}`
})
const pages = computed(() => {
  const ids = [...new Set(props.changes.differences.map(one => one.page))]
  return ids.map(id => {
    const at = (props.document.pages ?? []).findIndex(page => page.id === id)
    const page = props.document.pages?.[at]
    return {
      id,
      name: page ? nameOf(page, at + 1) : 'A page that is gone',
      differences: props.changes.differences.filter(one => one.page === id),
    }
  })
})
</script>

<template>
  <section class="mb-5 max-w-[960px] rounded-lg border border-accent/40 bg-panel p-4" aria-label="What changed">
    <div class="mb-2 flex items-baseline gap-4">
      <h2 class="flex-1 font-serif text-[17px]">{{ title }}</h2>
      <button class="link" @click="emit('close')">Close</button>
    </div>
    <p v-if="!changes.differences.length">Nothing changed.</p>
    <div v-else class="max-h-[34vh] overflow-y-auto" tabindex="0" role="region" aria-label="Differences">
      <template v-for="page in pages" :key="page.id">
        <h3 class="label mt-2">{{ page.name }}</h3>
        <table class="w-full">
          <tbody>
            <tr v-for="(one, i) in page.differences" :key="i" class="border-t border-hairline align-top">
              <td class="w-20 py-1 pr-3" :class="one.kind === 'restated' ? 'font-semibold text-accent' : 'text-quiet'">
                {{ WORDS[one.kind] }}
              </td>
              <td class="py-1 pr-3 break-words">
                <button class="text-left hover:text-accent" @click="emit('go', one.page, one.block)">
                  {{ one.what }}
                </button>
              </td>
              <td class="max-w-72 py-1 pr-3 text-right break-words text-quiet">{{ one.was ?? '–' }}</td>
              <td class="max-w-72 py-1 text-right break-words">{{ one.is ?? '–' }}</td>
            </tr>
          </tbody>
        </table>
      </template>
    </div>
  </section>
</template>

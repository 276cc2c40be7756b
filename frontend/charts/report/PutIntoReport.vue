<script setup lang="ts">
import { ref } from 'vue'
import { useRouter } from 'vue-router'
import { ask, says } from '../../shared/api'
import type { Report, ReportBrief } from '../../shared/contract'
import DialogSheet from '../../shared/DialogSheet.vue'
import type { Chart, Listing, Recipe } from '../../shared/types'
import { useLoad } from '../../shared/useLoad'
import { useToast } from '../../shared/useToast'

/** Puts a chart at the end of a report: one that has a name goes on following it, another becomes the page's own. */
const props = defineProps<{ dataset: number; recipe: Recipe; chart: Chart | null; known: number | null }>()
const emit = defineEmits<{ close: [] }>()
const router = useRouter()
const { tell } = useToast()
const problem = ref('')
const title = ref('')
const { value: reports } = useLoad(['reports', 'list', ''], () => ask<Listing<ReportBrief>>('GET', '/reports'), {
  isFresh: true,
})
const block = () =>
  props.chart
    ? { chart: props.chart.id }
    : { dataset: props.dataset, recipe: props.recipe, names: props.known ?? undefined }

async function put(report: number) {
  try {
    const into = await ask<Report>('POST', `/reports/${report}/blocks`, { body: block() })
    emit('close')
    tell(`Put into “${into.title}”.`, { label: 'Open it', do: () => void router.push(`/reports/${into.id}`) })
  } catch (error) {
    problem.value = says(error)
  }
}
async function make() {
  if (!title.value.trim()) return
  try {
    const made = await ask<Report>('POST', '/reports', { body: { title: title.value.trim() } })
    await put(made.id)
  } catch (error) {
    problem.value = says(error)
  }
}
</script>

<template>
  <DialogSheet title="Put into a report" width="max-w-md" @close="$emit('close')">
    <p v-if="problem" class="mb-2 text-unfavourable-text" role="alert">{{ problem }}</p>
    <p class="mb-3 text-quiet">
      {{
        chart
          ? 'It stands at the end of the last page, and follows this chart from then on.'
          : 'It stands at the end of the last page, as a chart of the page’s own.'
      }}
    </p>
    <ul class="max-h-[40vh] overflow-y-auto border-y border-hairline">
      <li v-for="report in reports?.items ?? []" :key="report.id">
        <button class="choice" @click="put(report.id)">
          <span class="min-w-0 flex-1 break-words">{{ report.title }}</span>
          <span class="shrink-0 text-quiet">{{ report.pages }} {{ report.pages === 1 ? 'page' : 'pages' }}</span>
        </button>
      </li>
      <li v-if="reports && !reports.items.length" class="py-2 text-quiet">There is no report yet.</li>
    </ul>
    <form class="mt-4 flex gap-2" @submit.prevent="make">
      <input
        v-model="title"
        class="field min-w-0 flex-1"
        maxlength="200"
        aria-label="Title of a new report"
        placeholder="Or a new report, called" />
      <button class="button" :disabled="!title.trim()">Make it</button>
    </form>
  </DialogSheet>
</template>

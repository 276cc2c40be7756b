<script setup lang="ts">
import { computed, nextTick, ref } from 'vue'
import { nameOf, type ReportDocument } from '../document'
import type { ReportFinding, Settlement } from '../types'

/** What has to be settled before the report goes out; each leads to its place, and can be accepted with a reason. */
const props = defineProps<{ settlement: Settlement | null; isLooking: boolean; document: ReportDocument }>()
const emit = defineEmits<{
  go: [page: string, block: string]
  take: [finding: ReportFinding]
  accept: [finding: ReportFinding, reason: string]
  withdraw: [finding: ReportFinding]
}>()
const accepting = ref('')
const reason = ref('')
const list = ref<HTMLElement | null>(null)
const open = computed(() => (props.settlement?.findings ?? []).filter(one => !one.accepted))
const accepted = computed(() => (props.settlement?.findings ?? []).filter(one => one.accepted))

function placeOf(finding: ReportFinding): string {
  const at = (props.document.pages ?? []).findIndex(page => page.id === finding.page)
  const page = props.document.pages?.[at]
  return page ? nameOf(page, at + 1) : 'The whole report'
}
async function begin(finding: ReportFinding) {
  accepting.value = finding.key
  reason.value = ''
  await nextTick()
  list.value?.querySelector<HTMLInputElement>('input')?.focus()
}
function accept(finding: ReportFinding) {
  if (!reason.value.trim()) return
  emit('accept', finding, reason.value.trim())
  accepting.value = ''
}
</script>

<template>
  <section ref="list" class="mt-6" aria-label="Before it goes out">
    <h2 class="label mb-1">Before it goes out</h2>
    <p v-if="!settlement" class="text-quiet">{{ isLooking ? 'Looking through the pages…' : '' }}</p>
    <ul v-else>
      <li
        v-for="finding in open"
        :key="finding.key"
        class="mb-2 border-l-2 border-unfavourable pl-2.5"
        :data-finding="finding.kind">
        <p class="text-[12px] text-quiet">{{ placeOf(finding) }}</p>
        <p class="break-words">{{ finding.says }}</p>
        <form v-if="accepting === finding.key" class="mt-1 flex gap-1.5" @submit.prevent="accept(finding)">
          <input
            v-model="reason"
            class="field h-7 min-w-0 flex-1"
            maxlength="400"
            aria-label="Why it can stay"
            placeholder="Why it can stay"
            @keydown.esc.stop="accepting = ''" />
          <button class="button h-7" :disabled="!reason.trim()">Accept</button>
        </form>
        <p v-else class="flex flex-wrap gap-x-3">
          <button v-if="finding.page" class="link" @click="emit('go', finding.page, finding.block)">See it</button>
          <button v-if="finding.kind === 'stale' && finding.now" class="link" @click="emit('take', finding)">
            Take {{ finding.now }}
          </button>
          <button class="link" @click="begin(finding)">Accept</button>
        </p>
      </li>
      <li v-for="says in settlement.holds" :key="says" class="flex gap-2 text-quiet">
        <span class="text-favourable-text" aria-hidden="true">✓</span>{{ says }}
      </li>
      <li v-if="!open.length && !settlement.holds.length" class="text-quiet">Nothing to settle.</li>
      <li v-for="finding in accepted" :key="finding.key" class="mt-2 text-[12px] text-quiet">
        <p class="break-words">{{ placeOf(finding) }}: {{ finding.says }}</p>
        <p>
          Accepted{{ finding.accepted?.who ? ` by ${finding.accepted.who}` : '' }}: {{ finding.accepted?.reason }}
          <button class="link" @click="emit('withdraw', finding)">Withdraw</button>
        </p>
      </li>
    </ul>
  </section>
</template>

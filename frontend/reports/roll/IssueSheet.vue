<script setup lang="ts">
import { computed } from 'vue'
import DialogSheet from '../../shared/DialogSheet.vue'
import { useSignature } from '../../shared/useSignature'
import type { Report, Settlement } from '../types'

/** Freezes the report as it goes out; what is not settled is said once more. */
const props = defineProps<{ report: Report; settlement: Settlement | null }>()
defineEmits<{ issue: []; close: [] }>()
const signature = useSignature()
const open = computed(() => (props.settlement?.findings ?? []).filter(one => !one.accepted))
const label = computed(() => props.report.closing?.label ?? props.report.title)
</script>

<template>
  <DialogSheet :title="`Issue ${label}`" @close="$emit('close')">
    <p class="mb-3">
      The report is frozen as it is, with every number, note and page, and the imports that its figures came from. It
      never changes afterwards, whatever happens to the figures.
    </p>
    <template v-if="open.length">
      <p class="mb-1 font-semibold">
        {{ open.length === 1 ? 'One thing is not settled:' : `${open.length} things are not settled:` }}
      </p>
      <ul class="mb-3 border-l-2 border-unfavourable pl-3">
        <li v-for="finding in open.slice(0, 6)" :key="finding.key">{{ finding.says }}</li>
        <li v-if="open.length > 6" class="text-quiet">and {{ open.length - 6 }} more</li>
      </ul>
    </template>
    <label class="label block" for="issue-name">Signed</label>
    <input
      id="issue-name"
      v-model="signature.signature"
      class="field mb-5 w-full"
      maxlength="80"
      placeholder="Your name" />
    <div class="flex gap-3">
      <button class="button button-strong" @click="$emit('issue')">
        {{ open.length ? `Issue ${label} all the same` : `Issue ${label}` }}
      </button>
      <button class="button" @click="$emit('close')">Not yet</button>
    </div>
  </DialogSheet>
</template>

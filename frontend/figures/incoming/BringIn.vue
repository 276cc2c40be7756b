<script setup lang="ts">
import { ref } from 'vue'
import SentenceOfTrouble from '../../shared/SentenceOfTrouble.vue'
import FileButton from './FileButton.vue'
import { useDrop } from '../../shared/useDrop'
import { useIncoming } from './useIncoming'

const { problem, isBusy, takeFile, takeText } = useIncoming()
const { isOver } = useDrop(takeFile, takeText)
const pasted = ref('')
const isPasting = ref(false)

/** The made-up ferry operator's net revenue, as a file that anybody might have. */
async function trySample() {
  const { default: text } = await import('../../../demo/net-revenue.csv?raw')
  await takeFile(new File([text], 'net-revenue.csv', { type: 'text/csv' }))
}
</script>

<template>
  <section aria-label="Bring in figures">
    <div
      class="rounded-lg border border-dashed px-8 py-7 transition-colors"
      :class="isOver ? 'border-accent bg-accent-tint' : 'border-[#cfc8bb] bg-panel'">
      <p class="mb-1 font-serif text-[19px]">
        {{ isOver ? 'Let go to read it' : 'Drop a file, or paste a table' }}
      </p>
      <p class="mb-5 text-quiet">
        CSV, XLSX, ODS or JSON lines, as it came. Columns are recognised, and you confirm them before anything is kept.
      </p>
      <div class="flex flex-wrap gap-3">
        <FileButton :busy="isBusy" text="Choose a file" @file="takeFile" />
        <button class="button" :disabled="isBusy" :aria-expanded="isPasting" @click="isPasting = !isPasting">
          Paste a table
        </button>
        <button class="button" :disabled="isBusy" @click="trySample">Try a sample</button>
      </div>
      <form v-if="isPasting" class="mt-4" @submit.prevent="takeText(pasted)">
        <textarea
          v-model="pasted"
          class="h-36 w-full rounded-md border border-[#cfc8bb] bg-paper p-3 font-sans whitespace-pre"
          aria-label="Table"
          placeholder="Month	Actual	Budget" />
        <button class="button button-strong mt-2" :disabled="!pasted.trim() || isBusy">Read it</button>
      </form>
    </div>
    <SentenceOfTrouble v-if="problem" class="mt-4" :says="problem" />
  </section>
</template>

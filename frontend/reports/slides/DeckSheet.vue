<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import { ask, fetchFile, says } from '../../shared/api'
import DialogSheet from '../../shared/DialogSheet.vue'
import { save } from '../../shared/save'
import SentenceOfTrouble from '../../shared/SentenceOfTrouble.vue'
import { useToast } from '../../shared/useToast'
import type { DeckChanges } from '../types'

/** Tells what bringing a deck up to date would do to it, before the new one is saved. */
const props = defineProps<{ report: number; deck: File }>()
const emit = defineEmits<{ close: [] }>()
const { tell } = useToast()
const changes = ref<DeckChanges | null>(null)
const problem = ref('')
const isSaving = ref(false)

const HEADS = {
  stale: 'Sentences that were edited and say other numbers than now',
  kept: 'Stays as it was left by hand',
  gone: 'No longer in the report',
  new: 'New in the report',
  changed: 'Brought up to date',
} as const
type Kind = keyof typeof HEADS

function form() {
  const data = new FormData()
  data.set('file', props.deck)
  return data
}
const groups = computed(() =>
  (Object.keys(HEADS) as Kind[])
    .map(kind => ({ kind, entries: (changes.value?.entries ?? []).filter(one => one.kind === kind) }))
    .filter(group => group.entries.length),
)
const slide = (number: number) => (number ? `Slide ${number}` : 'The deck')

onMounted(async () => {
  try {
    changes.value = await ask<DeckChanges>('POST', `/reports/${props.report}/deck/changes`, { body: form() })
  } catch (error) {
    problem.value = says(error)
  }
})

async function take() {
  isSaving.value = true
  try {
    const { name, blob } = await fetchFile(`/reports/${props.report}/deck`, form())
    save(name, blob)
    tell(`Saved ${name}. The deck that you gave is as it was.`)
    emit('close')
  } catch (error) {
    problem.value = says(error)
  } finally {
    isSaving.value = false
  }
}
</script>

<template>
  <DialogSheet title="Bring a deck up to date" width="max-w-2xl" @close="emit('close')">
    <p class="mb-3 break-words text-quiet">{{ deck.name }}</p>
    <SentenceOfTrouble v-if="problem" class="mb-4" :says="problem" />
    <p v-else-if="!changes" class="mb-4 text-quiet" role="status">Comparing it with the report…</p>
    <p v-else-if="!groups.length" class="mb-4">It says what the report says now: nothing would change.</p>
    <div v-else class="mb-5 max-h-[52vh] overflow-y-auto" tabindex="0" role="region" aria-label="What would change">
      <section v-for="group in groups" :key="group.kind" class="mb-4">
        <h3 class="label mb-1">{{ HEADS[group.kind] }}</h3>
        <ul
          class="border-l-2 pl-3"
          :class="group.kind === 'stale' ? 'border-unfavourable' : 'border-hairline'"
          :aria-label="HEADS[group.kind]">
          <li v-for="(entry, i) in group.entries" :key="i" class="flex gap-3 py-0.5">
            <span class="w-[58px] shrink-0 text-quiet">{{ slide(entry.slide) }}</span>
            <span class="min-w-0 break-words"
              >{{ entry.what }}<span class="text-quiet">: {{ entry.says }}</span></span
            >
          </li>
        </ul>
      </section>
    </div>
    <div class="flex gap-3">
      <button v-if="changes" class="button button-strong" :disabled="isSaving" @click="take">Save the new deck</button>
      <button class="button" @click="emit('close')">{{ problem ? 'Close' : 'Not now' }}</button>
    </div>
  </DialogSheet>
</template>

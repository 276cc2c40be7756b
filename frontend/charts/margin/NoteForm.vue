<script setup lang="ts">
import { onMounted, ref } from 'vue'
import { storeToRefs } from 'pinia'
import { useSignature } from '../../shared/useSignature'
import type { Note } from '../../shared/types'

/** A note being written, with what was written about the same row a year before. */
const props = defineProps<{ about: string; text?: string; earlier: Note[]; problem: string }>()
const emit = defineEmits<{ write: [text: string]; drop: [] }>()
const { signature } = storeToRefs(useSignature())
const text = ref(props.text ?? '')
const field = ref<HTMLTextAreaElement | null>(null)
onMounted(() => (field.value?.focus(), field.value?.scrollIntoView({ block: 'nearest' })))
const day = (iso: string) =>
  new Date(iso).toLocaleDateString('en-GB', { day: 'numeric', month: 'short', year: 'numeric' })
</script>

<template>
  <form class="my-2 border-l-2 border-accent pl-3" @submit.prevent="text.trim() && emit('write', text)">
    <p class="mb-1 font-semibold break-words">{{ about }}</p>
    <textarea
      ref="field"
      v-model="text"
      class="field h-28! w-full py-1.5!"
      maxlength="2000"
      :aria-label="`Note about ${about}`"
      placeholder="What this means"
      @keydown.escape.prevent.stop="emit('drop')"
      @keydown.ctrl.enter.prevent="text.trim() && emit('write', text)"
      @keydown.meta.enter.prevent="text.trim() && emit('write', text)" />
    <label class="mt-1 flex items-center gap-2 text-[12px] text-quiet"
      >Signed<input v-model="signature" class="field h-7! min-w-0 flex-1" maxlength="80" placeholder="your name"
    /></label>
    <p v-if="problem" class="mt-1 text-unfavourable-text" role="alert">{{ problem }}</p>
    <p class="mt-1.5 flex flex-wrap gap-2">
      <button class="button button-strong" type="submit" :disabled="!text.trim()">Keep the note</button>
      <button class="button" type="button" @click="emit('drop')">Let it be</button>
    </p>
    <div v-if="earlier.length" class="mt-2">
      <p class="label">A year before</p>
      <p v-for="note in earlier" :key="note.id" class="mt-0.5 text-[12px] text-quiet">
        {{ note.text }} ({{ note.author ? `${note.author}, ` : '' }}{{ day(note.at) }})
        <button class="link" type="button" @click="text = text.trim() ? `${text}\n${note.text}` : note.text">
          Take over
        </button>
      </p>
    </div>
  </form>
</template>

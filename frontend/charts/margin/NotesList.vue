<script setup lang="ts">
import { computed } from 'vue'
import type { Drawing, Note } from '../../shared/types'
import { stamp } from '../../shared/wording'
import NoteForm from './NoteForm.vue'

/** Notes of the chart's rows, numbered as their discs are. */
const props = defineProps<{ drawing: Drawing; writing: string | null; editing: Note | null; problem: string }>()
const lit = defineModel<string | null>('lit', { default: null })
const emit = defineEmits<{
  write: [text: string]
  change: [note: Note, text: string]
  edit: [note: Note]
  remove: [note: Note]
  drop: []
}>()
const label = computed(() => props.drawing.workings.rows.find(row => row.key === props.writing)?.label ?? '')
</script>

<template>
  <section class="mt-6" aria-label="Notes">
    <h2 class="label mb-1">Notes</h2>
    <ol>
      <li v-for="note in drawing.notes" :key="note.id" class="mb-2 flex gap-2">
        <NoteForm
          v-if="editing?.id === note.id"
          class="min-w-0 flex-1"
          :about="note.label"
          :text="note.text"
          :earlier="[]"
          :problem="problem"
          @write="emit('change', note, $event)"
          @drop="emit('drop')" />
        <template v-else>
          <span
            class="mt-px grid size-[17px] shrink-0 place-items-center rounded-full bg-accent text-[11px] font-semibold text-panel"
            >{{ note.number }}</span
          >
          <div
            class="group min-w-0 flex-1 rounded-xs"
            :class="lit === note.row ? 'bg-accent-tint' : ''"
            @pointerenter="lit = note.row"
            @pointerleave="lit = null">
            <p class="break-words whitespace-pre-line">{{ note.text }}</p>
            <p class="text-[12px]" :class="lit === note.row ? '' : 'text-quiet'">
              {{ note.author ? `${note.author}, ` : '' }}{{ stamp(note.changedAt ?? note.at) }}
              <span class="opacity-0 group-focus-within:opacity-100 group-hover:opacity-100">
                <button class="link" :aria-label="`Edit note ${note.number}`" @click="emit('edit', note)">Edit</button
                >&ensp;<button class="link" :aria-label="`Delete note ${note.number}`" @click="emit('remove', note)">
                  Delete
                </button>
              </span>
            </p>
          </div>
        </template>
      </li>
    </ol>
    <NoteForm
      v-if="writing !== null"
      :key="writing"
      :about="label"
      :earlier="drawing.earlier[writing] ?? []"
      :problem="problem"
      @write="emit('write', $event)"
      @drop="emit('drop')" />
    <p v-else-if="!drawing.notes.length" class="text-[12px] text-quiet">
      Select a mark and write what it means; <kbd>n</kbd> does the same.
    </p>
    <p v-if="problem && writing === null && !editing" class="text-unfavourable-text" role="alert">{{ problem }}</p>
  </section>
</template>

<script setup lang="ts">
import { nextTick, ref } from 'vue'
import type { Drawing, Message } from '../../shared/types'
import { renewed, reworded } from './message'

/** The sentence above the chart: written freely, or taken from the reading, and marked once its numbers are others. */
const props = defineProps<{ message: Message | undefined; stale: Drawing['stale'] }>()
const emit = defineEmits<{ change: [message: Message | undefined] }>()
const isEditing = ref(false)
const text = ref('')
const field = ref<HTMLTextAreaElement | null>(null)

async function edit() {
  text.value = props.message?.text ?? ''
  isEditing.value = true
  await nextTick()
  field.value?.focus()
}
function take() {
  isEditing.value = false
  const next = reworded(props.message ?? { text: '' }, text.value)
  if (next?.text !== props.message?.text) emit('change', next)
}
</script>

<template>
  <section class="mt-6" aria-label="Message">
    <h2 class="label mb-1">Message</h2>
    <form v-if="isEditing" @submit.prevent="take">
      <textarea
        ref="field"
        v-model="text"
        class="field h-24! w-full py-1.5!"
        maxlength="600"
        aria-label="Message above the chart"
        @keydown.escape.prevent.stop="isEditing = false"
        @keydown.ctrl.enter.prevent="take"
        @keydown.meta.enter.prevent="take" />
      <p class="mt-1 flex gap-2">
        <button class="button button-strong" type="submit">Set</button>
        <button class="button" type="button" @click="isEditing = false">Let it be</button>
      </p>
    </form>
    <template v-else-if="message">
      <p class="font-serif text-[15px] leading-[21px] break-words">{{ message.text }}</p>
      <p v-for="one in stale" :key="one.said" class="mt-1 text-unfavourable-text" role="status">
        says {{ one.said }}, is now {{ one.now }}
      </p>
      <p class="mt-1 flex flex-wrap gap-x-3 text-[12px]">
        <button v-if="stale.some(one => one.exact)" class="link" @click="emit('change', renewed(message, stale))">
          Take the new numbers
        </button>
        <button class="link" @click="edit">Edit</button>
        <button class="link" @click="emit('change', undefined)">Remove</button>
      </p>
    </template>
    <button v-else class="link text-[12px]" @click="edit">Write the message of this chart</button>
  </section>
</template>

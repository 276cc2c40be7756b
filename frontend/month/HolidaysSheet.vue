<script setup lang="ts">
import { ref, watch } from 'vue'
import { ask, says } from '../shared/api'
import DialogSheet from '../shared/DialogSheet.vue'
import SentenceOfTrouble from '../shared/SentenceOfTrouble.vue'
import type { Holidays } from '../shared/contract'
import { useLoad } from '../shared/useLoad'

/** Days off besides weekends, a line each: they are no working days, and nothing is due on them. */
const emit = defineEmits<{ close: []; changed: [] }>()
const { value: known, problem } = useLoad(['holidays'], signal => ask<Holidays>('GET', '/holidays', { signal }), {
  isFresh: true,
})
const text = ref('')
const trouble = ref('')
watch(known, own => own && (text.value = own.items.map(one => `${one.day} ${one.name}`.trim()).join('\n')), {
  immediate: true,
})

async function save() {
  trouble.value = ''
  const items = text.value
    .split('\n')
    .map(line => line.trim())
    .filter(Boolean)
    .map(line => ({ day: line.split(/\s+/)[0] ?? '', name: line.split(/\s+/).slice(1).join(' ') }))
  try {
    await ask<Holidays>('PUT', '/holidays', { body: { items } })
    emit('changed')
    emit('close')
  } catch (error) {
    trouble.value = says(error)
  }
}
</script>

<template>
  <DialogSheet title="Days off" @close="$emit('close')">
    <form @submit.prevent="save">
      <label
        ><span class="text-quiet">A day a line, with its name. Weekends are off by themselves.</span>
        <textarea
          v-model="text"
          class="field mt-2 h-56 w-full py-2 font-sans"
          placeholder="2026-12-25 Christmas Day"
          spellcheck="false" />
      </label>
      <SentenceOfTrouble v-if="problem || trouble" class="my-2" :says="trouble || problem" />
      <p class="mt-3 flex gap-3">
        <button class="button button-strong">Keep them</button>
        <button type="button" class="button" @click="$emit('close')">Leave it</button>
      </p>
    </form>
  </DialogSheet>
</template>

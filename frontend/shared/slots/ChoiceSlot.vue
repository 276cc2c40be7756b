<script setup lang="ts">
import { Listbox, ListboxButton, ListboxOption, ListboxOptions } from '@headlessui/vue'

/** One of a few choices; typing the first letters finds one. What is only a guess is marked, and says why. */
defineProps<{
  text: string
  name: string
  value: string
  choices: { value: string; label: string; note: string }[]
  guess?: string
}>()
const emit = defineEmits<{ choose: [value: string] }>()
</script>

<template>
  <Listbox
    v-slot="{ open }"
    as="span"
    class="relative"
    :model-value="value"
    @update:model-value="emit('choose', $event)">
    <ListboxButton
      class="slot"
      :class="guess ? 'slot-guess' : ''"
      :aria-label="`${name}: ${text}${guess ? ', a guess' : ''}`"
      :aria-expanded="open"
      :title="guess || undefined"
      >{{ text }}<span v-if="guess" aria-hidden="true">?</span></ListboxButton
    >
    <ListboxOptions class="sheet left-0 max-h-[50vh] w-max max-w-[420px] min-w-44 overflow-auto py-1.5">
      <li v-if="guess" class="max-w-72 px-3 pt-1 pb-2 text-quiet" role="presentation">{{ guess }}</li>
      <ListboxOption v-for="choice in choices" :key="choice.value" :value="choice.value" class="choice break-words">
        <span class="min-w-0 flex-1">{{ choice.label }}</span><span class="font-normal text-quiet">{{
          choice.note
        }}</span>
      </ListboxOption>
    </ListboxOptions>
  </Listbox>
</template>

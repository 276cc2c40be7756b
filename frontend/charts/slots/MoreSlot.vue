<script setup lang="ts">
import { Listbox, ListboxButton, ListboxOption, ListboxOptions } from '@headlessui/vue'

/** Slots with nothing set: one that is chosen gets its place in the sentence, and is opened. */
defineProps<{ text: string; offers: { slot: string; text: string }[] }>()
const emit = defineEmits<{ choose: [slot: string] }>()
</script>

<template>
  <Listbox as="span" class="relative" model-value="" @update:model-value="emit('choose', $event)">
    <ListboxButton class="slot slot-quiet" aria-label="More that can be asked">{{ text }}</ListboxButton>
    <ListboxOptions class="sheet left-0 w-max max-w-[420px] min-w-44 py-1.5">
      <ListboxOption v-for="offer in offers" :key="offer.slot" :value="offer.slot" class="choice break-words">{{
        offer.text
      }}</ListboxOption>
    </ListboxOptions>
  </Listbox>
</template>

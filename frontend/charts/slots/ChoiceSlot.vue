<script setup lang="ts">
import { Listbox, ListboxButton, ListboxOption, ListboxOptions } from '@headlessui/vue'

/** One of a few choices; typing the first letters finds one. */
defineProps<{ text: string; name: string; value: string; choices: { value: string; label: string; note: string }[] }>()
const emit = defineEmits<{ choose: [value: string] }>()
</script>

<template>
  <Listbox
    v-slot="{ open }"
    as="span"
    class="relative"
    :model-value="value"
    @update:model-value="emit('choose', $event)"
  >
    <ListboxButton class="slot" :aria-label="`${name}: ${text}`" :aria-expanded="open">{{ text }}</ListboxButton>
    <ListboxOptions class="sheet left-0 max-h-[50vh] w-max max-w-[420px] min-w-44 overflow-auto py-1.5">
      <ListboxOption v-for="choice in choices" :key="choice.value" :value="choice.value" class="choice break-words">
        <span class="min-w-0 flex-1">{{ choice.label }}</span><span class="font-normal text-quiet">{{
          choice.note
        }}</span>
      </ListboxOption>
    </ListboxOptions>
  </Listbox>
</template>

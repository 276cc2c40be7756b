<script setup lang="ts">
import { computed, ref } from 'vue'
import { Combobox, ComboboxInput, ComboboxOption, ComboboxOptions } from '@headlessui/vue'
import { refDebounced } from '@vueuse/core'
import { ask } from '../../shared/api'
import DialogSheet from '../../shared/DialogSheet.vue'
import { useLoad } from '../../shared/useLoad'
import type { NumberOffer } from '../types'

/** A search over what the charts of a page say, and over their workings. */
const props = defineProps<{ report: number; page: string; of?: string; row?: string }>()
const emit = defineEmits<{ take: [offer: NumberOffer]; close: [] }>()
const sought = ref('')
const settled = refDebounced(sought, 120)
const query = computed(() =>
  new URLSearchParams({ q: settled.value.trim(), of: props.of ?? '', row: props.row ?? '' }).toString(),
)
const { value, problem } = useLoad(
  () => ['reports', props.report, 'numbers', props.page, query.value],
  signal =>
    ask<{ items: NumberOffer[] }>('GET', `/reports/${props.report}/pages/${props.page}/numbers?${query.value}`, {
      signal,
    }),
  { keepsPrevious: true, isFresh: true },
)
</script>

<template>
  <DialogSheet title="Take a number" width="max-w-2xl" @close="$emit('close')">
    <Combobox :model-value="null" @update:model-value="(offer: NumberOffer | null) => offer && emit('take', offer)">
      <ComboboxInput
        class="field w-full"
        aria-label="Find a number of this page"
        placeholder="Net revenue Jul"
        autocomplete="off"
        @change="sought = $event.target.value" />
      <p v-if="problem" class="mt-2 text-unfavourable-text" role="alert">{{ problem }}</p>
      <ComboboxOptions static class="mt-3 max-h-[46vh] overflow-y-auto border-t border-hairline">
        <ComboboxOption v-for="(offer, i) in value?.items ?? []" :key="i" :value="offer" class="choice items-baseline">
          <span class="w-20 shrink-0 text-right font-semibold">{{ offer.said }}</span>
          <span class="w-24 shrink-0 text-quiet">{{ offer.unit }}</span>
          <span class="min-w-0 flex-1 break-words"
            ><span class="text-quiet">{{ offer.what }}:</span> {{ offer.says }}</span
          >
        </ComboboxOption>
        <li v-if="value && !value.items.length" class="py-3 text-quiet">No number of this page is called so.</li>
      </ComboboxOptions>
    </Combobox>
  </DialogSheet>
</template>

<script setup lang="ts">
import { computed, nextTick, onBeforeUnmount, onMounted, ref } from 'vue'
import { storeToRefs } from 'pinia'
import { useRouter } from 'vue-router'
import {
  Combobox,
  ComboboxInput,
  ComboboxOption,
  ComboboxOptions,
  Dialog,
  DialogPanel,
  DialogTitle,
} from '@headlessui/vue'
import { refDebounced } from '@vueuse/core'
import { ask } from './api'
import { useLoad } from './useLoad'
import { useSearch } from './useSearch'

interface Found {
  kind: 'report' | 'chart' | 'dataset' | 'measure' | 'breakdown' | 'member' | 'note' | 'import'
  id: number
  name: string
  within: string
  dataset: number
}

/** Finds anything that has a name. */
const search = useSearch()
const { isOpen } = storeToRefs(search)
const router = useRouter()
const sought = ref('')
const settled = refDebounced(sought, 120)
const words = computed(() => settled.value.trim())
const { value: answer, problem } = useLoad(
  () => ['search', words.value],
  signal => ask<{ items: Found[] }>('GET', `/search?q=${encodeURIComponent(words.value)}`, { signal }),
  { isAsked: () => words.value !== '', keepsPrevious: true },
)
const found = computed(() => (words.value ? (answer.value?.items ?? null) : null))

/** What was typed before the field was there. */
onMounted(async () => {
  await nextTick()
  const field = document.querySelector<HTMLInputElement>('[aria-label="Find anything"]')
  const text = search.taken()
  if (!field) return
  field.focus()
  field.value = text
  sought.value = text
})
onBeforeUnmount(search.gone)

/** Enter leads to the first that was found, where the list has not marked one yet. */
function takeFirst(event: KeyboardEvent) {
  const first = found.value?.[0]
  if (!first || document.querySelector('[role=option][data-headlessui-state~=active]')) return
  event.preventDefault()
  event.stopPropagation()
  go(first)
}
function go(one: Found | null) {
  if (!one) return
  isOpen.value = false
  const place = {
    report: `/reports/${one.id}`,
    chart: `/charts/${one.id}`,
    dataset: `/figures/${one.dataset}`,
    measure: { path: `/figures/${one.dataset}`, query: { measure: one.name } },
    breakdown: { path: `/figures/${one.dataset}`, query: { by: one.name } },
    member: { path: `/figures/${one.dataset}`, query: { member: one.name } },
    note: { path: '/charts/new', query: { dataset: one.dataset, note: one.id } },
    import: `/figures/${one.dataset}`,
  }[one.kind]
  void router.push(place)
}
</script>

<template>
  <Dialog :open="isOpen" class="relative z-40" @close="isOpen = false">
    <div class="fixed inset-0 bg-ink/25" aria-hidden="true" />
    <div class="fixed inset-0 flex items-start justify-center p-16">
      <DialogPanel class="w-full max-w-xl rounded-lg bg-panel p-4 shadow-xl">
        <DialogTitle class="sr-only">Find anything</DialogTitle>
        <Combobox immediate :model-value="null" @update:model-value="go">
          <ComboboxInput
            class="w-full border-b border-hairline bg-transparent px-2 pb-2 font-serif text-[19px] outline-none"
            aria-label="Find anything"
            placeholder="Find a report, a chart, a dataset, a measure, a member, a note, a file"
            autocomplete="off"
            @change="sought = $event.target.value"
            @keydown.escape.capture.stop="isOpen = false"
            @keydown.enter.capture="takeFirst" />
          <p v-if="problem" class="px-2 pt-3 text-unfavourable-text" role="alert">{{ problem }}</p>
          <p v-else-if="found && !found.length" class="px-2 pt-3 text-quiet">Nothing of that name.</p>
          <ComboboxOptions static class="mt-2 max-h-[50vh] overflow-auto">
            <ComboboxOption
              v-for="one in found ?? []"
              :key="`${one.kind} ${one.id}`"
              :value="one"
              class="choice items-baseline rounded">
              <span class="w-20 shrink-0 text-[12px] font-normal text-quiet">{{ one.kind }}</span>
              <span class="min-w-0 break-words">{{ one.name || '(blank)' }}</span>
              <span class="ml-auto min-w-0 truncate pl-4 text-[12px] font-normal text-quiet">{{ one.within }}</span>
            </ComboboxOption>
          </ComboboxOptions>
        </Combobox>
      </DialogPanel>
    </div>
  </Dialog>
</template>

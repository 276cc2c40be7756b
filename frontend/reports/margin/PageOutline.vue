<script setup lang="ts">
import { nextTick, ref } from 'vue'
import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/vue'
import { nameOf, type ReportDocument } from '../document'
import type { ReportChanges, ReportFinding } from '../types'

/** The pages in their order; those with something to settle, or something that changed, are marked. */
const props = defineProps<{
  document: ReportDocument
  page: string
  findings: ReportFinding[]
  changes: ReportChanges | null
}>()
const emit = defineEmits<{
  go: [page: string]
  add: []
  rename: [page: string, title: string]
  move: [page: string, by: number]
  remove: [page: string]
}>()
const naming = ref('')
/** What is typed stays, whatever else comes in meanwhile. */
const title = ref('')
const list = ref<HTMLElement | null>(null)

const count = (id: string) => props.findings.filter(one => one.page === id).length
const changed = (id: string) => props.changes?.differences.filter(one => one.page === id).length ?? 0

async function rename(id: string) {
  naming.value = id
  title.value = props.document.pages?.find(page => page.id === id)?.title ?? ''
  await nextTick()
  list.value?.querySelector<HTMLInputElement>('input')?.select()
}
function named(id: string) {
  if (naming.value !== id) return
  naming.value = ''
  emit('rename', id, title.value.trim())
}
/** Up and down go from page to page; with Alt they move it. */
function key(event: KeyboardEvent, id: string) {
  const by = { ArrowUp: -1, ArrowDown: 1 }[event.key]
  if (event.key === 'F2') void rename(id)
  else if (by && event.altKey) emit('move', id, by)
  else if (by) {
    const buttons = [...(list.value?.querySelectorAll<HTMLElement>('[data-page]') ?? [])]
    buttons[buttons.indexOf(event.currentTarget as HTMLElement) + by]?.focus()
  } else return
  event.preventDefault()
}
</script>

<template>
  <section class="mt-6" aria-label="Pages">
    <h2 class="label mb-1">Pages</h2>
    <ol ref="list">
      <li v-for="(one, i) in document.pages ?? []" :key="one.id" class="group relative">
        <form v-if="naming === one.id" class="py-0.5" @submit.prevent>
          <input
            v-model="title"
            class="field h-7 w-full"
            maxlength="200"
            :aria-label="`Name of page ${i + 1}`"
            @keydown.enter.prevent="named(one.id)"
            @keydown.esc="naming = ''"
            @blur="named(one.id)" />
        </form>
        <template v-else>
          <button
            class="-mx-2 flex w-[calc(100%+16px)] gap-3 rounded px-2 py-1 text-left hover:bg-accent-tint"
            :class="one.id === page ? 'bg-accent-tint font-semibold' : ''"
            :aria-current="one.id === page ? 'page' : undefined"
            data-page
            @click="emit('go', one.id)"
            @dblclick="rename(one.id)"
            @keydown="key($event, one.id)">
            <span class="w-3 shrink-0 text-quiet">{{ i + 1 }}</span>
            <span class="min-w-0 flex-1 break-words">{{ nameOf(one, i + 1) }}</span>
            <span v-if="changed(one.id)" class="shrink-0 font-normal text-accent" :title="`${changed(one.id)} changes`"
              >{{ changed(one.id) }}<span class="sr-only"> changes</span></span
            >
            <span v-if="count(one.id)" class="mr-4 shrink-0 font-semibold text-unfavourable-text"
              ><span aria-hidden="true">!</span><span class="sr-only">{{ count(one.id) }} to settle</span></span
            >
          </button>
          <Menu as="div" class="absolute top-0.5 -right-2">
            <MenuButton
              class="rounded px-1.5 text-quiet opacity-0 group-focus-within:opacity-100 group-hover:opacity-100 hover:text-accent"
              :aria-label="`More for page ${i + 1}`"
              ><span aria-hidden="true" class="tracking-widest">···</span></MenuButton
            >
            <MenuItems class="sheet right-0 z-40 w-44 py-1.5">
              <MenuItem><button class="choice" @click="rename(one.id)">Rename</button></MenuItem>
              <MenuItem v-if="i > 0"
                ><button class="choice" @click="emit('move', one.id, -1)">Move up</button></MenuItem
              >
              <MenuItem v-if="i < (document.pages?.length ?? 0) - 1"
                ><button class="choice" @click="emit('move', one.id, 1)">Move down</button></MenuItem
              >
              <MenuItem><button class="choice" @click="emit('remove', one.id)">Delete</button></MenuItem>
            </MenuItems>
          </Menu>
        </template>
      </li>
    </ol>
    <button class="link mt-1 text-[13px]" @click="emit('add')">Add a page</button>
  </section>
</template>

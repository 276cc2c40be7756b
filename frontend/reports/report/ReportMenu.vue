<script setup lang="ts">
import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/vue'
import { useKeys } from '../../shared/useKeys'
import { ref } from 'vue'
import { ask, says } from '../../shared/api'
import { save } from '../../shared/save'
import { useToast } from '../../shared/useToast'
import type { Report } from '../types'

/** What a report is taken along as. */
const props = defineProps<{ report: Report; page: string }>()
const emit = defineEmits<{ deck: [deck: File]; template: [] }>()
const { tell } = useToast()
const button = ref<{ $el: HTMLElement } | null>(null)

async function copyAddress(ending: string) {
  const address = `${window.location.origin}/reports/${props.report.id}.${ending}`
  try {
    await navigator.clipboard.writeText(address)
    tell('The address is copied. Whoever opens it gets the pages as they are then.')
  } catch {
    tell(`The browser did not let it be copied: ${address}`)
  }
}
async function saveDocument() {
  try {
    const document = await ask<object>('GET', `/reports/${props.report.id}/document`)
    const text = JSON.stringify(document, null, 2)
    save(`${props.report.title}.json`, new Blob([text], { type: 'application/json' }))
    tell('Saved the document. With its figures, ./keen report makes the same pages of it.')
  } catch (error) {
    tell(says(error))
  }
}
const field = ref<HTMLInputElement | null>(null)
function takeDeck() {
  const deck = field.value?.files?.[0]
  if (deck) emit('deck', deck)
  if (field.value) field.value.value = ''
}
useKeys({ e: () => button.value?.$el.click() })
</script>

<template>
  <Menu as="div" class="relative">
    <MenuButton ref="button" class="button button-strong" title="e">Export</MenuButton>
    <MenuItems class="sheet right-0 w-72 py-1.5">
      <MenuItem>
        <a class="choice" :href="`/reports/${report.id}.pdf`" target="_blank" rel="noopener"
          ><span class="flex-1">All pages as PDF</span><span class="text-quiet">vectors, real text</span></a
        >
      </MenuItem>
      <MenuItem>
        <a class="choice" :href="`/reports/${report.id}.pptx`" download
          ><span class="flex-1">Slides as PPTX</span><span class="text-quiet">shapes to edit</span></a
        >
      </MenuItem>
      <MenuItem v-if="page">
        <a class="choice" :href="`/reports/${report.id}.pptx?page=${page}`" download
          ><span class="flex-1">This page as a slide</span><span class="text-quiet">shapes to edit</span></a
        >
      </MenuItem>
      <MenuItem v-for="(name, ending) in { pdf: 'PDF', pptx: 'slides' }" :key="ending"
        ><button class="choice" @click="copyAddress(ending)">
          <span class="flex-1">Address of the {{ name }}</span
          ><span class="text-quiet">always current</span>
        </button></MenuItem
      >
      <MenuItem
        ><button class="choice" @click="field?.click()">
          <span class="flex-1">Bring a deck up to date</span><span class="text-quiet">or drop it here</span>
        </button></MenuItem
      >
      <MenuItem
        ><button class="choice" @click="emit('template')">
          <span class="flex-1">Template of slides</span><span class="text-quiet">fonts, colours, logo</span>
        </button></MenuItem
      >
      <MenuItem>
        <RouterLink class="choice" :to="`/reports/${report.id}/print`"
          ><span class="flex-1">Print</span><span class="text-quiet">Ctrl+P</span></RouterLink
        >
      </MenuItem>
      <MenuItem
        ><button class="choice" @click="saveDocument">
          <span class="flex-1">The document</span><span class="text-quiet">for ./keen report</span>
        </button></MenuItem
      >
    </MenuItems>
    <input
      ref="field"
      class="hidden"
      type="file"
      accept=".pptx"
      aria-label="Deck to bring up to date"
      tabindex="-1"
      @change="takeDeck" />
  </Menu>
</template>

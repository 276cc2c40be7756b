<script setup lang="ts">
import { ref } from 'vue'
import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/vue'
import { says } from '../shared/api'
import type { Recipe } from '../shared/types'
import { useKeys } from '../shared/useKeys'
import { useToast } from '../shared/useToast'
import { copyPicture, savePicture, saveWorkings } from './exports'

const props = defineProps<{ dataset: number; recipe: Recipe }>()
const { tell } = useToast()
const button = ref<{ $el: HTMLElement } | null>(null)

async function run(action: () => Promise<string>) {
  try {
    tell(await action())
  } catch (error) {
    tell(
      error instanceof DOMException
        ? 'The browser did not let the picture be copied. Save it as SVG instead.'
        : says(error),
    )
  }
}

const choices = [
  {
    label: 'Picture as SVG',
    note: 'sharp at any size',
    does: async () => `Saved ${await savePicture(props.dataset, props.recipe)}`,
  },
  {
    label: 'Workings as CSV',
    note: 'exact numbers',
    does: async () => `Saved ${await saveWorkings(props.dataset, props.recipe)}`,
  },
  {
    label: 'Copy the picture',
    note: 'to paste it elsewhere',
    does: async () => (await copyPicture(props.dataset, props.recipe), 'The picture is copied.'),
  },
]
useKeys({ e: () => button.value?.$el.click() })
</script>

<template>
  <Menu as="div" class="relative">
    <MenuButton ref="button" class="button button-strong">Export</MenuButton>
    <MenuItems class="sheet right-0 w-72 py-1.5">
      <MenuItem v-for="choice in choices" :key="choice.label">
        <button class="choice" @click="run(choice.does)">
          <span class="flex-1">{{ choice.label }}</span><span class="text-quiet">{{ choice.note }}</span>
        </button>
      </MenuItem>
    </MenuItems>
  </Menu>
</template>

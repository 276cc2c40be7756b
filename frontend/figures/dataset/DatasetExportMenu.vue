<script setup lang="ts">
import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/vue'
import { says } from '../../shared/api'
import { saveFile } from '../../shared/save'
import { useToast } from '../../shared/useToast'

const props = defineProps<{ dataset: number }>()
const { tell } = useToast()
const formats = [
  ['csv', 'CSV', 'text, every digit'],
  ['xlsx', 'XLSX', 'a workbook'],
  ['ods', 'ODS', 'an open workbook'],
  ['jsonl', 'JSON lines', 'for programs'],
]

async function run(format: string) {
  try {
    tell(`Saved ${await saveFile(`/datasets/${props.dataset}/exports/${format}`)}`)
  } catch (error) {
    tell(says(error))
  }
}
</script>

<template>
  <Menu as="div" class="relative">
    <MenuButton class="button">Export</MenuButton>
    <MenuItems class="sheet right-0 w-60 py-1.5">
      <MenuItem v-for="[format, label, note] in formats" :key="format">
        <button class="choice" @click="run(format ?? '')">
          <span class="flex-1">{{ label }}</span><span class="text-quiet">{{ note }}</span>
        </button>
      </MenuItem>
    </MenuItems>
  </Menu>
</template>

<script setup lang="ts">
import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/vue'
import { readers } from './colourReaders'

/** Shows the chart as readers see it who tell fewer colours apart, or have it in grey print. */
const reader = defineModel<string>({ default: '' })
</script>

<template>
  <Menu as="div" class="relative">
    <MenuButton class="button" :class="reader ? 'border-accent! text-accent' : ''">
      {{ reader ? `As ${readers[reader]?.name} readers see it` : 'Colour check' }}
    </MenuButton>
    <MenuItems class="sheet right-0 w-72 py-1.5">
      <MenuItem>
        <button class="choice" :class="reader ? '' : 'choice-chosen'" @click="reader = ''">As it is</button>
      </MenuItem>
      <MenuItem v-for="(one, id) in readers" :key="id">
        <button class="choice" :class="reader === id ? 'choice-chosen' : ''" @click="reader = String(id)">
          <span class="flex-1">As {{ one.name }} readers see it</span
          ><span class="font-normal text-quiet">{{ one.note }}</span>
        </button>
      </MenuItem>
    </MenuItems>
    <svg class="absolute size-0" aria-hidden="true">
      <filter v-for="(one, id) in readers" :id="`reader-${id}`" :key="id">
        <feColorMatrix type="matrix" :values="one.matrix" />
      </filter>
    </svg>
  </Menu>
</template>

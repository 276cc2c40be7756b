<script setup lang="ts">
import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/vue'
import { readers } from './colourReaders'

/** Shows the chart as readers see it who tell fewer colours apart, or have it in grey print. */
const reader = defineModel<string>({ default: '' })
</script>

<template>
  <Menu as="div" class="relative">
    <MenuButton
      class="button"
      :class="reader ? 'border-accent! text-accent' : 'px-2!'"
      :aria-label="reader ? undefined : 'Colour check'"
      :title="reader ? undefined : 'Colour check'">
      <template v-if="reader">As {{ readers[reader]?.name }} readers see it</template>
      <svg v-else width="20" height="18" viewBox="0 0 20 18" fill="none" stroke="currentColor" aria-hidden="true">
        <path d="M1.5 9C4 4.6 6.9 3 10 3s6 1.6 8.5 6c-2.5 4.4-5.4 6-8.5 6S4 13.4 1.5 9Z" stroke-width="1.3" />
        <circle cx="10" cy="9" r="2.7" fill="currentColor" stroke="none" />
      </svg>
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

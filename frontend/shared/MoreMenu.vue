<script setup lang="ts">
import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/vue'

/** What else can be done with a thing of a list. */
defineProps<{ name: string; choices: readonly (readonly [label: string, does: () => void])[] }>()
</script>

<template>
  <Menu as="div" class="absolute right-2 bottom-2">
    <MenuButton class="rounded px-2 py-0.5 text-quiet hover:text-accent" :aria-label="`More for ${name}`">
      <span aria-hidden="true" class="tracking-widest">···</span>
    </MenuButton>
    <MenuItems class="sheet right-0 bottom-full w-44 py-1.5">
      <slot />
      <MenuItem v-for="[label, does] in choices" :key="label">
        <button class="choice" @click="does">{{ label }}</button>
      </MenuItem>
    </MenuItems>
  </Menu>
</template>

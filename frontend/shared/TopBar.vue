<script setup lang="ts">
import { storeToRefs } from 'pinia'
import { useSearch } from './useSearch'

const { isOpen } = storeToRefs(useSearch())
defineProps<{ area?: 'figures' | 'charts' | 'reports' | 'month' }>()
</script>

<template>
  <header
    class="flex h-12 shrink-0 items-stretch gap-7 border-b border-hairline bg-panel px-6 max-lg:gap-4 max-lg:px-4">
    <RouterLink to="/" class="flex items-center gap-2.5 font-serif text-[17px] font-medium whitespace-nowrap">
      <span class="h-5 w-[3px] bg-accent" aria-hidden="true" />Keen Margin
    </RouterLink>
    <nav class="flex items-stretch gap-6 max-lg:gap-4" aria-label="Areas">
      <RouterLink
        v-for="[name, label] in [
          ['figures', 'Figures'],
          ['charts', 'Charts'],
          ['reports', 'Reports'],
          ['month', 'Month'],
        ]"
        :key="name"
        :to="`/${name}`"
        class="flex items-center border-b-2 pt-0.5 hover:text-ink"
        :class="area === name ? 'border-accent font-semibold' : 'border-transparent text-quiet'"
        :aria-current="area === name ? 'page' : undefined"
        >{{ label }}</RouterLink
      >
    </nav>
    <button class="self-center text-quiet hover:text-accent" title="Find anything  /" @click="isOpen = true">
      Find
    </button>
    <div class="ml-auto flex items-center gap-4 max-lg:gap-2"><slot /></div>
  </header>
</template>

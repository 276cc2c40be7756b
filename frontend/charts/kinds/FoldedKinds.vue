<script setup lang="ts">
import { computed } from 'vue'
import { Popover, PopoverButton, PopoverPanel } from '@headlessui/vue'
import type { Kind } from '../../shared/types'
import KindGlyph from './KindGlyph.vue'

/** A group of kinds as one button that opens to them. */
const props = defineProps<{ name: string; kinds: Kind[]; kind: string }>()
const emit = defineEmits<{ draw: [kind: Kind] }>()
const own = computed(() => props.kinds.find(one => one.id === props.kind))

function step(event: KeyboardEvent, by: number) {
  const items = [...(event.currentTarget as HTMLElement).querySelectorAll<HTMLElement>('button')]
  const at = items.indexOf(document.activeElement as HTMLElement)
  items[(at + by + items.length) % items.length]?.focus()
}
</script>

<template>
  <Popover v-slot="{ close }" class="relative">
    <PopoverButton
      data-kind
      class="flex h-8 items-center gap-1.5 rounded-md border px-2 text-[12px] whitespace-nowrap"
      :class="own ? 'border-accent bg-accent-tint' : 'border-transparent text-quiet hover:border-[#d3ccc0]'"
      :data-holds="own ? '' : undefined"
      :aria-label="own ? `${name}: ${own.name}` : name">
      <KindGlyph v-if="own" :marks="own.glyph" />{{ name }}
    </PopoverButton>
    <PopoverPanel
      focus
      class="sheet left-0 w-[280px] py-1.5"
      role="menu"
      :aria-label="name"
      @keydown.down.prevent="step($event, 1)"
      @keydown.up.prevent="step($event, -1)">
      <button
        v-for="one in kinds"
        :key="one.id"
        class="choice items-start gap-3"
        role="menuitemradio"
        :aria-checked="one.id === kind"
        :aria-disabled="one.lacks !== null"
        @click="one.lacks || (emit('draw', one), close())">
        <KindGlyph class="mt-0.5 shrink-0" :marks="one.glyph" :class="one.lacks ? 'opacity-30' : ''" />
        <span class="min-w-0"
          >{{ one.name }}<span class="block text-[12px] text-quiet">{{ one.lacks ?? one.says }}</span></span
        >
      </button>
    </PopoverPanel>
  </Popover>
</template>

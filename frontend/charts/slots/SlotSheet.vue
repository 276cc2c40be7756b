<script setup lang="ts">
import { nextTick, ref, watch } from 'vue'
import { Popover, PopoverButton, PopoverPanel } from '@headlessui/vue'

/** A slot whose sheet holds more than a list of choices. Stays within the window. */
defineProps<{ text: string; name: string; width?: number }>()
const sheet = ref<HTMLElement | null>(null)
const shift = ref(0)

/** Up and down go through whatever can be chosen; a list or a field keeps its own arrows. */
function step(event: KeyboardEvent, by: number) {
  if (event.defaultPrevented || /SELECT|INPUT/.test((event.target as HTMLElement).tagName)) return
  const items = [...(sheet.value?.querySelectorAll<HTMLElement>('button, select, input') ?? [])]
  const at = items.indexOf(document.activeElement as HTMLElement)
  event.preventDefault()
  items[Math.max(0, Math.min(items.length - 1, at + by))]?.focus()
}

watch(sheet, async () => {
  shift.value = 0
  await nextTick()
  const box = sheet.value?.getBoundingClientRect()
  if (box) shift.value = Math.min(0, window.innerWidth - 16 - box.right)
})
</script>

<template>
  <Popover v-slot="{ close, open }" as="span" class="relative">
    <PopoverButton class="slot" :aria-label="`${name}: ${text}`" :aria-expanded="open">{{ text }}</PopoverButton>
    <PopoverPanel focus class="absolute top-full left-0 z-30">
      <div
        ref="sheet"
        class="sheet left-0 max-h-[60vh] overflow-auto p-3"
        :style="{ width: `${width ?? 300}px`, marginLeft: `${shift}px` }"
        @keydown.down="step($event, 1)"
        @keydown.up="step($event, -1)"
      >
        <slot :close="close" />
      </div>
    </PopoverPanel>
  </Popover>
</template>

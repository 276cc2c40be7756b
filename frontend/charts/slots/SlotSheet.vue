<script setup lang="ts">
import { nextTick, ref, watch } from 'vue'
import { Popover, PopoverButton, PopoverPanel } from '@headlessui/vue'

/** A slot whose sheet holds more than a list of choices. Stays within the window. */
defineProps<{ text: string; name: string; width?: number }>()
const sheet = ref<HTMLElement | null>(null)
const shift = ref(0)

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
      >
        <slot :close="close" />
      </div>
    </PopoverPanel>
  </Popover>
</template>

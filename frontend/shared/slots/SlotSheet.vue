<script setup lang="ts">
import { nextTick, ref, watch } from 'vue'
import { Popover, PopoverButton, PopoverPanel } from '@headlessui/vue'
import { useSpeak } from './speak'
import { holds } from '../search'

/** A slot whose sheet holds more than a list of choices, and can be typed into. Stays within the window. */
const props = defineProps<{ text: string; name: string; width?: number; says?: string; example?: string }>()
/** Pixels that a sheet has at least, also where the room below its slot is less. */
const LEAST = 240
const typed = defineModel<string>('typed', { default: '' })
const sheet = ref<HTMLElement | null>(null)
const field = ref<HTMLInputElement | null>(null)
const trouble = ref('')
const speak = useSpeak()

/** Up and down go through whatever can be chosen; a list or a field keeps its own arrows. */
function step(event: KeyboardEvent, by: number) {
  const target = event.target as HTMLElement
  if (event.defaultPrevented || (/SELECT|INPUT/.test(target.tagName) && target !== field.value)) return
  const items = [...(sheet.value?.querySelectorAll<HTMLElement>('button, select, input') ?? [])]
  const at = items.indexOf(document.activeElement as HTMLElement)
  event.preventDefault()
  items[Math.max(0, Math.min(items.length - 1, at + by))]?.focus()
}

/** Before the sheet is given the focus, which would make the view scroll to what is outside of it. */
watch(
  sheet,
  element => {
    typed.value = ''
    trouble.value = ''
    if (!element) return
    const { top, right } = element.getBoundingClientRect()
    const edge = element.closest('main')?.getBoundingClientRect().bottom ?? window.innerHeight
    element.style.marginLeft = `${Math.min(0, window.innerWidth - 16 - right)}px`
    element.style.maxHeight = `${Math.max(LEAST, Math.min(0.6 * window.innerHeight, edge - top - 12))}px`
  },
  { flush: 'sync' },
)

/** Choices that do not have what is typed step back. */
watch(typed, text => {
  trouble.value = ''
  for (const choice of sheet.value?.querySelectorAll<HTMLElement>('.choice') ?? [])
    choice.classList.toggle('opacity-30', !holds(choice.textContent ?? '', text))
})

/** A letter on the closed slot opens it with that letter typed. */
async function open(event: KeyboardEvent, isOpen: boolean) {
  if (
    isOpen ||
    !props.says ||
    event.key.length !== 1 ||
    event.key === ' ' ||
    event.ctrlKey ||
    event.metaKey ||
    event.altKey
  )
    return
  event.preventDefault()
  event.stopPropagation()
  ;(event.currentTarget as HTMLElement).click()
  await nextTick()
  await nextTick()
  typed.value = event.key
  field.value?.focus()
}

async function say(close: () => void) {
  if (!typed.value.trim() || !speak || !props.says) return
  const refused = await speak(props.says, typed.value)
  if (refused) trouble.value = refused
  else close()
}
</script>

<template>
  <Popover v-slot="{ close, open: isOpen }" as="span" class="relative">
    <PopoverButton
      class="slot"
      :aria-label="`${name}: ${text}`"
      :aria-expanded="isOpen"
      @keydown="open($event, isOpen)"
      >{{ text }}</PopoverButton
    >
    <PopoverPanel focus class="absolute top-full left-0 z-30">
      <div
        ref="sheet"
        class="sheet left-0 overflow-auto p-3"
        :style="{ width: `${width ?? 300}px` }"
        @keydown.down="step($event, 1)"
        @keydown.up="step($event, -1)">
        <template v-if="says && speak">
          <input
            ref="field"
            v-model="typed"
            class="field w-full"
            :class="trouble ? '' : 'mb-2'"
            autocomplete="off"
            spellcheck="false"
            :aria-label="`Type the ${name.toLowerCase()}`"
            :placeholder="example ? `type: ${example}` : 'type it'"
            @keydown.enter.prevent="say(close)" />
          <p v-if="trouble" class="mt-1 mb-2 text-unfavourable-text" role="alert">{{ trouble }}</p>
        </template>
        <slot :close="close" />
      </div>
    </PopoverPanel>
  </Popover>
</template>

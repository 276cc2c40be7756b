<script setup lang="ts">
import { nextTick, ref } from 'vue'

/** The period that the books are closed through, moved by steps; of daily figures another one can be typed. */
const props = defineProps<{
  closing: { label: string; back: string | null; on: string | null }
  pinned: boolean
  canPin?: boolean
  canType?: boolean
  /** what may have a closing period of its own */
  what?: string
}>()
const emit = defineEmits<{ move: [key: string | null]; pin: [pinned: boolean] }>()
const isTyping = ref(false)
const typed = ref('')
const field = ref<HTMLInputElement | null>(null)

async function type() {
  typed.value = props.closing.label
  isTyping.value = true
  await nextTick()
  field.value?.select()
}

function take() {
  const text = typed.value.trim()
  isTyping.value = false
  if (text && text !== props.closing.label) emit('move', text)
}
</script>

<template>
  <div class="flex items-center whitespace-nowrap text-quiet" role="group" aria-label="Books closed through">
    <span class="mr-2 max-lg:hidden">{{
      pinned ? `This ${what ?? 'chart'} closed through` : 'Books closed through'
    }}</span>
    <button
      class="px-1.5 py-1 text-[15px] leading-none hover:text-accent disabled:opacity-30"
      :disabled="!closing.back"
      aria-label="One period back"
      title="One period back  ["
      @click="$emit('move', closing.back)">
      ‹
    </button>
    <form v-if="isTyping" @submit.prevent="take">
      <input
        ref="field"
        v-model="typed"
        class="field h-7 w-28 text-center"
        maxlength="40"
        aria-label="Books closed through: a month, or a day such as 12 Sep 2026"
        @keydown.esc.stop="isTyping = false"
        @blur="take" />
    </form>
    <button
      v-else-if="canType"
      class="min-w-[68px] text-center font-semibold text-accent hover:underline"
      aria-live="polite"
      title="Type a month, or a day such as 12 Sep 2026"
      @click="type">
      {{ closing.label }}
    </button>
    <span v-else class="min-w-[68px] text-center font-semibold text-accent" aria-live="polite">{{
      closing.label
    }}</span>
    <button
      class="px-1.5 py-1 text-[15px] leading-none hover:text-accent disabled:opacity-30"
      :disabled="!closing.on"
      aria-label="One period on"
      title="One period on  ]"
      @click="$emit('move', closing.on)">
      ›
    </button>
    <button
      v-if="canPin"
      class="ml-1 text-[12px] hover:text-accent"
      :title="
        pinned
          ? `Close this ${what ?? 'chart'} when the books close`
          : `Keep this ${what ?? 'chart'} here when the books move on`
      "
      @click="$emit('pin', !pinned)">
      {{ pinned ? 'Unpin' : 'Pin' }}
    </button>
  </div>
</template>

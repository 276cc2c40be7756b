<script setup lang="ts">
defineProps<{
  closing: { label: string; back: string | null; on: string | null }
  pinned: boolean
  canPin?: boolean
}>()
defineEmits<{ move: [key: string | null]; pin: [pinned: boolean] }>()
</script>

<template>
  <div class="flex items-center whitespace-nowrap text-quiet" role="group" aria-label="Books closed through">
    <span class="mr-2 max-lg:hidden">{{ pinned ? 'This chart closed through' : 'Books closed through' }}</span>
    <button
      class="px-1.5 py-1 text-[15px] leading-none hover:text-accent disabled:opacity-30"
      :disabled="!closing.back"
      aria-label="One period back"
      title="One period back  ["
      @click="$emit('move', closing.back)"
    >
      ‹
    </button>
    <span class="min-w-[68px] text-center font-semibold text-accent" aria-live="polite">{{ closing.label }}</span>
    <button
      class="px-1.5 py-1 text-[15px] leading-none hover:text-accent disabled:opacity-30"
      :disabled="!closing.on"
      aria-label="One period on"
      title="One period on  ]"
      @click="$emit('move', closing.on)"
    >
      ›
    </button>
    <button
      v-if="canPin"
      class="ml-1 text-[12px] hover:text-accent"
      :title="pinned ? 'Close this chart when the books close' : 'Keep this chart here when the books move on'"
      @click="$emit('pin', !pinned)"
    >
      {{ pinned ? 'Unpin' : 'Pin' }}
    </button>
  </div>
</template>

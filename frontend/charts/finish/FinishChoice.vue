<script setup lang="ts">
/** One of a few looks, side by side. */
defineProps<{ label: string; value: string; choices: [string, string][] }>()
defineEmits<{ choose: [value: string] }>()

function step(event: KeyboardEvent, by: number) {
  const buttons = [...((event.currentTarget as HTMLElement).querySelectorAll<HTMLElement>('button') ?? [])]
  const at = buttons.indexOf(document.activeElement as HTMLElement)
  buttons[(at + by + buttons.length) % buttons.length]?.focus()
}
</script>

<template>
  <div
    class="flex items-center gap-2"
    role="radiogroup"
    :aria-label="label"
    @keydown.right.prevent="step($event, 1)"
    @keydown.left.prevent="step($event, -1)">
    <span class="w-16 shrink-0 text-quiet">{{ label }}</span>
    <button
      v-for="[choice, text] in choices"
      :key="choice"
      class="rounded px-2 py-0.5 hover:bg-accent-tint"
      :class="value === choice ? 'bg-accent-tint font-semibold text-accent' : ''"
      role="radio"
      :aria-checked="value === choice"
      @click="$emit('choose', choice)">
      {{ text }}
    </button>
  </div>
</template>

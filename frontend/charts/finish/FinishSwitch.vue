<script setup lang="ts">
defineProps<{ on: boolean; text: string }>()
defineEmits<{ turn: [on: boolean] }>()
</script>

<template>
  <label class="flex items-center gap-2 py-0.5"
    ><input
      type="checkbox"
      class="size-4 shrink-0 accent-accent"
      :checked="on"
      @change="$emit('turn', ($event.target as HTMLInputElement).checked)" />{{ text }}</label
  >
</template>

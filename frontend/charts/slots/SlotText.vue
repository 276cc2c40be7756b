<script setup lang="ts">
/** A slot whose list is still being loaded: its words keep their place. */
defineProps<{ text: string }>()
defineOptions({ inheritAttrs: false })
</script>

<template>
  <span class="slot">{{ text }}</span>
</template>

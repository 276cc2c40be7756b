<script setup lang="ts">
/** The way to change several filters before the chart follows. */
defineEmits<{ gather: [] }>()
</script>

<template>
  <button class="link mt-2 border-t border-hairline pt-2 text-[12px] text-quiet" @click="$emit('gather')">
    Gather changes, then apply them together
  </button>
</template>

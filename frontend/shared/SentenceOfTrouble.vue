<script setup lang="ts">
defineProps<{ says: string; retry?: string }>()
defineEmits<{ retry: [] }>()
</script>

<template>
  <div class="flex items-start gap-3 rounded-md border border-unfavourable/40 bg-panel px-4 py-3" role="alert">
    <span class="font-semibold text-unfavourable-text" aria-hidden="true">!</span>
    <p class="min-w-0 flex-1 break-words">{{ says }} <slot /></p>
    <button v-if="retry" class="link shrink-0" @click="$emit('retry')">{{ retry }}</button>
  </div>
</template>

<script setup lang="ts">
import type { Stop } from './path'

/** The way to the chart that is looked into, and back. */
defineProps<{ path: Stop[] }>()
defineEmits<{ back: [at: number] }>()
</script>

<template>
  <nav v-if="path.length" class="mb-2 flex flex-wrap items-baseline gap-x-2 text-quiet" aria-label="Looked into">
    <template v-for="(stop, i) in path" :key="i">
      <template v-if="i < path.length - 1"
        ><button class="link break-words" @click="$emit('back', i)">{{ stop.label }}</button
        ><span aria-hidden="true">›</span></template
      >
      <span v-else class="font-semibold break-words text-ink" aria-current="page">{{ stop.label }}</span>
    </template>
  </nav>
</template>

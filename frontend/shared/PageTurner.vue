<script setup lang="ts">
import type { Listing } from './types'

defineProps<{ list: Listing<unknown> | null }>()
defineEmits<{ turn: [by: number] }>()
</script>

<template>
  <nav v-if="list && list.pages > 1" class="mt-8 flex items-center gap-3" aria-label="Pages">
    <button class="button" :disabled="list.page <= 1" @click="$emit('turn', -1)">Newer</button>
    <span class="text-quiet">{{ list.page }} of {{ list.pages }}</span>
    <button class="button" :disabled="list.page >= list.pages" @click="$emit('turn', 1)">Older</button>
  </nav>
</template>

<script setup lang="ts">
import { useRoute } from 'vue-router'
import KeysSheet from './shared/KeysSheet.vue'
import SearchSheet from './shared/SearchSheet.vue'
import ToastLine from './shared/ToastLine.vue'

const route = useRoute()
</script>

<template>
  <RouterView
    :key="route.name === 'question' ? `question-${route.query.dataset}-${route.query.note ?? ''}` : route.path"
  />
  <KeysSheet />
  <SearchSheet />
  <ToastLine />
</template>

<script setup lang="ts">
import { defineAsyncComponent } from 'vue'
import { useRoute } from 'vue-router'
import JobLines from './shared/JobLines.vue'
import ToastLine from './shared/ToastLine.vue'
import { useSheets } from './shared/useSheets'

// What opens seldom comes when it opens.
const KeysSheet = defineAsyncComponent(() => import('./shared/KeysSheet.vue'))
const SearchSheet = defineAsyncComponent(() => import('./shared/SearchSheet.vue'))
const route = useRoute()
const { isSearching, showsKeys } = useSheets()
</script>

<template>
  <RouterView
    :key="route.name === 'question' ? `question-${route.query.dataset}-${route.query.note ?? ''}` : route.path" />
  <KeysSheet v-if="showsKeys" @close="showsKeys = false" />
  <SearchSheet v-if="isSearching" />
  <JobLines />
  <ToastLine />
</template>

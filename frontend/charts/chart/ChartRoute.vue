<script setup lang="ts">
import { defineAsyncComponent } from 'vue'
import { useMediaQuery } from '@vueuse/core'
import ChartView from './ChartView.vue'

/** A chart is worked on where there is room, and read on a phone. */
const ReadChart = defineAsyncComponent(() => import('./ReadChart.vue'))
const isNarrow = useMediaQuery('(max-width: 700px)')
</script>

<template>
  <ReadChart v-if="isNarrow" />
  <ChartView v-else />
</template>

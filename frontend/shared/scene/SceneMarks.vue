<script setup lang="ts">
import { computed } from 'vue'
import type { Mark } from '../types'
import { markup } from './markup'

const props = defineProps<{ marks: Mark[]; prefix: string; inks: Record<string, string> }>()
/** All of it is escaped as it is written. */
const html = computed(() => markup(props.marks, props.prefix, props.inks))
</script>

<template>
  <!-- eslint-disable-next-line vue/no-v-html, vue/no-v-text-v-html-on-component -->
  <g v-html="html" />
</template>

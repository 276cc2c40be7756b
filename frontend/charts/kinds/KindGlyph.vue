<script setup lang="ts">
import type { Mark } from '../../shared/types'
import { palettes } from '../../shared/notation'
import SceneMarks from '../../shared/scene/SceneMarks.vue'

/** A kind in small, as its own marks. */
defineProps<{ marks: Mark[] }>()
</script>

<template>
  <svg width="26" height="20" viewBox="0 0 26 20" aria-hidden="true">
    <SceneMarks :marks="marks" prefix="" :inks="palettes.effect" />
  </svg>
</template>

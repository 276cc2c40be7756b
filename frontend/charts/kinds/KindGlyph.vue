<script setup lang="ts">
import { inks } from '../../shared/notation'

/** A kind in small: its own marks in the inks of the notation. */
defineProps<{ kind: string }>()
const { ink, favourable, unfavourable, panel, quiet } = inks
const grey = inks['prior-year']
</script>

<template>
  <svg width="26" height="20" viewBox="0 0 26 20" aria-hidden="true">
    <template v-if="kind === 'variance-tiers'">
      <rect
        v-for="[x, y] in [
          [3, 12],
          [10, 9],
          [17, 11],
        ]"
        :key="x"
        :x="x"
        :y="y"
        width="5"
        :height="20 - y!"
        :fill="ink"
      />
      <rect x="4" y="5" width="3" height="3" :fill="favourable" />
      <rect x="11" y="1" width="3" height="3" :fill="favourable" />
      <rect x="18" y="5" width="3" height="3" :fill="unfavourable" />
    </template>
    <template v-else-if="kind === 'nested-columns'">
      <rect x="2.5" y="4.5" width="9" height="15" :fill="panel" :stroke="ink" />
      <rect x="5" y="7" width="4" height="13" :fill="ink" />
      <rect x="14.5" y="7.5" width="9" height="12" :fill="panel" :stroke="ink" />
      <rect x="17" y="2" width="4" height="18" :fill="ink" />
    </template>
    <template v-else-if="kind === 'target-marks'">
      <rect x="4" y="8" width="6" height="12" :fill="inks.missed" />
      <rect x="1.5" y="4" width="11" height="2.4" :fill="ink" />
      <rect x="16" y="5" width="6" height="15" :fill="ink" />
      <rect x="13.5" y="9" width="11" height="3.6" :fill="panel" />
      <rect x="13.5" y="9.6" width="11" height="2.4" :fill="ink" />
    </template>
    <template v-else-if="kind === 'gap-line'">
      <rect x="8" y="9" width="3" height="4" :fill="favourable" />
      <rect x="20" y="3" width="3" height="5" :fill="unfavourable" />
      <path d="M1 16L10 13L16 9L25 2" fill="none" :stroke="grey" stroke-width="1.6" />
      <path d="M1 15L10 9L16 10L25 8" fill="none" :stroke="ink" stroke-width="2" />
    </template>
    <template v-else-if="kind === 'hat'">
      <rect x="6" y="4" width="5" height="8" :fill="favourable" />
      <rect x="19" y="8" width="5" height="6" :fill="unfavourable" />
      <rect x="1" y="11" width="10" height="2" :fill="ink" />
      <rect x="14" y="7" width="10" height="2" :fill="ink" />
    </template>
    <template v-else>
      <path d="M2 5L9 3L16 4L24 1" fill="none" :stroke="quiet" stroke-width="1.4" />
      <template
        v-for="[x, y] in [
          [2, 12],
          [10, 14],
          [18, 10],
        ]"
        :key="x"
      >
        <rect :x="x! + 0.5" y="7.5" width="5" height="12" :fill="panel" :stroke="ink" />
        <rect :x="x" :y="y" width="6" :height="20 - y!" :fill="ink" />
      </template>
    </template>
  </svg>
</template>

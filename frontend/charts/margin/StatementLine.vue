<script setup lang="ts">
import { computed } from 'vue'
import type { Said } from '../../shared/types'
import { withPunctuation } from './withPunctuation'

/** A sentence of the reading; its names and numbers light their rows. */
const props = defineProps<{ parts: Said[] }>()
const pieces = computed(() => withPunctuation(props.parts))
const lit = defineModel<string | null>('lit', { default: null })
defineEmits<{ point: [row: string]; message: [] }>()
</script>

<template>
  <p class="group relative mt-2.5">
    <template v-for="({ part, before, after, text }, i) in pieces" :key="i"
      ><span v-if="part.row" :class="text.length <= 24 ? 'whitespace-nowrap' : ''"
        >{{ before
        }}<button
          class="rounded-xs text-left underline decoration-accent/50 decoration-dotted underline-offset-3 hover:bg-accent-tint hover:text-accent"
          :class="lit === part.row ? 'bg-accent-tint text-accent' : ''"
          :title="part.column ? 'Shows the row it comes from' : 'Shows the row'"
          @pointerenter="lit = part.row"
          @pointerleave="lit = null"
          @focus="lit = part.row"
          @blur="lit = null"
          @click="$emit('point', part.row)">
          {{ text }}</button
        >{{ after }}</span
      ><template v-else>{{ text }}</template></template
    >
    <button
      class="link absolute right-0 bottom-0 bg-paper pl-1.5 text-[12px] opacity-0 group-hover:opacity-100 focus-visible:opacity-100"
      title="Puts it above the chart, to be edited"
      @click="$emit('message')">
      as message
    </button>
  </p>
</template>

<script setup lang="ts">
import { computed } from 'vue'
import { plural } from '../../shared/wording'

/** How far long work has come: rows read of about so many, then series written. */
const props = defineProps<{ phase: string; done: number; of: number | null }>()
defineEmits<{ stop: [] }>()
const share = computed(() => (props.phase === 'reading' && props.of ? Math.min(0.98, props.done / props.of) : null))
const says = computed(() =>
  props.phase === 'writing' ? 'Writing…' : props.done ? `${plural(props.done, 'row')} read` : 'Reading…',
)
</script>

<template>
  <div class="mb-4" role="status">
    <p class="mb-1.5 flex justify-between">
      <span>{{ says }}</span><button class="link" @click="$emit('stop')">Stop</button>
    </p>
    <div class="h-[3px] overflow-hidden rounded bg-hairline">
      <div
        class="h-full bg-accent transition-[width] duration-300"
        :class="share === null ? 'w-1/3 animate-pulse' : ''"
        :style="share === null ? undefined : { width: `${share * 100}%` }" />
    </div>
  </div>
</template>

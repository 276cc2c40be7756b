<script setup lang="ts">
/** What was gathered, to be applied together or dropped. */
defineProps<{ count: number; /** what parts differ from: `chart` */ from: string }>()
defineEmits<{ apply: []; drop: [] }>()
</script>

<template>
  <p class="flex items-center gap-3 font-sans text-[13px]" role="group" aria-label="Gathered changes">
    <span>{{
      count === 0
        ? 'Changes are gathered.'
        : `${count} ${count === 1 ? 'part differs' : 'parts differ'} from the ${from}.`
    }}</span>
    <button class="button button-strong" @click="$emit('apply')">Apply together</button>
    <button class="link" @click="$emit('drop')">Drop them</button>
  </p>
</template>

<script setup lang="ts">
import { ref, watch } from 'vue'

/** One of a few, changed where it stands. */
const props = defineProps<{
  label: string
  value: string
  choices: { value: string; label: string }[]
  kept: number
  disabled?: boolean
}>()
const emit = defineEmits<{ change: [value: string] }>()
const chosen = ref(props.value)
watch([() => props.value, () => props.kept], () => (chosen.value = props.value))
</script>

<template>
  <select v-model="chosen" class="setting" :aria-label="label" :disabled="disabled" @change="emit('change', chosen)">
    <option v-for="choice in choices" :key="choice.value" :value="choice.value">{{ choice.label }}</option>
  </select>
</template>

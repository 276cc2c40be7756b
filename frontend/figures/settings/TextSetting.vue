<script setup lang="ts">
import { ref, watch } from 'vue'

/** A text that is changed where it stands: Enter or leaving the field keeps it, Escape lets it be. */
const props = defineProps<{ label: string; value: string; kept: number; width?: string; required?: boolean }>()
const emit = defineEmits<{ change: [text: string] }>()
const text = ref(props.value)
watch([() => props.value, () => props.kept], () => (text.value = props.value))

function take() {
  const wanted = text.value.trim()
  if (wanted === props.value || (props.required && !wanted)) text.value = props.value
  else emit('change', wanted)
}
</script>

<template>
  <input
    v-model="text"
    class="setting"
    :class="width ?? 'w-full'"
    :aria-label="label"
    maxlength="500"
    @keydown.enter="($event.target as HTMLInputElement).blur()"
    @keydown.escape="((text = value), ($event.target as HTMLInputElement).blur())"
    @blur="take" />
</template>

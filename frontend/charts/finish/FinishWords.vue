<script setup lang="ts">
import { ref } from 'vue'
import type { Finish } from '../../shared/types'

/** Lines of the title in words of one's own, and a footnote. What is left empty is composed from the question. */
const props = defineProps<{ finish: Finish }>()
const emit = defineEmits<{ change: [part: Partial<Finish>] }>()
const isOpen = ref(Boolean(props.finish.title || props.finish.footnote))
const lines = [
  ['who', 'Who'],
  ['what', 'What'],
  ['when', 'When'],
] as const

function set(line: 'who' | 'what' | 'when', text: string) {
  const title = { ...props.finish.title, [line]: text.trim() || undefined }
  emit('change', { title: Object.values(title).some(Boolean) ? title : undefined })
}
</script>

<template>
  <div class="border-t border-hairline pt-3">
    <button class="flex w-full items-center gap-2 text-left" :aria-expanded="isOpen" @click="isOpen = !isOpen">
      <span class="w-16 shrink-0 text-quiet">Words</span>
      <span class="flex-1">{{ isOpen ? 'title and footnote' : 'composed from the question' }}</span>
      <span aria-hidden="true" class="text-[9px] text-quiet">{{ isOpen ? '▼' : '▶' }}</span>
    </button>
    <div v-if="isOpen" class="mt-2 space-y-1.5">
      <label v-for="[line, name] in lines" :key="line" class="flex items-center gap-2">
        <span class="w-16 shrink-0 text-quiet">{{ name }}</span>
        <input
          class="field min-w-0 flex-1"
          maxlength="300"
          :value="finish.title?.[line] ?? ''"
          placeholder="as composed"
          @change="set(line, ($event.target as HTMLInputElement).value)" />
      </label>
      <label class="flex items-start gap-2">
        <span class="w-16 shrink-0 pt-1 text-quiet">Footnote</span>
        <textarea
          class="field h-16! min-w-0 flex-1 py-1!"
          maxlength="600"
          :value="finish.footnote ?? ''"
          @change="emit('change', { footnote: ($event.target as HTMLTextAreaElement).value.trim() || undefined })" />
      </label>
    </div>
  </div>
</template>

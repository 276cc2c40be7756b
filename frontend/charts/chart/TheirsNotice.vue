<script setup lang="ts">
import { computed } from 'vue'
import type { Chart, Question, Recipe } from '../../shared/types'

/** The same chart was saved elsewhere meanwhile: in what it differs, and the choice between the two. */
const props = defineProps<{ own: Recipe; theirs: Chart }>()
defineEmits<{ put: []; take: [] }>()

const changed = computed(() => {
  const [own, other] = [props.own, props.theirs.recipe]
  const rows = 'choice of rows'
  const parts = {
    ...{ measure: 'measure', span: 'span', where: 'filter', against: 'reference', flag: 'flag' },
    ...{ by: rows, order: rows, top: rows, cumulate: rows, each: rows, sequence: rows },
  }
  const differ = (a: unknown, b: unknown) => JSON.stringify(a) !== JSON.stringify(b)
  const words = Object.entries(parts)
    .filter(([key]) => differ(own.question[key as keyof Question], other.question[key as keyof Question]))
    .map(([, word]) => word)
  if (differ(own.kind, other.kind)) words.push('kind')
  if (differ(own.finish ?? {}, other.finish ?? {})) words.push('finish')
  return [...new Set(words)]
})
</script>

<template>
  <div class="mb-4 rounded-md border border-accent/40 bg-accent-tint px-4 py-3" role="alert">
    <p class="mb-2">
      This chart was saved in another window meanwhile{{
        changed.length ? `, with another ${changed.join(' and ')}` : ''
      }}. Yours is not saved yet.
    </p>
    <p class="flex gap-3">
      <button class="button button-strong" @click="$emit('put')">Put mine on top</button>
      <button class="button" @click="$emit('take')">Take theirs</button>
    </p>
  </div>
</template>

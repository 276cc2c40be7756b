<script setup lang="ts">
import { computed } from 'vue'
import { ask } from '../../shared/api'
import DialogSheet from '../../shared/DialogSheet.vue'
import { useLoad } from '../../shared/useLoad'
import type { RollPreview } from '../types'

/** What would change when the report moves to another closing period, page by page; nothing moves before it is confirmed. */
const props = defineProps<{ report: number; to: string; sign: string }>()
defineEmits<{ roll: []; close: [] }>()
const {
  value: preview,
  problem,
  isLoading,
} = useLoad(
  () => ['reports', props.report, 'roll', props.to, props.sign],
  signal => ask<RollPreview>('GET', `/reports/${props.report}/roll?to=${props.to}`, { signal }),
  { isFresh: true },
)
const pages = computed(() =>
  (preview.value?.pages ?? []).filter(page => page.numbers.length || page.behind.length || page.found.length),
)
/** `12 things change: 1 number stays and would be wrong, 9 follow by themselves, 2 notes stay with their month.` */
const summary = computed(() => {
  const all = pages.value.flatMap(page => page.numbers)
  const follow = all.filter(one => one.follows).length
  const notes = pages.value.reduce((sum, page) => sum + page.behind.length, 0)
  const found = pages.value.reduce((sum, page) => sum + page.found.length, 0)
  const stale = all.length - follow
  const parts = [
    stale && (stale === 1 ? '1 number stays and would be wrong' : `${stale} numbers stay and would be wrong`),
    follow && (follow === 1 ? '1 number follows by itself' : `${follow} numbers follow by themselves`),
    notes && (notes === 1 ? '1 note stays with its month' : `${notes} notes stay with their months`),
    found && (found === 1 ? '1 check would fail' : `${found} checks would fail`),
  ].filter(part => part !== 0)
  return parts.length ? `${parts.join(', ')}.` : ''
})
</script>

<template>
  <DialogSheet
    :title="preview ? `Roll on to ${preview.to.label}` : 'Roll on'"
    width="max-w-2xl"
    @close="$emit('close')">
    <p v-if="problem" class="text-unfavourable-text" role="alert">{{ problem }}</p>
    <p v-else-if="!preview" class="py-6 text-quiet" role="status">
      {{ isLoading ? 'Looking through the pages…' : '' }}
    </p>
    <template v-else>
      <p v-if="summary" class="mb-3 text-quiet">{{ summary }}</p>
      <div
        class="max-h-[48vh] overflow-y-auto border-y border-hairline"
        tabindex="0"
        role="region"
        aria-label="What changes">
        <section v-for="page in pages" :key="page.id" class="py-2" :aria-label="page.title">
          <h3 class="font-semibold">{{ page.title || 'Page' }}</h3>
          <ul>
            <li v-for="(one, i) in page.numbers" :key="`n${i}`" class="flex gap-2">
              <span
                class="w-3 shrink-0"
                :class="one.follows ? 'text-quiet' : 'font-semibold text-unfavourable-text'"
                aria-hidden="true"
                >{{ one.follows ? '·' : '!' }}</span
              >
              <span
                >{{ one.block ? 'A text' : 'The message' }} says {{ one.was
                }}<template v-if="one.becomes === null">, which will not be there any more</template
                ><template v-else-if="one.follows">, and will say {{ one.becomes }} by itself</template
                ><template v-else>; it will be {{ one.becomes }}</template>
                <span class="text-quiet"> ({{ one.from }})</span></span
              >
            </li>
            <li v-for="(text, i) in page.behind" :key="`b${i}`" class="flex gap-2">
              <span class="w-3 shrink-0 text-quiet" aria-hidden="true">·</span>
              <span>A note stays with its month: “{{ text }}”</span>
            </li>
            <li v-for="(says, i) in page.found" :key="`f${i}`" class="flex gap-2">
              <span class="w-3 shrink-0 font-semibold text-unfavourable-text" aria-hidden="true">!</span>{{ says }}
            </li>
          </ul>
        </section>
        <p v-if="!pages.length" class="py-3">Nothing that is written changes; the charts move on.</p>
        <section class="py-2" aria-label="What moves">
          <h3 class="font-semibold">What moves</h3>
          <ul>
            <li v-for="says in preview.moves" :key="says">{{ says }}</li>
          </ul>
        </section>
      </div>
      <div class="mt-5 flex gap-3">
        <button class="button button-strong" @click="$emit('roll')">Roll on to {{ preview.to.label }}</button>
        <button class="button" @click="$emit('close')">Leave it</button>
      </div>
    </template>
  </DialogSheet>
</template>

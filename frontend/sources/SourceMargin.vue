<script setup lang="ts">
import { ref } from 'vue'
import { ask } from '../shared/api'
import type { Arrival, Source } from '../shared/contract'
import type { Dataset, Listing } from '../shared/types'
import { useLoad } from '../shared/useLoad'
import { stamp } from '../shared/wording'

/** How it stands with a source, and what it brought. */
const props = defineProps<{ title: string; dataset: Dataset; source: Source | null }>()
defineEmits<{ remove: [] }>()
const isAsking = ref(false)
const { value: arrivals } = useLoad(
  () => ['arrivals', props.dataset.id, props.source?.triedAt, props.source?.waiting],
  signal => ask<Listing<Arrival>>('GET', `/datasets/${props.dataset.id}/arrivals`, { signal }),
  { isAsked: () => props.source !== null, keepsPrevious: true },
)
const words: Record<Source['state'], string> = {
  new: 'Not fetched yet.',
  came: 'Fetched',
  waits: 'What came waits for you.',
  fails: 'It failed, and is tried again',
  stopped: 'It failed again and again, and is not tried before it is due the next time.',
}
const own = (list: Arrival[]) => list.filter(one => one.source === props.source?.id)
</script>

<template>
  <aside
    class="w-[272px] shrink-0 border-r-2 border-accent/35 px-7 pt-7 pb-8 max-lg:w-[228px] max-lg:px-5 max-md:w-auto max-md:border-r-0"
    aria-label="Source">
    <h1 class="font-serif text-[21px] leading-7 break-words">{{ title }}</h1>
    <p class="mb-5 text-quiet">
      A source of <RouterLink class="link" :to="`/figures/${dataset.id}`">{{ dataset.name }}</RouterLink>
    </p>
    <template v-if="source">
      <section class="mb-6" aria-label="How it stands" aria-live="polite">
        <p :class="['fails', 'stopped'].includes(source.state) ? 'border-l-2 border-unfavourable pl-3' : ''">
          {{ words[source.state]
          }}<template v-if="source.triedAt && ['came', 'fails'].includes(source.state)">
            {{ source.state === 'came' ? stamp(source.triedAt) : source.dueAt ? stamp(source.dueAt) : '' }}.</template
          >
          <span v-if="source.says" class="block break-words">{{ source.says }}</span>
        </p>
        <p class="mt-1 text-quiet">Fetched {{ source.times.says }}.</p>
      </section>
      <section v-if="arrivals && own(arrivals.items).length" class="mb-6" aria-label="What it brought">
        <h2 class="label mb-1">What it brought</h2>
        <ul>
          <li v-for="one in own(arrivals.items).slice(0, 12)" :key="one.id" class="border-b border-hairline py-1.5">
            <RouterLink class="link break-words" :to="`/arrivals/${one.id}`">{{ one.name }}</RouterLink>
            <p class="text-[12px] break-words text-quiet">{{ stamp(one.at) }} · {{ one.state }}</p>
          </li>
        </ul>
      </section>
      <p v-if="!isAsking"><button class="link" @click="isAsking = true">Remove this source</button></p>
      <div v-else class="rounded bg-accent-tint px-3 py-2" role="group" aria-label="Remove this source?">
        <p>What it brought stays; what waits goes with it.</p>
        <p class="mt-2 flex gap-3">
          <button class="button button-strong" @click="$emit('remove')">Remove it</button>
          <button class="button" @click="isAsking = false">Keep it</button>
        </p>
      </div>
    </template>
    <p v-else class="text-quiet">
      Say where the figures are, look at the first rows, then say when they are fetched and what may come in by itself.
    </p>
  </aside>
</template>

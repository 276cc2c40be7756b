<script setup lang="ts">
import { ask } from '../shared/api'
import type { Arrival, Source } from '../shared/contract'
import type { Listing } from '../shared/types'
import { useLoad } from '../shared/useLoad'
import { plural, stamp } from '../shared/wording'

/** Where the figures of a dataset come from, and what of it waits to be decided. */
const props = defineProps<{ dataset: number; sign?: string }>()
const { value: sources } = useLoad(
  () => ['sources', 'of', props.dataset, props.sign],
  signal => ask<Listing<Source>>('GET', `/sources?dataset=${props.dataset}`, { signal }),
  { keepsPrevious: true, refetchEach: 10_000 },
)
const { value: waiting } = useLoad(
  () => ['arrivals', 'waiting', props.dataset, props.sign, sources.value?.items.map(one => one.waiting).join()],
  signal => ask<Listing<Arrival>>('GET', `/datasets/${props.dataset}/arrivals?waiting=1`, { signal }),
  { keepsPrevious: true, isAsked: () => (sources.value?.items.length ?? 0) > 0 },
)
</script>

<template>
  <section class="mb-6" aria-label="Sources">
    <h2 class="label mb-1">Sources</h2>
    <ul v-if="sources?.items.length">
      <li v-for="one in sources.items" :key="one.id" class="border-b border-hairline py-1.5">
        <RouterLink class="link break-words" :to="`/sources/${one.id}`">{{ one.name }}</RouterLink>
        <p class="text-[12px] break-words text-quiet">
          <span v-if="['fails', 'stopped'].includes(one.state)" class="font-semibold text-unfavourable-text">! </span
          >{{ one.triedAt ? `${stamp(one.triedAt)} · ` : '' }}{{ one.says || one.times.says }}
        </p>
      </li>
    </ul>
    <ul v-if="waiting?.items.length" class="mt-2 space-y-2">
      <li v-for="one in waiting.items" :key="one.id" class="border-l-2 border-unfavourable pl-3">
        {{
          one.counts
            ? `${plural(one.counts.added + one.counts.changed + one.counts.removed, 'amount')} wait`
            : 'What came cannot be read'
        }}:
        <RouterLink class="link" :to="`/arrivals/${one.id}`">look</RouterLink>
      </li>
    </ul>
    <p class="mt-1">
      <RouterLink class="link" :to="`/figures/${dataset}/sources/new`">Fetch from a source</RouterLink>
    </p>
  </section>
</template>

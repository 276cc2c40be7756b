<script setup lang="ts">
import { computed } from 'vue'
import type { Month, MonthClosed } from '../shared/contract'
import { nth } from '../shared/wording'
import SignatureField from '../figures/edits/SignatureField.vue'
import WaitingArrival from './WaitingArrival.vue'

/** Which month it is, what it asks of the reader, and what closing it does. */
const props = defineProps<{ month: Month }>()
defineEmits<{ go: [key: string]; undo: [closed: MonthClosed]; history: []; holidays: []; changed: [] }>()

const arrivals = computed(() => props.month.datasets.flatMap(one => one.waiting))
const late = computed(() =>
  props.month.datasets.flatMap(dataset =>
    dataset.expected.filter(one => one.state === 'late').map(one => ({ dataset, one })),
  ),
)
const failing = computed(() => props.month.datasets.filter(one => (one.failing ?? 0) > 0))
const open = computed(() => props.month.datasets.filter(one => !one.isClosed && one.closing).length)
const name = computed(() => props.month.label.split(' ')[0])
const day = (iso: string) => new Date(iso).toLocaleDateString('en-GB', { day: 'numeric', month: 'short' })
const words: Record<string, string> = { AC: '', BU: 'Budget, ', FC: 'Forecast, ', TG: 'Target, ', PY: 'Prior year, ' }
const where = computed(() =>
  props.month.today ? `${nth(props.month.today)} working day of ${props.month.daysOf}` : '',
)
</script>

<template>
  <aside
    class="w-[272px] shrink-0 border-r-2 border-accent/35 px-7 pt-7 pb-8 max-lg:w-[228px] max-lg:px-5 max-md:w-auto max-md:border-r-0"
    aria-label="Month">
    <p class="flex items-baseline gap-2">
      <button
        class="text-lg text-quiet hover:text-accent"
        aria-label="The month before"
        @click="$emit('go', month.back)">
        ‹
      </button>
      <span role="heading" aria-level="1" class="font-serif text-[24px] leading-8">{{ month.label }}</span>
      <button class="text-lg text-quiet hover:text-accent" aria-label="The next month" @click="$emit('go', month.on)">
        ›
      </button>
    </p>
    <p v-if="where" class="text-quiet">{{ where }}</p>
    <p v-if="month.closed" class="text-quiet">
      Closed {{ day(month.closed.at) }}{{ month.closed.who ? `, ${month.closed.who}` : '' }}
      <button class="link ml-1" @click="$emit('undo', month.closed)">Undo</button>
    </p>
    <p v-else-if="month.closedBefore" class="text-quiet">
      {{ month.closedBefore.label }} closed {{ day(month.closedBefore.at) }}
    </p>

    <section v-if="arrivals.length || failing.length || late.length" class="mt-7" aria-label="Waits for you">
      <h2 class="label mb-2">Waits for you</h2>
      <ul id="waits" class="space-y-3">
        <WaitingArrival v-for="one in arrivals" :key="`a${one.id}`" :arrival="one" @changed="$emit('changed')" />
        <li
          v-for="{ dataset, one } in late"
          id="late"
          :key="`l${dataset.id}${one.scenario}`"
          class="border-l-2 border-unfavourable pl-3">
          <p class="break-words text-quiet">{{ dataset.name }}</p>
          <p>
            {{ words[one.scenario] }}{{ one.late }} {{ one.late === 1 ? 'day' : 'days' }} late.
            <template v-if="one.whom || one.sourceName">Expected from {{ one.whom || one.sourceName }}.</template>
          </p>
          <p class="flex gap-3">
            <RouterLink class="link" :to="`/figures/${dataset.id}`">Bring in</RouterLink>
            <a v-if="one.whom.includes('@')" class="link" :href="`mailto:${one.whom}`">Write</a>
          </p>
        </li>
        <li v-for="one in failing" :key="`c${one.id}`" class="border-l-2 border-unfavourable pl-3">
          <p class="break-words text-quiet">{{ one.name }}</p>
          <p>{{ one.failing }} {{ one.failing === 1 ? 'check fails' : 'checks fail' }}.</p>
          <p><RouterLink class="link" :to="`/figures/${one.id}`">See them</RouterLink></p>
        </li>
      </ul>
    </section>
    <p v-else class="mt-7 flex gap-2 text-quiet">
      <span class="text-favourable-text" aria-hidden="true">✓</span>Nothing waits for you.
    </p>

    <section v-if="open" class="mt-7" aria-label="What closing does">
      <h2 class="label mb-1">What closing does</h2>
      <p class="text-quiet">
        Moves the books of {{ open }} {{ open === 1 ? 'dataset' : 'datasets' }} to {{ name }}. Charts and drafts that
        follow them move along; what would be said wrongly is told first. One step back undoes it.
      </p>
    </section>
    <p class="mt-7 flex flex-col items-start gap-1">
      <button class="link text-left" @click="$emit('history')">How late it was, month by month</button>
      <button class="link" @click="$emit('holidays')">Days off</button>
    </p>
    <SignatureField class="mt-6" />
  </aside>
</template>

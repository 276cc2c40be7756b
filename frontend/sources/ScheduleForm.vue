<script setup lang="ts">
import { computed } from 'vue'
import { ask } from '../shared/api'
import type { Schedule, ScheduleTimes, SourceOffers } from '../shared/contract'
import { useLoad } from '../shared/useLoad'
import { nth } from '../shared/wording'

/** When figures are fetched, as a sentence of choices, with the next three times. */
const schedule = defineModel<Schedule>({ required: true })
const every = [
  ['asked', 'only when it is asked for'],
  ['hour', 'each hour'],
  ['working day', 'each working day'],
  ['week', 'on days of the week'],
  ['month', 'each month, on the'],
] as const
const weekdays = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun']
const { value: offers } = useLoad(['sources', 'offers'], signal =>
  ask<SourceOffers>('GET', '/sources/offers', { signal }),
)
const told = computed(() => {
  const { every, at, zone, days, number } = schedule.value
  return { every, at, zone, ...(every === 'week' ? { days } : {}), ...(every === 'month' ? { number } : {}) }
})
const { value: times, problem } = useLoad(
  () => ['sources', 'times', JSON.stringify(told.value)],
  signal => ask<ScheduleTimes>('POST', '/sources/times', { signal, body: told.value }),
  { keepsPrevious: true, isAsked: () => schedule.value.every !== 'week' || (schedule.value.days ?? []).length > 0 },
)
function toggle(day: number) {
  const days = schedule.value.days ?? []
  schedule.value = {
    ...schedule.value,
    days: days.includes(day) ? days.filter(one => one !== day) : [...days, day].sort(),
  }
}
/** `Mon 5 Oct 2026, 06:30` */
function named(time: string): string {
  const day = new Date(`${time.slice(0, 10)}T12:00:00Z`)
  const options = { weekday: 'short', day: 'numeric', month: 'short', year: 'numeric', timeZone: 'UTC' } as const
  return `${day.toLocaleDateString('en-GB', options).replace(',', '')}, ${time.slice(11)}`
}
</script>

<template>
  <div>
    <p class="flex flex-wrap items-center gap-2">
      <select v-model="schedule.every" class="field" aria-label="How often">
        <option v-for="[id, words] in every" :key="id" :value="id">{{ words }}</option>
      </select>
      <select
        v-if="schedule.every === 'month'"
        v-model.number="schedule.number"
        class="field"
        aria-label="Working day of the month">
        <option v-for="number in 23" :key="number" :value="number">{{ nth(number) }} working day of the month</option>
      </select>
      <template v-if="schedule.every === 'week'">
        <button
          v-for="(name, i) in weekdays"
          :key="name"
          type="button"
          class="button px-2"
          :class="schedule.days?.includes(i + 1) ? 'border-accent bg-accent-tint text-accent' : ''"
          :aria-pressed="schedule.days?.includes(i + 1) ?? false"
          @click="toggle(i + 1)">
          {{ name }}
        </button>
      </template>
      <template v-if="schedule.every !== 'asked'">
        <span>at</span>
        <input v-model="schedule.at" class="field w-28" type="time" required aria-label="Time" />
        <select v-model="schedule.zone" class="field w-52" aria-label="Time zone">
          <option v-for="zone in offers?.zones ?? [schedule.zone]" :key="zone" :value="zone">{{ zone }}</option>
        </select>
      </template>
    </p>
    <p v-if="problem" class="mt-2 text-unfavourable-text" role="alert">{{ problem }}</p>
    <p v-else-if="times?.next.length" class="mt-2 text-quiet" aria-live="polite">
      Next: {{ times.next.map(named).join(' · ') }}
    </p>
  </div>
</template>

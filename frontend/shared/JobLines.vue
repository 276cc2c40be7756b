<script setup lang="ts">
import { ask } from './api'
import { jobs, type Job } from './jobs'
import { plural } from './wording'

/** How far long work has come, on whichever page; it goes on when the page is left. */
function says(job: Job): string {
  if (job.state === 'waiting') return 'waiting for its turn'
  const what = { reading: 'row', series: 'series' }[job.phase]
  if (job.phase === 'writing') return 'writing'
  return what && job.done
    ? `${what === 'series' ? `${job.done.toLocaleString('en-GB')} series` : plural(job.done, what)}`
    : ''
}

const stop = (job: Job) => ask('DELETE', `/jobs/${job.id}`).catch(() => undefined)
</script>

<template>
  <div v-if="jobs.length" class="fixed right-6 bottom-6 z-40 w-80 max-w-[calc(100vw-3rem)]" role="status">
    <div v-for="job in jobs" :key="job.id" class="mt-2 rounded-md border border-hairline bg-panel px-4 py-3 shadow-lg">
      <p class="flex justify-between gap-3">
        <span class="min-w-0 break-words">{{ job.says }}</span>
        <button class="link shrink-0" @click="stop(job)">Stop</button>
      </p>
      <p class="mt-0.5 min-h-5 text-sm text-quiet">{{ says(job) }}</p>
      <div class="mt-1 h-[3px] overflow-hidden rounded bg-hairline">
        <div class="h-full w-1/3 animate-pulse bg-accent" />
      </div>
    </div>
  </div>
</template>

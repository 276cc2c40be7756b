<script setup lang="ts">
import { storeToRefs } from 'pinia'
import { ask } from './api'
import { useJobs, type Job } from './useJobs'
import { plural } from './wording'

/** How far long work has come, on whichever page; it goes on when the page is left. */
function says(job: Job): string {
  if (job.state === 'waiting') return 'waiting for its turn'
  if (job.phase === 'writing') return 'writing'
  if (job.phase === 'reading') return job.done ? plural(job.done, 'row') : ''
  const count = job.done.toLocaleString('en-GB')
  return job.phase === 'series' && job.done
    ? `${count}${job.of ? ` of ${job.of.toLocaleString('en-GB')}` : ''} series`
    : ''
}

const { jobs } = storeToRefs(useJobs())
const stop = (job: Job) => ask('DELETE', `/jobs/${job.id}`).catch(() => undefined)
</script>

<template>
  <div v-if="jobs.length" class="fixed right-6 bottom-6 z-40 w-80 max-w-[calc(100vw-3rem)]" role="status">
    <div v-for="job in jobs" :key="job.id" class="mt-2 rounded-md border border-hairline bg-panel px-4 py-3 shadow-lg">
      <p class="flex justify-between gap-3">
        <span class="min-w-0 break-words">{{ job.says }}</span>
        <button class="link shrink-0" @click="stop(job)">Stop</button>
      </p>
      <p class="mt-0.5 min-h-5 text-quiet">{{ says(job) }}</p>
      <div class="mt-1 h-[3px] overflow-hidden rounded bg-hairline">
        <div
          class="h-full bg-accent transition-[width] duration-300"
          :class="job.of ? '' : 'w-full animate-pulse opacity-50'"
          :style="job.of ? { width: `${(100 * job.done) / job.of}%` } : undefined" />
      </div>
    </div>
  </div>
</template>

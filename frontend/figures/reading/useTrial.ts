import { computed, ref, shallowRef, watch, type Ref } from 'vue'
import { refDebounced, useIntervalFn } from '@vueuse/core'
import { ask, Problem, says } from '../../shared/api'
import type { DatasetName, ImportMode, Mapping, Reading, Trial } from '../types'

const SHOWN_AFTER = 300

/** What bringing a reading in would do, asked anew whenever an answer changes. Long work shows how far it has come and can be stopped. */
export function useTrial(
  reading: Ref<Reading | null>,
  mapping: Ref<Mapping>,
  target: Ref<DatasetName | null>,
  mode: Ref<ImportMode>,
) {
  const trial = shallowRef<Trial | null>(null)
  const problem = ref('')
  const isStopped = ref(false)
  const working = ref(0)
  const isSlow = ref(false)
  const progress = ref({ phase: '', done: 0 })
  const question = refDebounced(
    computed(() => ({ mapping: mapping.value, dataset: target.value?.id, mode: mode.value, id: reading.value?.id })),
    150,
  )
  /** Whether an answer has changed since the trial was made. */
  const isStale = ref(true)
  let changes = 0
  let asked = 0
  /** Which trial has not been answered yet; nought: none. */
  let awaited = 0

  watch(
    [mapping, target, mode],
    () => {
      changes++
      isStale.value = true
    },
    { deep: true, flush: 'sync' },
  )

  const poll = useIntervalFn(
    async () => {
      if (!reading.value) return
      progress.value = await ask<typeof progress.value>('GET', `/readings/${reading.value.id}/progress`).catch(
        () => progress.value,
      )
    },
    SHOWN_AFTER,
    { immediate: false },
  )

  /** Runs work on the reading; while it takes long, its progress is asked for. */
  async function during<T>(work: () => Promise<T>): Promise<T> {
    working.value++
    progress.value = { phase: '', done: 0 }
    const timer = window.setTimeout(() => {
      isSlow.value = true
      poll.resume()
    }, SHOWN_AFTER)
    try {
      return await work()
    } finally {
      window.clearTimeout(timer)
      if (--working.value === 0) {
        isSlow.value = false
        poll.pause()
      }
    }
  }

  async function run() {
    const { id, ...body } = question.value
    if (!id) return
    const mine = (awaited = ++asked)
    const seen = changes
    isStopped.value = false
    try {
      const answer = await during(() => ask<Trial>('POST', `/readings/${id}/trials`, { body, isShown: true }))
      if (mine !== asked) return
      awaited = 0
      ;[trial.value, problem.value] = [answer, '']
      isStale.value = changes !== seen
    } catch (error) {
      if (mine !== asked) return
      awaited = 0
      trial.value = null
      if (error instanceof Problem && error.status === 409) isStopped.value = true
      else problem.value = says(error)
    }
  }

  /** Ends the work; an answer that is on its way already counts no more. */
  async function stop() {
    if (!reading.value) return
    if (awaited === asked) {
      awaited = 0
      asked++
      ;[trial.value, isStopped.value] = [null, true]
    }
    await ask('DELETE', `/readings/${reading.value.id}/progress`).catch(() => undefined)
  }

  watch(question, () => void run(), { immediate: true })

  return {
    trial,
    problem,
    isBusy: computed(() => working.value > 0),
    isSlow,
    isStale,
    isStopped,
    progress,
    during,
    run,
    stop,
  }
}

import { ref, shallowRef, watch, type Ref } from 'vue'
import { useDocumentVisibility, useIntervalFn } from '@vueuse/core'
import { ask } from './api'
import type { Pulse } from './types'

const EVERY = 600
/** Under which the last change before the sitting is kept. */
export const sittingName = (dataset: number | null) => `keen:sitting-${dataset}`

/** Follows a dataset: whoever shows it learns within a second that something in it was changed elsewhere. */
export function usePulse(dataset: Ref<number | null>, changed: (pulse: Pulse, before: Pulse) => void) {
  const pulse = shallowRef<Pulse | null>(null)
  const visibility = useDocumentVisibility()
  const isAsking = ref(false)

  /** Where this sitting with the dataset began, on whichever page: what was done before is not undone with a chart. */
  function begin(told: Pulse) {
    const name = sittingName(dataset.value)
    if (sessionStorage.getItem(name) === null) sessionStorage.setItem(name, String(told.undoId))
  }

  /** What an answer tells of itself; older than what is known, it is dropped. */
  function take(told: Pulse) {
    const before = pulse.value
    if (!before) begin(told)
    if (before && told.version + told.revision < before.version + before.revision) return
    pulse.value = {
      version: told.version,
      revision: told.revision,
      undo: told.undo,
      redo: told.redo,
      undoId: told.undoId,
    }
    if (before && (told.version !== before.version || told.revision !== before.revision)) changed(pulse.value, before)
  }

  async function beat() {
    if (dataset.value === null || isAsking.value || visibility.value === 'hidden') return
    isAsking.value = true
    const asked = dataset.value
    try {
      const told = await ask<Pulse>('GET', `/datasets/${asked}/pulse`)
      if (asked === dataset.value) take(told)
    } catch {
      // What is wrong shows as soon as something is asked for.
    } finally {
      isAsking.value = false
    }
  }

  /** The state as it is now, whatever was asked before. */
  async function ensure() {
    const asked = dataset.value
    if (asked === null) return
    const told = await ask<Pulse>('GET', `/datasets/${asked}/pulse`)
    if (asked === dataset.value) take(told)
  }

  useIntervalFn(beat, EVERY)
  watch(
    dataset,
    () => {
      pulse.value = null
      void beat()
    },
    { immediate: true },
  )
  watch(visibility, state => state === 'visible' && void beat())

  return { pulse, take, beat, ensure }
}

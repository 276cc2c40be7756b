import { computed, ref, type Ref } from 'vue'
import { ask, says } from '../../shared/api'
import type { Pulse } from '../../shared/types'
import { usePulse } from '../../shared/usePulse'
import { useToast } from '../../shared/useToast'

type Stepped = Pulse & { step: { says: string; skipped: number } | null }

/** Steps back and on through what was changed in a dataset, by whomever; kept by the server, so that they survive a reload. */
export function useSteps(dataset: Ref<number | null>, changed: () => void) {
  const problem = ref('')
  const { tell } = useToast()
  const { pulse, take, beat } = usePulse(dataset, changed)

  async function go(which: 'undo' | 'redo', done: string) {
    try {
      const told = await ask<Stepped>('POST', `/datasets/${dataset.value}/${which}`)
      const left = told.step?.skipped
        ? ` ${told.step.skipped} of its amounts were changed since and stay as they are.`
        : ''
      if (told.step) tell(`${done}: ${told.step.says}.${left}`)
      take(told)
      problem.value = ''
    } catch (error) {
      problem.value = says(error)
    }
  }

  return {
    pulse,
    take,
    beat,
    problem,
    canUndo: computed(() => pulse.value?.undo != null),
    canRedo: computed(() => pulse.value?.redo != null),
    undo: () => pulse.value?.undo != null && void go('undo', 'Undone'),
    redo: () => pulse.value?.redo != null && void go('redo', 'Done again'),
  }
}

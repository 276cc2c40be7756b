import { computed, ref, type Ref } from 'vue'
import { ask, says } from './api'
import type { Pulse } from './types'
import { usePulse } from './usePulse'
import { useToast } from './useToast'

type Stepped = Pulse & { step: { says: string; skipped: number } | null }

/**
 * Steps back and on through what was changed in a dataset, by whomever; kept by the server, so that they survive a reload.
 *
 * @param changed called when something in the dataset was changed, here or elsewhere
 * @returns undo and redo: whether there was a step
 */
export function useSteps(dataset: Ref<number | null>, changed: () => void) {
  const problem = ref('')
  const { tell } = useToast()
  const { pulse, take, beat, ensure } = usePulse(dataset, changed)

  async function step(way: 'undo' | 'redo'): Promise<boolean> {
    if (pulse.value?.[way] == null) return false
    try {
      const answer = await ask<Stepped>('POST', `/datasets/${dataset.value}/${way}`)
      take(answer)
      problem.value = ''
      if (answer.step)
        tell(`${way === 'undo' ? 'Undone' : 'Done again'}: ${answer.step.says}.${skippedSays(answer.step)}`)
      return answer.step !== null
    } catch (error) {
      problem.value = says(error)
      return false
    }
  }
  const skippedSays = ({ skipped }: { skipped: number }) =>
    skipped ? ` ${skipped} of its amounts were changed since and stay as they are.` : ''

  return {
    pulse,
    take,
    beat,
    ensure,
    problem,
    canUndo: computed(() => pulse.value?.undo != null),
    canRedo: computed(() => pulse.value?.redo != null),
    undo: () => step('undo'),
    redo: () => step('redo'),
  }
}

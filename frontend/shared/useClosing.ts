import { computed, ref, type Ref } from 'vue'
import { ask, conflict, says } from './api'
import type { ClosingStep, Dataset } from './types'
import { useTurns } from './useTurns'

/** The dataset as it is with another closing period; the strip's own is the one that ends with it or holds it. */
function shown(dataset: Dataset, key: string): Dataset {
  const order = dataset.closings.map(period => period.key)
  const at = order.indexOf(key)
  if (at < 0) return dataset
  const holds = dataset.strip.periods.find(period => order.indexOf(period.closes) >= at)
  return { ...dataset, closing: key, strip: { ...dataset.strip, closing: holds?.key ?? dataset.strip.closing } }
}

/** A closing period with those before and after it, for the control that moves it. */
export function around(dataset: Dataset | null, key: string | undefined): ClosingStep | null {
  const periods = dataset?.closings ?? []
  const at = periods.findIndex(period => period.key === key)
  const period = periods[at]
  // A day within a month is not among them: the server says what is next to it.
  if (!period) return dataset?.closingStep && dataset.closingStep.key === key ? dataset.closingStep : null
  return { ...period, back: periods[at - 1]?.key ?? null, on: periods[at + 1]?.key ?? null }
}

/**
 * The closing period of a dataset: shown at once where it is moved to; what is sent goes in turn, each on top of the one before.
 *
 * @param after called when the server has answered
 */
export function useClosing(dataset: Ref<Dataset | null>, after: () => void = () => {}) {
  const problem = ref('')
  const { inTurn, settled } = useTurns()
  const underway = ref(0)
  let moves = 0

  const closing = computed(() => around(dataset.value, dataset.value?.closing))

  /** @param key of a period, or what somebody typed */
  function move(key: string | null | undefined) {
    if (!dataset.value || !key || key === dataset.value.closing) return
    dataset.value = shown(dataset.value, key)
    moves++
    underway.value++
    void inTurn(async () => {
      if (!dataset.value) return
      try {
        const kept = await ask<Dataset>('PATCH', `/datasets/${dataset.value.id}`, {
          version: dataset.value.version,
          body: { closedThrough: key },
        })
        dataset.value = underway.value > 1 ? shown(kept, dataset.value.closing) : kept
        problem.value = ''
      } catch (error) {
        dataset.value = conflict<Dataset>(error) ?? dataset.value
        problem.value = says(error)
      }
      underway.value--
      after()
    })
  }

  /** Loads the dataset anew; where it is moved meanwhile, what comes is older than what is shown, and let go. */
  async function renew(load: () => Promise<Dataset>) {
    if (underway.value) return
    const before = moves
    const loaded = await load()
    if (moves === before) dataset.value = loaded
  }

  return { closing, problem, move, renew, settled }
}

import { ref, shallowRef } from 'vue'
import { ask, conflict, says } from '../../shared/api'
import type { Dataset } from '../../shared/types'
import { useDataset } from '../../shared/useDataset'
import { useTurns } from '../../shared/useTurns'

interface Foreseen {
  follows: string[]
  isHarmful: boolean
}

export interface Pending {
  title: string
  follows: string[]
  go: () => Promise<void>
}

/** Settings of a dataset: each is changed where it stands; what depends on a harmful one is shown before. */
export function useSettings(id: number) {
  const { value: dataset, problem: missing, reload } = useDataset(id)
  const problem = ref('')
  const pending = shallowRef<Pending | null>(null)
  /** Counts what was refused or left, so that fields show again what is kept. */
  const kept = ref(0)

  async function send(method: string, path: string, body: object) {
    try {
      dataset.value = await ask<Dataset>(method, path, { version: dataset.value?.version, body })
      problem.value = ''
    } catch (error) {
      refused(error)
    }
  }

  function refused(error: unknown) {
    const theirs = conflict<Dataset>(error)
    if (theirs) {
      dataset.value = theirs
      problem.value =
        'Somebody else changed the settings meanwhile. These are theirs; make your change again if it still fits.'
    } else problem.value = says(error)
    kept.value++
  }

  const { inTurn } = useTurns()
  /**
   * Changes go in turn, each on top of the one before.
   *
   * @param title of the change, where its consequences have to be shown
   */
  function change(title: string, path: string, body: object, method = 'PATCH') {
    void inTurn(() => foresee(title, path, body, method))
  }

  async function foresee(title: string, path: string, body: object, method: string) {
    const full = `/datasets/${id}${path}`
    try {
      const { follows, isHarmful } = await ask<Foreseen>(method, `${full}?foresee=1`, {
        version: dataset.value?.version,
        body,
      })
      if (isHarmful && follows.length) pending.value = { title, follows, go: () => send(method, full, body) }
      else await send(method, full, body)
    } catch (error) {
      refused(error)
    }
  }

  async function go() {
    const wanted = pending.value
    pending.value = null
    // In turn with the others: a change that follows at once is foreseen on top of this one.
    await inTurn(async () => wanted?.go())
  }
  function leave() {
    pending.value = null
    kept.value++
  }

  return { dataset, missing, problem, pending, kept, change, go, leave, reload }
}

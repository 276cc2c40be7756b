import { toValue, type MaybeRefOrGetter } from 'vue'
import { ask } from './api'
import type { Dataset } from './types'
import { useLoad } from './useLoad'

export const loadDataset = (id: number | null, signal?: AbortSignal) =>
  ask<Dataset>('GET', `/datasets/${id}`, { signal })

/** A dataset as the server has it now. Null: none is chosen yet. */
export function useDataset(id: MaybeRefOrGetter<number | null>) {
  return useLoad(
    () => ['datasets', toValue(id)],
    signal => loadDataset(toValue(id), signal),
    { isAsked: () => toValue(id) !== null, isFresh: true },
  )
}

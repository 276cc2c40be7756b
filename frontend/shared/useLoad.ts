import { computed, ref, toValue, watch, type MaybeRefOrGetter } from 'vue'
import { keepPreviousData, useQuery, type QueryKey } from '@tanstack/vue-query'
import { says } from './api'
import { cache } from './cache'

interface Options {
  /** whether it is asked for; as long as it is not, there is no value */
  isAsked?: MaybeRefOrGetter<boolean>
  /** whether the value of the key before stands until the one of this key has come */
  keepsPrevious?: boolean
  /** whether nothing is shown from before: for numbers, which may have changed meanwhile */
  isFresh?: boolean
  /** milliseconds after which it is asked for again, as long as the page is looked at */
  refetchEach?: number
}

/**
 * What the server keeps under a key: loaded at once, again on demand, and whenever the key changes. An answer that comes back
 * after a newer question is dropped.
 *
 * @returns value: null until it has come; setting it replaces what is in the cache. problem: empty, or why it has not come.
 *     ready: ends with the value of the key as it is now; throws what the server refused.
 * @example const { value: charts, problem } = useLoad(['charts'], () => ask<Listing<Chart>>('GET', '/charts'))
 */
export function useLoad<T>(
  key: MaybeRefOrGetter<QueryKey>,
  load: (signal: AbortSignal) => Promise<T>,
  { isAsked = true, keepsPrevious = false, isFresh = false, refetchEach }: Options = {},
) {
  const query = useQuery<T>(
    {
      queryKey: computed(() => toValue(key)),
      queryFn: ({ signal }) => load(signal),
      enabled: computed(() => toValue(isAsked)),
      shallow: true,
      ...(keepsPrevious ? { placeholderData: keepPreviousData } : {}),
      ...(isFresh ? { gcTime: 0 } : {}),
      ...(refetchEach ? { refetchInterval: refetchEach } : {}),
    },
    cache,
  )
  const value = computed<T | null>({
    get: () => query.data.value ?? null,
    set: next => cache.setQueryData(toValue(key), next ?? undefined),
  })
  const problem = ref('')
  watch([query.error, query.dataUpdatedAt], ([error]) => (problem.value = error === null ? '' : says(error)), {
    flush: 'sync',
  })

  async function reload() {
    await query.refetch()
  }
  async function ready(): Promise<T> {
    const { data, error } = await query.suspense()
    if (error) throw error
    return data as T
  }

  return { value, problem, isLoading: query.isFetching, reload, ready }
}

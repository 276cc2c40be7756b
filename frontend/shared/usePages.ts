import { computed, ref } from 'vue'
import { ask } from './api'
import type { Listing } from './types'
import { useLoad } from './useLoad'

/**
 * A list of the API, a page at a time.
 *
 * @param resource first part of the path, `charts`
 * @param filter what the list is narrowed to; what is empty is left out
 */
export function usePages<T>(resource: string, filter: () => Record<string, string> = () => ({})) {
  const page = ref(1)
  const parameters = computed(() => {
    const told = Object.entries(filter()).filter(([, value]) => value !== '')
    return String(new URLSearchParams([...told, ['page', String(page.value)]]))
  })
  const {
    value: list,
    problem,
    reload,
  } = useLoad(
    () => [resource, 'list', parameters.value],
    signal => ask<Listing<T>>('GET', `/${resource}?${parameters.value}`, { signal }),
    { keepsPrevious: true },
  )

  const turn = (by: number) => (page.value += by)
  const restart = () => (page.value = 1)

  return { list, problem, reload, turn, restart }
}

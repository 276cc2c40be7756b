import { ref } from 'vue'
import { ask } from './api'
import type { Listing } from './types'
import { useLoad } from './useLoad'

/**
 * A list of the API, a page at a time.
 *
 * @param filter what the list is narrowed to; what is empty is left out
 */
export function usePages<T>(path: string, filter: () => Record<string, string> = () => ({})) {
  const page = ref(1)
  const {
    value: list,
    problem,
    reload,
  } = useLoad(() => {
    const told = Object.entries(filter()).filter(([, value]) => value !== '')
    return ask<Listing<T>>('GET', `${path}?${new URLSearchParams([...told, ['page', String(page.value)]])}`)
  })

  function turn(by: number) {
    page.value += by
    return reload()
  }
  function restart() {
    page.value = 1
    return reload()
  }

  return { list, problem, reload, turn, restart }
}

import { ref } from 'vue'
import { ask } from './api'
import type { Listing } from './types'
import { useLoad } from './useLoad'

/** A list of the API, a page at a time. */
export function usePages<T>(path: string) {
  const page = ref(1)
  const { value: list, problem, reload } = useLoad(() => ask<Listing<T>>('GET', `${path}?page=${page.value}`))

  function turn(by: number) {
    page.value += by
    return reload()
  }

  return { list, problem, reload, turn }
}

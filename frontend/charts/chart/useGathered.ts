import { computed, shallowRef, type Ref } from 'vue'
import type { Filter, Question } from '../../shared/types'

/** Changes of the filter that are gathered, and applied together. */
export function useGathered(where: Ref<Filter[]>, change: (part: Partial<Question>) => void) {
  const gathered = shallowRef<Filter[] | null>(null)
  const isGathering = computed(() => gathered.value !== null)
  const count = computed(() => {
    const texts = (filters: Filter[]) => new Set(filters.map((one) => JSON.stringify(one)))
    const [now, then] = [texts(gathered.value ?? []), texts(where.value)]
    const fields = new Set<string>()
    for (const text of new Set([...now, ...then]))
      if (now.has(text) !== then.has(text)) fields.add((JSON.parse(text) as Filter).field)
    return fields.size
  })

  function set(filters: Filter[] | undefined) {
    if (gathered.value) gathered.value = filters ?? []
    else change({ where: filters })
  }
  function start() {
    gathered.value = where.value
  }
  function apply() {
    const filters = gathered.value ?? []
    gathered.value = null
    change({ where: filters.length ? filters : undefined })
  }
  function drop() {
    gathered.value = null
  }

  return { where: computed(() => gathered.value ?? where.value), isGathering, count, set, start, apply, drop }
}

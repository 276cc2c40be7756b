import { computed, shallowRef, type Ref } from 'vue'
import type { Filter, Span } from '../types'

interface Gatherable {
  where?: Filter[]
  span?: Span
}

/**
 * Changes of a few parts of a question, or of what a page is about, that are gathered and applied together. What is empty is left out.
 *
 * @param of what is changed, as it is
 * @param keys the parts that are gathered
 * @param change takes the parts that are others now; while gathering, once with all of `keys`
 */
export function useGathered<T extends Gatherable>(of: Ref<T>, keys: (keyof T)[], change: (part: Partial<T>) => void) {
  const gathered = shallowRef<Partial<T> | null>(null)
  const isGathering = computed(() => gathered.value !== null)
  const shown = computed<Partial<T>>(() => gathered.value ?? of.value)
  const text = (value: unknown) => JSON.stringify(value ?? null)
  /** How many parts are others, each field of the filter by itself. */
  const count = computed(() => {
    const fields = (filters: Filter[] = []) => new Map(filters.map(one => [one.field, text(one)]))
    const [now, then] = [fields(shown.value.where), fields(of.value.where)]
    const others = [...new Set([...now.keys(), ...then.keys()])].filter(field => now.get(field) !== then.get(field))
    const parts = keys.filter(key => key !== 'where' && text(shown.value[key]) !== text(of.value[key]))
    return others.length + parts.length
  })
  const pick = (from: Partial<T>) =>
    Object.fromEntries(
      keys.map(key => [key, Array.isArray(from[key]) && !from[key].length ? undefined : from[key]]),
    ) as Partial<T>

  function set(part: Partial<T>) {
    if (gathered.value) gathered.value = { ...gathered.value, ...part }
    else change(part)
  }
  const start = () => (gathered.value = pick(of.value))
  function apply() {
    const taken = gathered.value
    gathered.value = null
    if (taken) change(pick(taken))
  }
  const drop = () => (gathered.value = null)

  return { shown, isGathering, count, set, start, apply, drop }
}

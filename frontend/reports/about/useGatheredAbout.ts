import { computed, shallowRef, type Ref } from 'vue'
import { told, type About } from '../document'

/** Changes of what a page is about that are gathered, and applied together. */
export function useGatheredAbout(about: Ref<About>, change: (about: About) => void) {
  const gathered = shallowRef<About | null>(null)
  const isGathering = computed(() => gathered.value !== null)
  const shown = computed(() => gathered.value ?? about.value)
  const count = computed(() => {
    const keys: (keyof About)[] = ['where', 'span', 'against']
    const text = (of: About, key: keyof About) => JSON.stringify(of[key] ?? null)
    return keys.filter((key) => text(shown.value, key) !== text(about.value, key)).length
  })

  function set(part: Partial<About>) {
    const next = told({ ...shown.value, ...part }) as About
    if (gathered.value) gathered.value = next
    else change(next)
  }
  const start = () => (gathered.value = { ...about.value })
  function apply() {
    const taken = gathered.value
    gathered.value = null
    if (taken) change(taken)
  }
  const drop = () => (gathered.value = null)

  return { shown, isGathering, count, set, start, apply, drop }
}

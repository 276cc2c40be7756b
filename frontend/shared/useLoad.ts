import { ref, shallowRef } from 'vue'
import { says } from './api'

/** Loads something once and again on demand. An answer that comes back after a newer question is dropped. */
export function useLoad<T>(load: () => Promise<T>) {
  const value = shallowRef<T | null>(null)
  const problem = ref('')
  let asked = 0

  async function reload() {
    const mine = ++asked
    try {
      const loaded = await load()
      if (mine === asked) {
        value.value = loaded
        problem.value = ''
      }
    } catch (error) {
      if (mine === asked) problem.value = says(error)
    }
  }

  void reload()
  return { value, problem, reload }
}

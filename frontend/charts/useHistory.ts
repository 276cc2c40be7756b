import { computed, ref, type Ref } from 'vue'

const MOST = 200

/** Steps back and forth over a value, kept for the sitting: they survive a reload of the page. */
export function useHistory<T>(name: Ref<string>, current: () => T, restore: (state: T) => void) {
  const past = ref<T[]>([]) as Ref<T[]>
  const future = ref<T[]>([]) as Ref<T[]>

  function read() {
    try {
      const kept = JSON.parse(sessionStorage.getItem(name.value) ?? '{}')
      past.value = kept.past ?? []
      future.value = kept.future ?? []
    } catch {
      past.value = future.value = []
    }
  }

  function keep() {
    try {
      sessionStorage.setItem(name.value, JSON.stringify({ past: past.value, future: future.value }))
    } catch {
      past.value = past.value.slice(-MOST / 4)
    }
  }

  /** To be called before a change. */
  function remember() {
    past.value = [...past.value, current()].slice(-MOST)
    future.value = []
    keep()
  }

  function step(from: Ref<T[]>, to: Ref<T[]>) {
    const state = from.value[from.value.length - 1]
    if (state === undefined) return
    from.value = from.value.slice(0, -1)
    to.value = [...to.value, current()]
    keep()
    restore(state)
  }

  read()
  return {
    canUndo: computed(() => past.value.length > 0),
    canRedo: computed(() => future.value.length > 0),
    remember,
    undo: () => step(past, future),
    redo: () => step(future, past),
    keep,
  }
}

import { computed, ref, watch, type Ref } from 'vue'

const MOST = 200

/** A step that was taken here, and the last change of the dataset before it. */
interface Step<T> {
  state: T
  after: number
}

/** In the order of what was undone: a step of this chart, or a change of its dataset. */
type Undone<T> = Step<T> | 'dataset'

interface Sources<T> {
  /** under which the steps are kept */
  name: Ref<string>
  current: () => T
  restore: (state: T) => void
  dataset: {
    /** number of the last change of the dataset that can be undone; none before it is known */
    last: Ref<number | null>
    /** under which the sitting's beginning is kept */
    name: Ref<string>
    /** ends when the last change is known */
    settle: () => Promise<void>
    undo: () => Promise<boolean>
    redo: () => Promise<boolean>
  }
}

function read(name: string): unknown {
  try {
    return JSON.parse(sessionStorage.getItem(name) ?? 'null')
  } catch {
    return null
  }
}

/**
 * Steps back and on through a whole sitting: those of a chart, and those of its dataset (figures, notes, the closing period) in
 * between, in the order in which they were taken. They survive a reload of the page.
 */
export function useSitting<T>({ name, current, restore, dataset }: Sources<T>) {
  const past = ref<Step<T>[]>([]) as Ref<Step<T>[]>
  const future = ref<Undone<T>[]>([]) as Ref<Undone<T>[]>
  /** The dataset's last change before the sitting: what was done before is not undone here. */
  const begin = ref<number | null>(null)

  const kept = read(name.value) as { past?: Step<T>[]; future?: Undone<T>[] } | null
  past.value = kept?.past ?? []
  future.value = kept?.future ?? []

  watch(
    dataset.last,
    last => {
      if (last === null || begin.value !== null) return
      const known = read(dataset.name.value)
      begin.value = typeof known === 'number' ? known : last
      sessionStorage.setItem(dataset.name.value, String(begin.value))
    },
    { immediate: true },
  )

  function keep() {
    try {
      sessionStorage.setItem(name.value, JSON.stringify({ past: past.value, future: future.value }))
    } catch {
      past.value = past.value.slice(-MOST / 4)
    }
  }

  const last = () => dataset.last.value ?? 0
  const hasChanges = computed(() => begin.value !== null && last() > begin.value)
  const isDatasetNext = computed(() => hasChanges.value && last() > (past.value[past.value.length - 1]?.after ?? -1))

  /** To be called before a change of the chart. */
  function remember() {
    past.value = [...past.value, { state: current(), after: last() }].slice(-MOST)
    future.value = []
    keep()
  }

  async function undo() {
    await dataset.settle()
    if (isDatasetNext.value) {
      if (await dataset.undo()) future.value = [...future.value, 'dataset']
      return keep()
    }
    const step = past.value[past.value.length - 1]
    if (!step) return
    past.value = past.value.slice(0, -1)
    future.value = [...future.value, { state: current(), after: step.after }]
    keep()
    restore(step.state)
  }

  async function redo() {
    await dataset.settle()
    const next = future.value[future.value.length - 1]
    if (next === undefined) return
    future.value = future.value.slice(0, -1)
    if (next === 'dataset') await dataset.redo()
    else {
      past.value = [...past.value, { state: current(), after: last() }]
      restore(next.state)
    }
    keep()
  }

  return {
    canUndo: computed(() => past.value.length > 0 || hasChanges.value),
    canRedo: computed(() => future.value.length > 0),
    /** whether the next step back is one of the dataset */
    isDatasetNext,
    remember,
    undo,
    redo,
    keep,
  }
}

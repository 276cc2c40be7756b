import { ref } from 'vue'

const isOpen = ref(false)
/** What was typed before the sheet had come. */
const early = ref('')
const isReady = ref(false)

/** Whether the search over everything is open, and what was typed while it came. */
export function useSearch() {
  /** Keeps letters for the sheet until it is there to take them. */
  function hold(event: KeyboardEvent) {
    if (!isOpen.value || isReady.value || event.key.length !== 1 || event.ctrlKey || event.metaKey || event.altKey)
      return
    early.value += event.key
    event.preventDefault()
    event.stopPropagation()
  }
  function taken(): string {
    isReady.value = true
    const text = early.value
    early.value = ''
    return text
  }
  const gone = () => (isReady.value = false)

  return { isOpen, hold, taken, gone }
}

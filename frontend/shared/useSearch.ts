import { ref } from 'vue'
import { defineStore } from 'pinia'

/** Whether the search over everything is open, and what was typed while it came. */
export const useSearch = defineStore('search', () => {
  const isOpen = ref(false)
  /** What was typed before the sheet had come. */
  const early = ref('')
  const isReady = ref(false)

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

  return { isOpen, early, isReady, hold, taken, gone }
})

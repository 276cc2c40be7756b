import { ref } from 'vue'

const isOpen = ref(false)

/** Whether the search over everything is open. */
export function useSearch() {
  return { isOpen }
}

import { ref } from 'vue'
import { storeToRefs } from 'pinia'
import { useRouter } from 'vue-router'
import { useEventListener } from '@vueuse/core'
import { useKeys } from './useKeys'
import { useSearch } from './useSearch'

/** The sheets that open over any view, and the keys that lead from area to area. */
export function useSheets() {
  const router = useRouter()
  const search = useSearch()
  const { isOpen: isSearching } = storeToRefs(search)
  useEventListener(window, 'keydown', search.hold, { capture: true })
  const showsKeys = ref(false)
  useKeys({
    '?': () => (showsKeys.value = true),
    '/': () => (isSearching.value = true),
    'g f': () => void router.push('/figures'),
    'g c': () => void router.push('/charts'),
    'g r': () => void router.push('/reports'),
    'g m': () => void router.push('/month'),
  })
  return { isSearching, showsKeys }
}

import { useLocalStorage } from '@vueuse/core'

/** The name under which this reader signs changes, kept in this browser. A courtesy among colleagues, no proof. */
export const signature = useLocalStorage('keen:signature', '')

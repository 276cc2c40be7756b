import { useLocalStorage } from '@vueuse/core'
import { defineStore } from 'pinia'

/** The name under which this reader signs changes, kept in this browser. A courtesy among colleagues, no proof. */
export const useSignature = defineStore('signature', () => ({ signature: useLocalStorage('keen:signature', '') }))

import { ref, shallowRef } from 'vue'
import { defineStore } from 'pinia'

/** One quiet line at the foot of the window that says what has just been done, and may offer the way back. */
export const useToast = defineStore('toast', () => {
  const text = ref('')
  const action = shallowRef<{ label: string; do: () => void } | null>(null)
  let timer = 0

  function tell(sentence: string, offered: { label: string; do: () => void } | null = null) {
    text.value = sentence
    action.value = offered
    window.clearTimeout(timer)
    timer = window.setTimeout(() => (text.value = ''), offered ? 12_000 : 5000)
  }
  function take() {
    action.value?.do()
    text.value = ''
  }
  return { text, action, tell, take }
})

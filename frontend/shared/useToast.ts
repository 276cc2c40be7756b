import { ref } from 'vue'

const text = ref('')
let timer = 0

/** One quiet line at the foot of the window that says what has just been done. */
export function useToast() {
  function tell(sentence: string) {
    text.value = sentence
    window.clearTimeout(timer)
    timer = window.setTimeout(() => (text.value = ''), 5000)
  }
  return { text, tell }
}

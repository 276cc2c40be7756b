import { ref } from 'vue'
import { useEventListener } from '@vueuse/core'

/** Files and text that are dropped anywhere on the page, or pasted outside of a field. */
export function useDrop(takeFile: (file: File) => void, takeText: (text: string) => void) {
  const isOver = ref(false)

  useEventListener(document, 'dragover', (event: DragEvent) => {
    event.preventDefault()
    isOver.value = true
  })
  useEventListener(document, 'dragleave', (event: DragEvent) => {
    if (!event.relatedTarget) isOver.value = false
  })
  useEventListener(document, 'drop', (event: DragEvent) => {
    event.preventDefault()
    isOver.value = false
    const text = event.dataTransfer?.getData('text/plain')
    const file = event.dataTransfer?.files[0]
    if (file) takeFile(file)
    else if (text) takeText(text)
  })
  useEventListener(document, 'paste', (event: ClipboardEvent) => {
    if (event.defaultPrevented || /^(INPUT|TEXTAREA)$/.test((event.target as HTMLElement).tagName)) return
    const file = event.clipboardData?.files[0]
    const text = event.clipboardData?.getData('text/plain')
    if (text) takeText(text)
    else if (file) takeFile(file)
  })
  return { isOver }
}

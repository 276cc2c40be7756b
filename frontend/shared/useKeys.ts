import { useEventListener } from '@vueuse/core'

/** Keys by the page's own names: `w`, `?`, `[`, `g c` (one after the other), `mod+z`. Typing in a field is left alone. */
export function useKeys(keys: Record<string, () => void>) {
  let before = ''
  useEventListener(window, 'keydown', (event: KeyboardEvent) => {
    const target = event.target as HTMLElement
    const isTyping = target.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName)
    const mod = event.ctrlKey || event.metaKey
    if (event.defaultPrevented || event.altKey || (isTyping && !mod) || target.closest('[role=listbox],[role=dialog]'))
      return
    const name = mod ? `mod+${event.shiftKey ? 'shift+' : ''}${event.key.toLowerCase()}` : event.key
    const action = keys[`${before} ${name}`] ?? keys[name]
    before = mod ? '' : name
    if (action && !(isTyping && mod && target.tagName !== 'SELECT')) {
      event.preventDefault()
      before = ''
      action()
    }
  })
}

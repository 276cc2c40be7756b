/** Arrow keys go from slot to slot of a sentence while none is open. */
export function stepSlots(event: KeyboardEvent, by: number) {
  const slots = [...(event.currentTarget as HTMLElement).querySelectorAll<HTMLElement>('.slot')]
  const at = slots.indexOf(document.activeElement as HTMLElement)
  if (at < 0 || slots[at]?.getAttribute('aria-expanded') === 'true') return
  event.preventDefault()
  slots[(at + by + slots.length) % slots.length]?.focus()
}

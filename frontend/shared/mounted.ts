/** Components on a page of their own, for their tests. */
import { createApp, h, nextTick, type Component } from 'vue'

export function mounted(component: Component, props: Record<string, unknown>): HTMLElement {
  const root = document.createElement('div')
  document.body.append(root)
  createApp({ render: () => h(component, props) }).mount(root)
  return root
}
export const text = (root: Element) => (root.textContent ?? '').replace(/\s+/g, ' ').trim()
export const named = (root: Element, name: string) =>
  [...root.querySelectorAll('button')].find(one => text(one).startsWith(name)) as HTMLButtonElement
export async function opened(component: Component, props: Record<string, unknown>): Promise<HTMLElement> {
  const root = mounted(component, props)
  root.querySelector<HTMLButtonElement>('.slot')?.click()
  await nextTick()
  return root
}
export async function type(field: HTMLInputElement, value: string) {
  field.value = value
  field.dispatchEvent(new Event('input'))
  await nextTick()
}

import { onScopeDispose } from 'vue'
import { useLocalStorage } from '@vueuse/core'

const LEAST = 120
const STEP = 24
const most = () => Math.round(window.innerHeight * 0.75)
const within = (height: number) => Math.max(LEAST, Math.min(most(), Math.round(height)))

/** The height of a panel at the foot of the window: drawn by its upper edge, or moved with the arrow keys; kept. */
export function useHeight(name: string, usual: number) {
  const height = useLocalStorage(name, usual)
  let stop = () => {}

  function grab(event: PointerEvent) {
    const [from, start] = [event.clientY, height.value]
    const move = (to: PointerEvent) => (height.value = within(start + from - to.clientY))
    const end = () => stop()
    window.addEventListener('pointermove', move)
    window.addEventListener('pointerup', end, { once: true })
    stop = () => {
      window.removeEventListener('pointermove', move)
      window.removeEventListener('pointerup', end)
    }
    event.preventDefault()
  }
  const step = (by: number) => (height.value = within(height.value + by * STEP))
  onScopeDispose(() => stop())

  return { height, grab, step, least: LEAST, most }
}

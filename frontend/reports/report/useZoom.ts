import { computed, type Ref } from 'vue'
import { useWindowSize } from '@vueuse/core'

/** Text is still legible, and never as large as on a poster. */
const SMALLEST = 0.68
const LARGEST = 1.6
/** Pixels above and below a page: the bar, what it is about. */
const AROUND = 170

/** Pixels of a point, so that a page fills the width that there is; a high one is not larger than the window, or its natural size. */
export function useZoom(width: Ref<number>, page: Ref<{ width: number; height: number } | null>) {
  const { height } = useWindowSize()
  return computed(() => {
    if (!page.value || !width.value) return 1
    const fits = Math.max(1, (height.value - AROUND) / page.value.height)
    return Math.min(LARGEST, Math.max(SMALLEST, Math.min(width.value / page.value.width, fits)))
  })
}

import { ref, shallowRef, watch, type Ref } from 'vue'
import { ask, Problem, says } from '../../shared/api'
import type { Drawing, Recipe } from '../../shared/types'

/** The drawing of a recipe at a width, and of one beside it, asked again whenever one of them changes; late answers are dropped. */
export function useDrawing(
  dataset: Ref<number | null>,
  recipe: Ref<Recipe | null>,
  width: Ref<number>,
  fresh: Ref<number>,
  beside: Ref<Recipe | null> = ref(null),
) {
  const drawing = shallowRef<Drawing | null>(null)
  const problem = ref('')
  const isSlow = ref(false)
  let running: AbortController | null = null

  watch(
    [dataset, recipe, width, fresh, beside],
    async () => {
      if (dataset.value === null || recipe.value === null || width.value < 1) return
      running?.abort()
      const mine = (running = new AbortController())
      const slow = window.setTimeout(() => (isSlow.value = true), 300)
      const sized = (of: Recipe): Recipe => ({ ...of, finish: { ...of.finish, width: Math.round(width.value) } })
      try {
        drawing.value = await ask<Drawing>('POST', `/datasets/${dataset.value}/drawings`, {
          body: {
            recipe: sized(recipe.value),
            ...(beside.value ? { beside: sized(beside.value) } : {}),
          },
          signal: mine.signal,
        })
        problem.value = ''
      } catch (error) {
        if (mine.signal.aborted) return
        problem.value = error instanceof Problem && error.path ? `${error.detail}` : says(error)
      } finally {
        window.clearTimeout(slow)
        if (running === mine) isSlow.value = false
      }
    },
    { immediate: true },
  )

  return { drawing, problem, isSlow }
}

import { ref, watch, type Ref } from 'vue'
import { useTimeoutFn } from '@vueuse/core'
import { ask } from '../../shared/api'
import type { Recipe, RowAbout } from '../../shared/types'
import { useLoad } from '../../shared/useLoad'

/**
 * What the server knows about a row, asked once it has been looked at for a moment.
 *
 * @param after milliseconds of that moment
 */
export function useRow(dataset: Ref<number>, recipe: Ref<Recipe>, key: Ref<string>, after = 0) {
  const isAsked = ref(after === 0)
  const { start } = useTimeoutFn(() => (isAsked.value = true), after, { immediate: false })
  watch(
    [dataset, recipe, key],
    () => {
      if (!after) return
      isAsked.value = false
      start()
    },
    { immediate: true },
  )
  const { value: about, problem } = useLoad(
    () => ['datasets', dataset.value, 'rows', recipe.value, key.value],
    signal => {
      const body = { recipe: recipe.value, row: key.value }
      return ask<RowAbout>('POST', `/datasets/${dataset.value}/rows`, { body, signal })
    },
    { isAsked, isFresh: true },
  )

  return { about, problem }
}

import { onScopeDispose, ref, shallowRef, watch, type Ref } from 'vue'
import { ask, says } from '../../shared/api'
import type { Recipe, RowAbout } from '../../shared/types'

/** What the server knows about a row, asked once it has been looked at for a moment. */
export function useRow(dataset: Ref<number>, recipe: Ref<Recipe>, key: Ref<string>, after = 0) {
  const about = shallowRef<RowAbout | null>(null)
  const problem = ref('')
  let timer = 0
  let asked = 0

  async function load() {
    const mine = ++asked
    try {
      const answer = await ask<RowAbout>('POST', `/datasets/${dataset.value}/rows`, {
        body: { recipe: recipe.value, row: key.value },
      })
      if (mine === asked) about.value = answer
    } catch (error) {
      if (mine === asked) problem.value = says(error)
    }
  }

  watch(
    [dataset, recipe, key],
    () => {
      about.value = null
      problem.value = ''
      asked++
      window.clearTimeout(timer)
      if (after) timer = window.setTimeout(() => void load(), after)
      else void load()
    },
    { immediate: true },
  )
  onScopeDispose(() => (window.clearTimeout(timer), asked++))

  return { about, problem }
}

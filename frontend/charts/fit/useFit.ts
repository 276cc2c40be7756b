import { computed, ref, toValue, type MaybeRefOrGetter } from 'vue'
import { ask, says } from '../../shared/api'
import type { Ask, Recipe } from '../../shared/types'

/** What is chosen to leave a name out; no name has this character. */
export const LEFT_OUT = '\u0000'

/**
 * Fits a recipe to the figures of a dataset: names that these lack are asked for, one by one.
 *
 * @returns fit: the recipe with what was answered so far; null while something is still to be asked, or cannot be
 */
export function useFit(dataset: MaybeRefOrGetter<string | number>) {
  const asks = ref<Ask[]>([])
  const answers = ref<Record<string, string>>({})
  const problem = ref('')
  const isAnswered = computed(() => asks.value.every(one => answers.value[one.id] !== undefined))

  function reset() {
    asks.value = []
    answers.value = {}
    problem.value = ''
  }

  async function fit(recipe: unknown): Promise<Recipe | null> {
    problem.value = ''
    const told = Object.fromEntries(Object.entries(answers.value).map(([id, is]) => [id, is === LEFT_OUT ? '' : is]))
    try {
      const answer = await ask<{ recipe: Recipe | null; asks: Ask[]; problem: string | null }>(
        'POST',
        `/datasets/${toValue(dataset)}/fits`,
        { body: { recipe, answers: told } },
      )
      asks.value = answer.asks
      for (const one of answer.asks) if (one.guess !== null) answers.value[one.id] ??= one.guess
      problem.value = answer.problem ?? ''
      return answer.recipe
    } catch (error) {
      problem.value = says(error)
      return null
    }
  }

  return { asks, answers, problem, isAnswered, reset, fit }
}

import { computed, ref, shallowRef, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { useDebounceFn } from '@vueuse/core'
import { ask, Problem, says } from '../shared/api'
import type { Chart, Dataset, Finish, Kind, Question, Recipe } from '../shared/types'
import { around, useClosing } from '../shared/useClosing'
import { usePulse } from '../shared/usePulse'
import { useHistory } from './useHistory'

interface State {
  recipe: Recipe
  closing: string
}

/** Without what is left to its default. */
function told<T extends object>(of: T): T {
  return Object.fromEntries(Object.entries(of).filter(([, value]) => value !== undefined)) as T
}

/** One chart on the screen: its recipe, its dataset, its name if it has one; every change can be taken back. */
export function useChart() {
  const route = useRoute()
  const router = useRouter()
  const dataset = shallowRef<Dataset | null>(null)
  const recipe = shallowRef<Recipe | null>(null)
  const chart = shallowRef<Chart | null>(null)
  const problem = ref('')
  const savedAt = ref('')
  const fresh = ref(0)
  let isUnsaved = false
  /** The chart as somebody else saved it, while this reader changed it too. */
  const theirs = shallowRef<Chart | null>(null)

  const { move: sendClosing, problem: unmoved, renew } = useClosing(dataset, () => fresh.value++)
  watch(unmoved, (says) => says && (problem.value = says))
  // Figures that are changed elsewhere show here within a second.
  usePulse(
    computed(() => dataset.value?.id ?? null),
    (now, before) => {
      fresh.value++
      if (now.version !== before.version) void reloadDataset()
    },
  )

  async function reloadDataset() {
    const id = dataset.value?.id
    if (!id) return
    try {
      await renew(() => ask<Dataset>('GET', `/datasets/${id}`))
      // A renaming may have rewritten the recipe of this very chart.
      if (!chart.value || isUnsaved) return
      const kept = await ask<Chart>('GET', `/charts/${chart.value.id}`)
      if (isUnsaved || kept.version === chart.value.version) return
      chart.value = kept
      recipe.value = kept.recipe
    } catch (error) {
      problem.value = says(error)
    }
  }

  const place = computed(
    () => `keen:${route.params.id ? `chart-${route.params.id}` : `dataset-${route.query.dataset}`}`,
  )
  const history = useHistory<State>(
    place,
    () => ({ recipe: recipe.value as Recipe, closing: dataset.value?.closing ?? '' }),
    (state) => {
      recipe.value = state.recipe
      if (state.closing !== dataset.value?.closing) sendClosing(state.closing)
      afterChange()
    },
  )

  async function load() {
    try {
      if (route.params.id) {
        chart.value = await ask<Chart>('GET', `/charts/${route.params.id}`)
        savedAt.value = chart.value.savedAt
      }
      const id = chart.value?.dataset ?? Number(route.query.dataset)
      dataset.value = await ask<Dataset>('GET', `/datasets/${id}`)
      recipe.value = chart.value?.recipe ?? fromAddress() ?? dataset.value.firstRecipe
      if (!recipe.value)
        problem.value = 'These figures have neither periods nor names. A chart needs a column that holds one of them.'
      document.title = `${chart.value?.name ?? dataset.value.name} – Keen Margin`
    } catch (error) {
      problem.value = says(error)
    }
  }

  function fromAddress(): Recipe | null {
    try {
      return route.query.recipe ? (JSON.parse(String(route.query.recipe)) as Recipe) : null
    } catch {
      problem.value = 'The recipe in this address is cut or changed. The dataset’s first question is shown instead.'
      return null
    }
  }

  function afterChange() {
    if (chart.value) {
      isUnsaved = true
      void save()
    } else {
      void router.replace({ query: { ...route.query, recipe: JSON.stringify(recipe.value) } })
    }
  }

  /** Takes another recipe, and remembers the one before. */
  function turnTo(next: Recipe) {
    history.remember()
    recipe.value = next
    afterChange()
  }

  function change(part: Partial<Question>) {
    if (recipe.value) turnTo({ ...recipe.value, question: told({ ...recipe.value.question, ...part }) })
  }

  function finish(part: Partial<Finish>) {
    if (recipe.value) turnTo({ ...recipe.value, finish: told({ ...recipe.value.finish, ...part }) })
  }

  /** Asks as the kind does, with whatever it can keep of this question. */
  function draw(kind: Kind) {
    if (recipe.value && kind.question && kind.id !== recipe.value.kind)
      turnTo({ ...recipe.value, kind: kind.id, question: kind.question })
  }

  const save = useDebounceFn(async () => {
    if (!chart.value || !recipe.value) return
    try {
      chart.value = await ask<Chart>('PUT', `/charts/${chart.value.id}`, {
        version: chart.value.version,
        body: { name: chart.value.name, recipe: recipe.value },
      })
      savedAt.value = chart.value.savedAt
      isUnsaved = false
      problem.value = ''
    } catch (error) {
      if (error instanceof Problem && error.status === 412) theirs.value = error.current as Chart
      else problem.value = `Not saved: ${says(error)}`
    }
  }, 400)

  async function putOnTop() {
    if (!chart.value || !theirs.value) return
    chart.value = { ...chart.value, version: theirs.value.version }
    theirs.value = null
    await save()
  }

  function takeTheirs() {
    if (!theirs.value) return
    history.remember()
    chart.value = theirs.value
    recipe.value = theirs.value.recipe
    savedAt.value = theirs.value.savedAt
    isUnsaved = false
    theirs.value = null
  }

  /** Gives the chart a name: it is saved from now on, or saved under another name. */
  async function name(text: string): Promise<void> {
    if (!recipe.value || !dataset.value || !text.trim()) return
    try {
      if (chart.value) {
        chart.value = { ...chart.value, name: text.trim() }
        await save()
        document.title = `${text.trim()} – Keen Margin`
        return
      }
      const made = await ask<Chart>('POST', '/charts', {
        body: { dataset: dataset.value.id, name: text.trim(), recipe: recipe.value },
      })
      sessionStorage.setItem(`keen:chart-${made.id}`, sessionStorage.getItem(place.value) ?? '{}')
      await router.replace(`/charts/${made.id}`)
    } catch (error) {
      problem.value = says(error)
    }
  }

  const closing = computed(() => around(dataset.value, recipe.value?.question.closedThrough ?? dataset.value?.closing))

  /** Moves the closing period: of this chart where it pins its own, else of the dataset and all its charts. */
  function moveClosing(key: string | null | undefined) {
    if (!key || !recipe.value) return
    if (recipe.value.question.closedThrough) {
      change({ closedThrough: key })
      return
    }
    history.remember()
    sendClosing(key)
  }

  watch(place, () => void load(), { immediate: true })

  return {
    dataset,
    recipe,
    chart,
    problem,
    savedAt,
    fresh,
    theirs,
    putOnTop,
    takeTheirs,
    history,
    closing,
    change,
    finish,
    draw,
    name,
    moveClosing,
  }
}

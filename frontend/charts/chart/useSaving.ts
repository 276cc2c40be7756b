import { ref, shallowRef, type Ref } from 'vue'
import { useRouter } from 'vue-router'
import { useDebounceFn } from '@vueuse/core'
import { ask, conflict, says } from '../../shared/api'
import type { Chart, Dataset, Recipe } from '../../shared/types'

/**
 * Keeps a named chart: saves what changes, and notices when somebody else saved it meanwhile.
 *
 * @param known the last change of a name that the recipe knows of
 */
export function useSaving(
  dataset: Ref<Dataset | null>,
  recipe: Ref<Recipe | null>,
  problem: Ref<string>,
  place: Ref<string>,
  known: Ref<number | null>,
) {
  const router = useRouter()
  const chart = shallowRef<Chart | null>(null)
  const savedAt = ref('')
  /** The chart as somebody else saved it, while this reader changed it too. */
  const theirs = shallowRef<Chart | null>(null)
  let isUnsaved = false

  async function load(id: number) {
    chart.value = await ask<Chart>('GET', `/charts/${id}`)
    savedAt.value = chart.value.savedAt
    known.value = chart.value.names
  }

  /** A named finish may have rewritten the recipe of this very chart. */
  async function renew() {
    if (!chart.value || isUnsaved) return
    const kept = await ask<Chart>('GET', `/charts/${chart.value.id}`)
    if (isUnsaved || kept.version === chart.value.version) return
    chart.value = kept
    recipe.value = kept.recipe
    known.value = kept.names
  }

  const save = useDebounceFn(async () => {
    if (!chart.value || !recipe.value) return
    try {
      chart.value = await ask<Chart>('PUT', `/charts/${chart.value.id}`, {
        version: chart.value.version,
        body: { name: chart.value.name, recipe: recipe.value, names: known.value ?? undefined },
      })
      savedAt.value = chart.value.savedAt
      isUnsaved = false
      problem.value = ''
    } catch (error) {
      theirs.value = conflict<Chart>(error) ?? theirs.value
      if (!conflict(error)) problem.value = `Not saved: ${says(error)}`
    }
  }, 400)

  function changed() {
    isUnsaved = true
    void save()
  }

  async function putOnTop() {
    if (!chart.value || !theirs.value) return
    chart.value = { ...chart.value, version: theirs.value.version }
    theirs.value = null
    await save()
  }

  function takeTheirs() {
    if (!theirs.value) return
    chart.value = theirs.value
    recipe.value = theirs.value.recipe
    known.value = theirs.value.names
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
        body: { dataset: dataset.value.id, name: text.trim(), recipe: recipe.value, names: known.value ?? undefined },
      })
      sessionStorage.setItem(`keen:chart-${made.id}`, sessionStorage.getItem(place.value) ?? '{}')
      await router.replace(`/charts/${made.id}`)
    } catch (error) {
      problem.value = says(error)
    }
  }

  return { chart, savedAt, theirs, load, renew, changed, putOnTop, takeTheirs, name }
}

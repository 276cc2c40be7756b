import { computed, ref, shallowRef, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { ask, Problem, says } from '../../shared/api'
import type { Dataset, Finish, Kind, Note, Pulse, Question, Recipe } from '../../shared/types'
import { around, useClosing } from '../../shared/useClosing'
import { sittingName, usePulse } from '../../shared/usePulse'
import { useToast } from '../../shared/useToast'
import { parsed, type Stop } from './path'
import { useSaving } from './useSaving'
import { useSitting } from './useSitting'

interface State {
  recipe: Recipe
  /** the way back to where this chart was looked into */
  path: Stop[]
  beside: Recipe | null
}

/** Without what is left to its default. */
export function told<T extends object>(of: T): T {
  return Object.fromEntries(Object.entries(of).filter(([, value]) => value !== undefined && value !== null)) as T
}

/** One chart on the screen, and maybe one beside it: recipe, dataset, its name if it has one; every change can be taken back. */
export function useChart() {
  const route = useRoute()
  const router = useRouter()
  const { tell } = useToast()
  const dataset = shallowRef<Dataset | null>(null)
  const recipe = shallowRef<Recipe | null>(null)
  const beside = shallowRef<Recipe | null>(null)
  const path = shallowRef<Stop[]>([])
  const problem = ref('')
  const fresh = ref(0)
  const place = computed(
    () => `keen:${route.params.id ? `chart-${route.params.id}` : `dataset-${route.query.dataset}`}`,
  )
  const saving = useSaving(dataset, recipe, problem, place)
  const { chart } = saving

  const id = computed(() => dataset.value?.id ?? null)
  const {
    move: sendClosing,
    problem: unmoved,
    renew,
    settled,
  } = useClosing(dataset, () => (fresh.value++, void beat()))
  watch(unmoved, (says) => says && (problem.value = says))
  // Figures that are changed elsewhere show here within a second.
  const { pulse, take, beat, ensure } = usePulse(id, () => {
    fresh.value++
    // Amounts may bring rows and periods along.
    void reloadDataset()
  })

  async function reloadDataset() {
    if (id.value === null) return
    try {
      await renew(() => ask<Dataset>('GET', `/datasets/${id.value}`))
      await saving.renew()
    } catch (error) {
      problem.value = says(error)
    }
  }

  /** A step back or on in the dataset's own log. */
  async function stepDataset(way: 'undo' | 'redo'): Promise<boolean> {
    try {
      const answer = await ask<Pulse & { step: { says: string } | null }>('POST', `/datasets/${id.value}/${way}`)
      take(answer)
      if (answer.step) tell(`${way === 'undo' ? 'Undone' : 'Done again'}: ${answer.step.says}.`)
      return answer.step !== null
    } catch (error) {
      problem.value = says(error)
      return false
    }
  }

  /** What is underway is part of the steps, and has to be known before one is taken back. */
  async function settle() {
    await settled()
    await ensure().catch((error: unknown) => (problem.value = says(error)))
  }

  const sitting = useSitting<State>({
    name: place,
    current: () => ({ recipe: recipe.value as Recipe, path: path.value, beside: beside.value }),
    restore: (state) => {
      recipe.value = state.recipe
      path.value = state.path ?? []
      beside.value = state.beside ?? null
      afterChange()
    },
    dataset: {
      last: computed(() => pulse.value?.undoId ?? null),
      name: computed(() => sittingName(id.value)),
      settle,
      undo: () => stepDataset('undo'),
      redo: () => stepDataset('redo'),
    },
  })

  async function load() {
    try {
      if (route.params.id) await saving.load(Number(route.params.id))
      const of = chart.value?.dataset ?? Number(route.query.dataset)
      dataset.value = await ask<Dataset>('GET', `/datasets/${of}`)
      path.value = parsed<Stop[]>(route.query.path) ?? []
      beside.value = parsed<Recipe>(route.query.beside)
      recipe.value = chart.value?.recipe ?? fromAddress() ?? (await fromNote()) ?? dataset.value.firstRecipe
      if (!recipe.value)
        problem.value = 'These figures have neither periods nor names. A chart needs a column that holds one of them.'
      document.title = `${chart.value?.name ?? dataset.value.name} – Keen Margin`
    } catch (error) {
      problem.value = says(error)
    }
  }

  function fromAddress(): Recipe | null {
    const found = parsed<Recipe>(route.query.recipe)
    if (!found && route.query.recipe)
      problem.value = 'The recipe in this address is cut or changed. The dataset’s first question is shown instead.'
    return found
  }

  /** The question that shows what a note is about. */
  async function fromNote(): Promise<Recipe | null> {
    const first = dataset.value?.firstRecipe
    if (!route.query.note || !first) return null
    const note = await ask<Note>('GET', `/notes/${Number(route.query.note)}`)
    const year = /^(FY)?\d{4}/.exec(note.period)?.[0]
    const span = year ? { from: year, to: year } : first.question.span
    return { ...first, question: told({ ...first.question, measure: note.measure, where: note.place, span }) }
  }

  function afterChange() {
    const query = {
      ...route.query,
      beside: beside.value ? JSON.stringify(beside.value) : undefined,
      path: path.value.length ? JSON.stringify(path.value) : undefined,
    }
    if (chart.value) saving.changed()
    if (!chart.value) void router.replace({ query: { ...query, recipe: JSON.stringify(recipe.value) } })
    else if (query.beside !== route.query.beside) void router.replace({ query })
  }

  /** Takes other recipes, and remembers those before. */
  function turnTo(next: Partial<State>) {
    sitting.remember()
    if (next.recipe) recipe.value = next.recipe
    if (next.path) path.value = next.path
    if (next.beside !== undefined) beside.value = next.beside
    afterChange()
  }

  /** Changes the chart, or the one beside it. */
  function alter(isBeside: boolean, how: (recipe: Recipe) => Recipe) {
    const of = isBeside ? beside.value : recipe.value
    if (of) turnTo(isBeside ? { beside: how(of) } : { recipe: how(of) })
  }
  const change = (part: Partial<Question>, isBeside = false) =>
    alter(isBeside, (of) => ({ ...of, question: told({ ...of.question, ...part }) }))
  const finish = (part: Partial<Finish>, isBeside = false) =>
    alter(isBeside, (of) => ({ ...of, finish: told({ ...of.finish, ...part }) }))

  /** Asks as the kind does, with whatever it can keep of this question. */
  function draw(kind: Kind, isBeside = false) {
    const { question } = kind
    if (question && kind.id !== (isBeside ? beside : recipe).value?.kind)
      alter(isBeside, (of) => ({ ...of, kind: kind.id, question }))
  }

  /** Looks into a row: a chart of its own where this one is kept under a name. */
  function lookInto(next: Recipe, label: string) {
    if (!recipe.value || !dataset.value) return
    const here: Stop = chart.value
      ? { label: chart.value.name, chart: chart.value.id }
      : { label: path.value[path.value.length - 1]?.label ?? dataset.value.name, recipe: recipe.value }
    const way = [...path.value.slice(0, -1), here, { label, recipe: next }]
    if (!chart.value) return turnTo({ recipe: next, path: way, beside: null })
    const query = { dataset: dataset.value.id, recipe: JSON.stringify(next), path: JSON.stringify(way) }
    void router.push({ path: '/charts/new', query })
  }

  /** Back to a stop of the way. */
  function goBack(at: number) {
    const stop = path.value[at]
    if (stop?.chart) void router.push(`/charts/${stop.chart}`)
    else if (stop?.recipe) turnTo({ recipe: stop.recipe, path: at === 0 ? [] : path.value.slice(0, at + 1) })
  }

  const closing = computed(() => around(dataset.value, recipe.value?.question.closedThrough ?? dataset.value?.closing))

  /** Moves the closing period: of this chart where it pins its own, else of the dataset and all its charts. */
  function moveClosing(key: string | null | undefined) {
    if (!key || !recipe.value) return
    if (recipe.value.question.closedThrough) change({ closedThrough: key })
    else sendClosing(key)
  }

  /** Says what is better of a chart's measure, for all charts of it: what its name told was only a guess. */
  async function sayBetter(of: Recipe, better: 'more' | 'less') {
    const { measure, used, total } = of.question
    const name = measure ?? used ?? total
    const own = dataset.value?.measures.find((one) => one.name === name) ?? dataset.value?.measures[0]
    if (!dataset.value || !own) return
    try {
      const path = `/datasets/${dataset.value.id}/measures/${own.id}`
      dataset.value = await ask<Dataset>('PATCH', path, { version: dataset.value.version, body: { better } })
      tell(`${own.name}: ${better} is better, in all its charts.`)
      fresh.value++
      void beat()
    } catch (error) {
      if (error instanceof Problem && error.status === 412) void reloadDataset()
      problem.value = says(error)
    }
  }

  watch(place, () => void load(), { immediate: true })

  return {
    ...{ dataset, recipe, beside, path, problem, fresh, sitting, closing, saving, pulse, beat },
    ...{ change, finish, draw, turnTo, lookInto, goBack, moveClosing, sayBetter },
  }
}

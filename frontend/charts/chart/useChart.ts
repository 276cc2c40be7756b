import { computed, ref, shallowRef, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { ask, conflict, says } from '../../shared/api'
import type { Dataset, Drawing, Finish, Kind, Measure, Note, Question, Recipe } from '../../shared/types'
import { around, useClosing } from '../../shared/useClosing'
import { loadDataset, useDataset } from '../../shared/useDataset'
import { sittingName } from '../../shared/usePulse'
import { useSteps } from '../../shared/useSteps'
import { useToast } from '../../shared/useToast'
import { parsed, type Stop } from './path'
import { useSaving } from './useSaving'
import { useSitting } from './useSitting'

interface State {
  /** of each pane: the chart, and maybe one beside it */
  recipes: Recipe[]
  /** the way back to where this chart was looked into */
  path: Stop[]
  /** the last change of a name that the recipes know of; null: their names are told as they are now */
  known: number | null
}

/** Without what is left to its default. */
export function told<T extends object>(of: T): T {
  return Object.fromEntries(Object.entries(of).filter(([, value]) => value !== undefined && value !== null)) as T
}

/**
 * The recipes of one dataset that are on the screen, a pane each: the first may be kept under a name, a second one stands beside
 * it. Every change can be taken back.
 */
export function useChart() {
  const route = useRoute()
  const router = useRouter()
  const { tell } = useToast()
  const wanted = ref<number | null>(null)
  const { value: dataset, ready } = useDataset(wanted)
  const id = computed(() => dataset.value?.id ?? null)
  const recipes = shallowRef<Recipe[]>([])
  const recipe = computed({
    get: () => recipes.value[0] ?? null,
    set: next => (recipes.value = next ? [next, ...recipes.value.slice(1)] : []),
  })
  const path = shallowRef<Stop[]>([])
  const known = ref<number | null>(null)
  const problem = ref('')
  const fresh = ref(0)
  const place = computed(
    () => `keen:${route.params.id ? `chart-${route.params.id}` : `dataset-${route.query.dataset}`}`,
  )
  const saving = useSaving(dataset, recipe, problem, place, known)
  const { chart } = saving

  const {
    move: sendClosing,
    problem: unmoved,
    renew,
    settled,
  } = useClosing(dataset, () => (fresh.value++, void beat()))
  // Figures that are changed elsewhere show here within a second.
  const {
    pulse,
    beat,
    ensure,
    undo,
    redo,
    problem: unstepped,
  } = useSteps(id, () => {
    fresh.value++
    // Amounts may bring rows and periods along.
    void reloadDataset()
  })
  watch([unmoved, unstepped], told => (problem.value = told.find(one => one !== '') ?? problem.value))

  async function reloadDataset() {
    if (id.value === null) return
    try {
      await renew(() => loadDataset(id.value))
      await saving.renew()
    } catch (error) {
      problem.value = says(error)
    }
  }

  /** What is underway is part of the steps, and has to be known before one is taken back. */
  async function settle() {
    await settled()
    await ensure().catch((error: unknown) => (problem.value = says(error)))
  }

  const sitting = useSitting<State>({
    name: place,
    current: () => ({ recipes: recipes.value, path: path.value, known: known.value }),
    restore: state => {
      // A page that was open through an upgrade may have kept steps of another shape.
      if (!Array.isArray(state.recipes)) return
      recipes.value = state.recipes
      path.value = state.path
      known.value = state.known ?? null
      afterChange()
    },
    dataset: {
      last: computed(() => pulse.value?.undoId ?? null),
      name: computed(() => sittingName(id.value)),
      settle,
      undo,
      redo,
    },
  })

  async function load() {
    try {
      if (route.params.id) await saving.load(Number(route.params.id))
      wanted.value = chart.value?.dataset ?? Number(route.query.dataset)
      const own = await ready()
      path.value = parsed<Stop[]>(route.query.path) ?? []
      const first = chart.value?.recipe ?? fromAddress() ?? (await fromNote(own)) ?? own.firstRecipe
      const second = parsed<Recipe>(route.query.beside)
      recipes.value = [first, second].filter(one => one !== null)
      if (!first)
        problem.value = 'These figures have neither periods nor names. A chart needs a column that holds one of them.'
      document.title = `${chart.value?.name ?? own.name} – Keen Margin`
    } catch (error) {
      problem.value = says(error)
    }
  }

  /** What was renamed since the recipes were read has its new name in them, too. */
  function renamed({ names, recipe: first, beside }: Drawing) {
    if (names === undefined || names === known.value) return
    const isOld = known.value !== null
    known.value = names
    if (!isOld) return
    const drawn = [first, beside?.recipe]
    recipes.value = recipes.value.map((own, i): Recipe => {
      const { question, finish } = drawn[i] ?? own
      return { ...own, question, finish: finish && told({ ...finish, width: own.finish?.width }) }
    })
  }

  function fromAddress(): Recipe | null {
    const found = parsed<Recipe>(route.query.recipe)
    if (!found && route.query.recipe)
      problem.value = 'The recipe in this address is cut or changed. The dataset’s first question is shown instead.'
    return found
  }

  /** The question that shows what a note is about. */
  async function fromNote({ firstRecipe: first }: Dataset): Promise<Recipe | null> {
    if (!route.query.note || !first) return null
    const note = await ask<Note>('GET', `/notes/${Number(route.query.note)}`)
    const year = /^(FY)?\d{4}/.exec(note.period)?.[0]
    const span = year ? { from: year, to: year } : first.question.span
    return { ...first, question: told({ ...first.question, measure: note.measure, where: note.place, span }) }
  }

  function afterChange() {
    const [, beside] = recipes.value
    const query = {
      ...route.query,
      beside: beside ? JSON.stringify(beside) : undefined,
      path: path.value.length ? JSON.stringify(path.value) : undefined,
    }
    if (chart.value) saving.changed()
    if (!chart.value) void router.replace({ query: { ...query, recipe: JSON.stringify(recipe.value) } })
    else if (query.beside !== route.query.beside) void router.replace({ query })
  }

  /** Takes other recipes, and remembers those before. */
  function turnTo(next: Partial<State>) {
    sitting.remember()
    if (next.recipes) recipes.value = next.recipes
    if (next.path) path.value = next.path
    afterChange()
  }

  /** Changes the recipe of one pane. */
  function alter(pane: number, how: (recipe: Recipe) => Recipe) {
    turnTo({ recipes: recipes.value.map((one, i) => (i === pane ? how(one) : one)) })
  }
  const change = (pane: number, part: Partial<Question>) =>
    alter(pane, of => ({ ...of, question: told({ ...of.question, ...part }) }))
  const finish = (pane: number, part: Partial<Finish>) =>
    alter(pane, of => ({ ...of, finish: told({ ...of.finish, ...part }) }))
  const replace = (pane: number, next: Recipe) => alter(pane, () => next)

  /** Asks as the kind does, with whatever it can keep of this question. */
  function draw(pane: number, kind: Kind) {
    const { question } = kind
    if (question && kind.id !== recipes.value[pane]?.kind) alter(pane, of => ({ ...of, kind: kind.id, question }))
  }

  /** Puts the same question beside the chart, without its message; or leaves the second chart away. */
  function turnBeside() {
    const [first, second] = recipes.value
    if (!first) return
    const copy = { ...first, finish: told({ ...first.finish, message: undefined }) }
    turnTo({ recipes: second ? [first] : [first, copy] })
  }

  /** Looks into a row: a chart of its own where this one is kept under a name. */
  function lookInto(next: Recipe, label: string) {
    if (!recipe.value || !dataset.value) return
    const here: Stop = chart.value
      ? { label: chart.value.name, chart: chart.value.id }
      : { label: path.value[path.value.length - 1]?.label ?? dataset.value.name, recipe: recipe.value }
    const way = [...path.value.slice(0, -1), here, { label, recipe: next }]
    if (!chart.value) return turnTo({ recipes: [next], path: way })
    const query = { dataset: dataset.value.id, recipe: JSON.stringify(next), path: JSON.stringify(way) }
    void router.push({ path: '/charts/new', query })
  }

  /** Back to a stop of the way. */
  function goBack(at: number) {
    const stop = path.value[at]
    if (stop?.chart) void router.push(`/charts/${stop.chart}`)
    else if (stop?.recipe) {
      const [, ...others] = recipes.value
      turnTo({ recipes: [stop.recipe, ...others], path: at === 0 ? [] : path.value.slice(0, at + 1) })
    }
  }

  const closing = computed(() => around(dataset.value, recipe.value?.question.closedThrough ?? dataset.value?.closing))

  /** Moves the closing period: of this chart where it pins its own, else of the dataset and all its charts. */
  function moveClosing(key: string | null | undefined) {
    if (!key || !recipe.value) return
    if (recipe.value.question.closedThrough) change(0, { closedThrough: key })
    else sendClosing(key)
  }

  /** Says what is better of a chart's measure, for all charts of it: what its name told was only a guess. */
  async function sayBetter(of: Recipe, better: 'more' | 'less') {
    await setMeasure(of, () => ({ better }), `${better} is better, in all its charts.`)
  }

  /** Bands that were tried in a question belong to the measure from now on, beside those of members and later ones. */
  async function keepBands(of: Recipe, pane: number, bands: NonNullable<Question['bands']>) {
    const isKept = await setMeasure(
      of,
      measure => ({ bands: [...measure.bands.filter(one => one.member ?? one.from), bands] }),
      'these bands are kept for all its charts.',
    )
    if (isKept) change(pane, { bands: undefined })
  }

  /** Changes a setting of the measure that a chart shows; says whether it did. */
  async function setMeasure(of: Recipe, body: (measure: Measure) => object, said: string): Promise<boolean> {
    const { measure, used, total } = of.question
    const name = measure ?? used ?? total
    const own = dataset.value?.measures.find(one => one.name === name) ?? dataset.value?.measures[0]
    if (!dataset.value || !own) return false
    try {
      const path = `/datasets/${dataset.value.id}/measures/${own.id}`
      dataset.value = await ask<Dataset>('PATCH', path, { version: dataset.value.version, body: body(own) })
      tell(`${own.name}: ${said}`)
      fresh.value++
      void beat()
      return true
    } catch (error) {
      if (conflict(error)) void reloadDataset()
      problem.value = says(error)
      return false
    }
  }

  watch(place, () => void load(), { immediate: true })

  return {
    ...{ dataset, recipes, known, renamed, path, problem, fresh, sitting, closing, saving, pulse, beat },
    ...{ change, finish, replace, draw, turnBeside, lookInto, goBack, moveClosing, sayBetter, keepBands },
  }
}

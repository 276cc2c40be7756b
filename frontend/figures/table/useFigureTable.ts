import { computed, ref, shallowRef, watch, type Ref } from 'vue'
import { ask, says } from '../../shared/api'
import type { Dataset, Filter, Period, Scenario } from '../../shared/types'
import type { SourceFile } from '../../shared/types'
import type { FigureTable } from '../types'

const option = ({ key, label }: Period, note: string) => ({ value: key, label, note })

/** What the table of a dataset shows: which scenario, measure, breakdown, members and year. */
export function useFigureTable(dataset: Ref<Dataset | null>) {
  const scenario = ref('')
  const measure = ref('')
  const by = ref('')
  const year = ref('')
  const order = ref<'given' | 'largest first'>('given')
  const where = shallowRef<Filter[]>([])
  const grain = ref('')
  /** groups whose members are not shown */
  const folded = shallowRef<string[]>([])

  const scenarios = computed(() => {
    const own = dataset.value?.references ?? []
    const both = own.some(one => one.code === 'AC') && own.some(one => one.code === 'FC')
    return [
      ...(both ? [{ value: 'AC FC', label: 'actual, then forecast' }] : []),
      ...own.map(one => ({ value: one.code, label: one.word })),
    ]
  })
  const years = computed(() => [
    ...(dataset.value?.years ?? []).map(one => option(one, '')),
    ...(dataset.value?.nextYear ? [option(dataset.value.nextYear, 'none yet')] : []),
    { value: '', label: 'all years', note: '' },
  ])
  const others = computed(() => (dataset.value?.breakdowns ?? []).filter(one => one.name !== by.value))
  /** Filters of the table: the breakdown that goes down shows all its members. */
  const filters = computed(() => where.value.filter(one => one.field !== by.value))
  const body = computed<object | null>(before => {
    const [shown, forecast] = scenario.value.split(' ')
    if (!dataset.value || !measure.value) return null
    const now = {
      measure: measure.value,
      scenario: shown || undefined,
      forecast,
      by: by.value || undefined,
      year: year.value || undefined,
      order: order.value,
      grain: grain.value || undefined,
      folded: folded.value.length ? folded.value : undefined,
      where: filters.value.length ? filters.value : undefined,
    }
    // The same wish is the same object, so that nothing is asked for twice.
    return before && JSON.stringify(now) === JSON.stringify(before) ? before : now
  })
  /** The one member of each other breakdown, where amounts can be set. */
  const fixedAt = computed(() =>
    Object.fromEntries(filters.value.flatMap(one => (one.in?.length === 1 ? [[one.field, one.in[0] ?? '']] : []))),
  )

  watch(
    dataset,
    (value, before) => {
      if (!value) return
      if (value.id === before?.id) {
        // What was renamed or merged away is let go.
        const isThere = (one: Filter) =>
          value.breakdowns.some(
            breakdown =>
              breakdown.name === one.field &&
              [...(one.in ?? []), ...(one.notIn ?? [])].every(member => breakdown.members.includes(member)),
          )
        if (!value.measures.some(one => one.name === measure.value)) measure.value = value.measures[0]?.name ?? ''
        if (!value.breakdowns.some(one => one.name === by.value)) by.value = value.breakdowns[0]?.name ?? ''
        if (!where.value.every(isThere)) where.value = where.value.filter(isThere)
        return
      }
      scenario.value = value.scenarios.length ? (scenarios.value[0]?.value ?? '') : 'AC'
      measure.value = value.measures[0]?.name ?? ''
      by.value = value.breakdowns[0]?.name ?? ''
      const closing = value.periodList.find(period => period.key === value.closing)?.label.slice(-4)
      year.value = value.years.find(one => one.key.endsWith(closing ?? '-'))?.key ?? value.years.at(-1)?.key ?? ''
    },
    { immediate: true },
  )

  watch(by, () => (folded.value = []))
  function fold(group: string) {
    folded.value = folded.value.includes(group) ? folded.value.filter(one => one !== group) : [...folded.value, group]
  }

  return {
    scenario,
    scenarios,
    measure,
    by,
    year,
    years,
    order,
    where,
    grain,
    folded,
    fold,
    others,
    filters,
    body,
    fixedAt,
  }
}

export interface Cell {
  member: string | null
  period: { key: string; label: string } | null
  scenario: Scenario
  amount: string
}

/** The rows of the files that one cell of the table came from. */
export function useSources(dataset: Ref<Dataset | null>, table: Ref<FigureTable | null>, filters: Ref<Filter[]>) {
  const cell = shallowRef<Cell | null>(null)
  const files = shallowRef<SourceFile[] | null>(null)
  const problem = ref('')

  async function trace(wanted: Cell) {
    cell.value = wanted
    files.value = null
    problem.value = ''
    const by = table.value?.by
    try {
      const answer = await ask<{ files: SourceFile[] }>('POST', `/datasets/${dataset.value?.id}/sources`, {
        body: {
          measure: table.value?.measure,
          scenario: wanted.scenario,
          period: wanted.period?.key || undefined,
          where: [...filters.value, ...(by && wanted.member !== null ? [{ field: by, in: [wanted.member] }] : [])],
        },
      })
      if (cell.value === wanted) files.value = answer.files
    } catch (error) {
      if (cell.value === wanted) problem.value = says(error)
    }
  }

  return { cell, files, problem, trace, close: () => (cell.value = null) }
}

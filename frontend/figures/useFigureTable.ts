import { computed, ref, shallowRef, watch, type Ref } from 'vue'
import { ask, says } from '../shared/api'
import type { Dataset, Scenario } from '../shared/types'
import type { FigureTable, SourceFile } from './types'

/** The figures of a dataset as a table: which scenario, measure, breakdown and year, a page at a time. */
export function useFigureTable(dataset: Ref<Dataset | null>, fresh: Ref<number>) {
  const table = shallowRef<FigureTable | null>(null)
  const problem = ref('')
  const scenario = ref('')
  const measure = ref('')
  const by = ref('')
  const year = ref('')
  const order = ref<'given' | 'largest first'>('given')
  const page = ref(1)
  let asked = 0

  const scenarios = computed(() => {
    const own = (dataset.value?.references ?? []).filter((one) => dataset.value?.scenarios.includes(one.code))
    const both = own.some((one) => one.code === 'AC') && own.some((one) => one.code === 'FC')
    return [
      ...(both ? [{ value: 'AC FC', label: 'actual, then forecast' }] : []),
      ...own.map((one) => ({ value: one.code, label: one.word })),
    ]
  })
  const body = computed(() => {
    const [shown, forecast] = scenario.value.split(' ')
    return {
      measure: measure.value || undefined,
      scenario: shown || undefined,
      forecast,
      by: by.value || undefined,
      year: year.value || undefined,
      order: order.value,
      page: page.value,
    }
  })

  watch(
    dataset,
    (value, before) => {
      if (!value || value.id === before?.id) return
      scenario.value = scenarios.value[0]?.value ?? ''
      measure.value = value.measures[0]?.name ?? ''
      by.value = value.breakdowns[0]?.name ?? ''
      const closing = value.periodList.find((period) => period.key === value.closing)?.label.slice(-4)
      year.value = value.years.find((one) => one.key.endsWith(closing ?? '-'))?.key ?? value.years.at(-1)?.key ?? ''
    },
    { immediate: true },
  )
  watch([scenario, measure, by, year, order], () => (page.value = 1))
  watch(
    [body, fresh, () => dataset.value?.version, () => dataset.value?.closing],
    async () => {
      if (!dataset.value || !dataset.value.facts) {
        table.value = null
        return
      }
      const mine = ++asked
      try {
        const answer = await ask<FigureTable>('POST', `/datasets/${dataset.value.id}/tables`, { body: body.value })
        if (mine === asked) [table.value, problem.value] = [answer, '']
      } catch (error) {
        if (mine === asked) problem.value = says(error)
      }
    },
    { immediate: true },
  )

  return { table, problem, scenario, scenarios, measure, by, year, order, page }
}

export interface Cell {
  member: string | null
  period: { key: string; label: string } | null
  scenario: Scenario
  amount: string
}

/** The rows of the files that one cell of the table came from. */
export function useSources(dataset: Ref<Dataset | null>, table: Ref<FigureTable | null>) {
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
          where: by && wanted.member !== null ? [{ field: by, in: [wanted.member] }] : undefined,
        },
      })
      if (cell.value === wanted) files.value = answer.files
    } catch (error) {
      if (cell.value === wanted) problem.value = says(error)
    }
  }

  return { cell, files, problem, trace, close: () => (cell.value = null) }
}

import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { ask, conflict, Problem, says } from '../../shared/api'
import { useToast } from '../../shared/useToast'
import type { Dataset } from '../../shared/types'
import type { DatasetName, HeaderPlace, Import, ImportMode, Mapping, MeasureRule, NearName, Reading } from '../types'
import { useIncoming } from '../incoming/useIncoming'
import { useTrial } from './useTrial'

/** A file on its way in: how it is read, where it goes, and what that would do. */
export function useReading() {
  const router = useRouter()
  const { tell } = useToast()
  const { reading } = useIncoming()
  const mapping = ref<Mapping>(reading.value?.mapping ?? ({ columns: {} } as Mapping))
  const target = ref<DatasetName | null>(reading.value?.target ?? null)
  const mode = ref<ImportMode>(reading.value?.mode ?? 'add')
  const name = ref(reading.value?.suggestedName ?? '')
  const organisation = ref('')
  const measure = ref(mapping.value.measure === 'Amount' ? '' : (mapping.value.measure ?? ''))
  const differs = ref<string[]>([])
  const failed = ref('')
  const isLooking = ref(false)

  const amounts = computed(() => Object.values(mapping.value.columns).filter(column => column.role === 'amount'))
  const asksMeasure = computed(
    () =>
      !target.value &&
      amounts.value.some(column => !column.measure) &&
      !Object.values(mapping.value.columns).some(column => column.role === 'measure'),
  )
  /** The mapping as it will be sent: amounts without a name of their own count what the reader says. */
  const told = computed<Mapping>(() => {
    const named = target.value ? (mapping.value.measure ?? 'Amount') : measure.value.trim() || 'Amount'
    const { [mapping.value.measure ?? 'Amount']: rule, ...rules } = mapping.value.measures ?? {}
    const measures = rule ? { ...rules, [named]: rule } : rules
    return {
      ...mapping.value,
      measure: named,
      measures: Object.keys(measures).length ? measures : undefined,
      leaveOut: mapping.value.leaveOut?.length ? mapping.value.leaveOut : undefined,
      sheet: reading.value?.sheets.length ? reading.value.sheet : undefined,
      header: reading.value?.header,
    }
  })
  const work = useTrial(reading, told, target, mode)
  const near = computed(() => (work.trial.value?.near ?? []).filter(one => !differs.value.includes(nearKey(one))))

  function nearKey(one: NearName) {
    return `${one.breakdown}\n${one.name}`
  }

  /** Looks at the file anew; what was answered about columns that are still there is asked again only where it has to be. */
  async function look(part: { sheet?: string; header?: HeaderPlace; dataset?: DatasetName | null }) {
    if (!reading.value) return
    const dataset = part.dataset === undefined ? target.value : part.dataset
    isLooking.value = true
    try {
      const seen = await ask<Reading>('POST', `/readings/${reading.value.id}/looks`, {
        body: {
          sheet: part.sheet ?? (reading.value.sheets.length ? reading.value.sheet : undefined),
          header: part.header ?? (part.sheet === undefined ? reading.value.header : undefined),
          dataset: dataset?.id,
        },
      })
      reading.value = { ...seen, seen: reading.value.seen }
      mapping.value = seen.mapping
      target.value = dataset
      mode.value = dataset ? seen.mode : 'add'
      failed.value = ''
    } catch (error) {
      failed.value = says(error)
    } finally {
      isLooking.value = false
    }
  }

  /** Says how a measure is counted, or what is better of it; the one without a name of its own is kept under what it was called at first. */
  function setRule(name: string, rule: MeasureRule) {
    const own = mapping.value.measure ?? 'Amount'
    const key = name === told.value.measure ? own : name
    const measures = { ...mapping.value.measures }
    measures[key] = { ...measures[key], ...rule }
    mapping.value = { ...mapping.value, measures }
  }

  function leaveOut(rows: number[]) {
    mapping.value = { ...mapping.value, leaveOut: [...(mapping.value.leaveOut ?? []), ...rows] }
  }

  function takeAsSame(one: NearName) {
    const known = mapping.value.sameAs ?? {}
    mapping.value = {
      ...mapping.value,
      sameAs: { ...known, [one.breakdown]: { ...known[one.breakdown], [one.name]: one.like } },
    }
  }

  function takeAsDifferent(one: NearName) {
    differs.value = [...differs.value, nearKey(one)]
  }

  async function confirm() {
    if (!reading.value || work.isBusy.value || isLooking.value) return
    failed.value = ''
    const body = { reading: reading.value.id, mapping: told.value }
    try {
      if (target.value) {
        const { id, version } = target.value
        const done = await work.during(() =>
          ask<{ import: Import; dataset: Dataset }>('POST', `/datasets/${id}/imports`, {
            version,
            isShown: true,
            body: { ...body, mode: mode.value },
          }),
        )
        tell(
          `${done.import.name} is in: ${done.import.counts.added.toLocaleString('en-GB')} added, ${done.import.counts.replaced.toLocaleString('en-GB')} replaced.`,
        )
        reading.value = null
        await router.push(`/figures/${id}`)
        return
      }
      const dataset = await work.during(() =>
        ask<Dataset>('POST', '/datasets', {
          isShown: true,
          body: { ...body, name: name.value, organisation: organisation.value || undefined },
        }),
      )
      reading.value = null
      await router.push(
        dataset.isList && !dataset.isStaged ? `/figures/${dataset.id}` : `/charts/new?dataset=${dataset.id}`,
      )
    } catch (error) {
      const theirs = conflict<Dataset>(error)
      if (theirs && target.value) {
        target.value = { ...target.value, version: theirs.version }
        void work.run()
      }
      failed.value = error instanceof Problem && error.status === 409 ? '' : says(error)
    }
  }

  function drop() {
    if (reading.value) void ask('DELETE', `/readings/${reading.value.id}`).catch(() => undefined)
    const back = target.value
    reading.value = null
    void router.push(back ? `/figures/${back.id}` : '/figures')
  }

  return {
    reading,
    mapping,
    target,
    mode,
    name,
    organisation,
    measure,
    asksMeasure,
    near,
    failed,
    isLooking,
    work,
    look,
    setRule,
    leaveOut,
    takeAsSame,
    takeAsDifferent,
    confirm,
    drop,
  }
}

import { computed, ref, shallowRef, toValue, watch, type MaybeRefOrGetter } from 'vue'
import { ask, conflict, says } from '../shared/api'
import type { Fetched, Mapping, Reading, Schedule, Source } from '../shared/contract'
import type { Dataset } from '../shared/types'
import { useLoad } from '../shared/useLoad'
import { useToast } from '../shared/useToast'

/** A source as somebody describes it: what is empty is not told. */
export interface SourceDraft {
  name: string
  kind: Source['kind']
  settings: Record<string, unknown>
  /** null: as it is kept */
  secret: string | null
  mode: Source['mode']
  schedule: Schedule
  takes: Source['takes']
  lookBack: number
}

const zone = () => Intl.DateTimeFormat().resolvedOptions().timeZone || 'UTC'

function empty(): SourceDraft {
  return {
    name: '',
    kind: 'web',
    settings: { address: '', authentication: 'none', pages: 'none' },
    secret: null,
    mode: 'replace periods',
    schedule: { every: 'month', at: '06:30', zone: zone(), days: [], number: 3 },
    takes: 'open periods',
    lookBack: 3,
  }
}

function draftOf(source: Source): SourceDraft {
  const { name, kind, settings, mode, schedule, takes, lookBack } = source
  return {
    name,
    kind,
    settings: { ...(settings as Record<string, unknown>) },
    secret: null,
    mode,
    schedule: { ...schedule },
    takes,
    lookBack,
  }
}

/** A schedule without what its kind does not need. */
function told({ every, at, zone, days, number }: Schedule): Schedule {
  return { every, at, zone, ...(every === 'week' ? { days } : {}), ...(every === 'month' ? { number } : {}) }
}

/**
 * A source that is made or changed.
 *
 * @param id of a source that is kept; null: a new one
 * @param of dataset of a new one
 */
export function useSource(id: MaybeRefOrGetter<number | null>, of: MaybeRefOrGetter<number | null>) {
  const { tell } = useToast()
  const {
    value: source,
    problem: missing,
    reload,
  } = useLoad(
    () => ['sources', 'one', toValue(id)],
    signal => ask<Source>('GET', `/sources/${toValue(id)}`, { signal }),
    { isAsked: () => toValue(id) !== null, refetchEach: 3000 },
  )
  const datasetId = computed(() => toValue(of) ?? source.value?.dataset ?? null)
  const { value: dataset, problem: lost } = useLoad(
    () => ['datasets', datasetId.value],
    signal => ask<Dataset>('GET', `/datasets/${datasetId.value}`, { signal }),
    { isAsked: () => datasetId.value !== null },
  )
  const draft = ref<SourceDraft>(empty())
  const mapping = ref<Mapping | null>(null)
  const reading = shallowRef<Reading | null>(null)
  const trouble = ref('')
  const isBusy = ref(false)
  const kept = ref('')
  const now = computed(() => JSON.stringify([draft.value, mapping.value]))
  const isChanged = computed(() => now.value !== kept.value)
  const problem = computed(() => missing.value || lost.value)

  function take(own: Source) {
    draft.value = draftOf(own)
    mapping.value = own.mapping as unknown as Mapping
    kept.value = now.value
  }
  // What comes again by itself does not take away what is being written.
  watch(
    source,
    (own, before) => {
      if (own && (before?.id !== own.id || before.version !== own.version)) take(own)
    },
    { immediate: true },
  )

  async function run<T>(action: () => Promise<T>): Promise<T | null> {
    trouble.value = ''
    isBusy.value = true
    try {
      return await action()
    } catch (error) {
      const theirs = conflict<Source>(error)
      if (theirs) source.value = theirs
      trouble.value = says(error)
      return null
    } finally {
      isBusy.value = false
    }
  }

  const place = () => ({
    dataset: datasetId.value,
    kind: draft.value.kind,
    settings: draft.value.settings,
    ...(draft.value.secret === null ? {} : { secret: draft.value.secret }),
    ...(source.value ? { source: source.value.id } : {}),
  })

  /** The first rows, and how they would be read; what was said of columns that are still there stays. */
  async function look(): Promise<boolean> {
    const seen = await run(() =>
      ask<Reading>('POST', '/sources/looks', {
        body: { ...place(), schedule: told(draft.value.schedule), lookBack: draft.value.lookBack },
      }),
    )
    if (!seen) return false
    reading.value = seen
    const before = mapping.value?.columns ?? {}
    const columns = Object.fromEntries(
      Object.entries(seen.mapping.columns).map(([name, role]) => [name, before[name] ?? role]),
    )
    mapping.value = mapping.value ? { ...mapping.value, columns } : seen.mapping
    if (draft.value.name === '') draft.value.name = seen.suggestedName
    return true
  }

  /** @returns its number; null where it was refused */
  async function save(): Promise<number | null> {
    const { name, mode, schedule, takes, lookBack, settings, secret, kind } = draft.value
    const body = {
      name,
      settings,
      ...(secret === null ? {} : { secret }),
      mapping: mapping.value,
      mode,
      schedule: told(schedule),
      takes,
      lookBack,
    }
    const own = source.value
    const done = await run(() =>
      own
        ? ask<Source>('PATCH', `/sources/${own.id}`, { version: own.version, body })
        : ask<Source>('POST', '/sources', { body: { ...body, kind, dataset: datasetId.value } }),
    )
    if (!done) return null
    if (own) {
      source.value = done
      take(done)
    }
    tell(own ? 'The changes are kept.' : `${done.name} is kept. Fetch it now, or wait until it is due.`)
    return done.id
  }

  async function fetchNow() {
    const done = await run(() => ask<Fetched>('POST', `/sources/${source.value?.id}/fetches`, { body: {} }))
    if (!done) return
    source.value = done.source
    tell(done.outcome === 'not now' ? 'It is being fetched already.' : done.source.says)
  }

  const remove = () =>
    run(async () => {
      await ask('DELETE', `/sources/${source.value?.id}`)
      tell(`${source.value?.name} is removed. What it brought stays.`)
      return true
    })

  return {
    dataset,
    source,
    draft,
    reading,
    mapping,
    problem,
    trouble,
    isBusy,
    isChanged,
    look,
    save,
    fetchNow,
    remove,
    reload,
  }
}

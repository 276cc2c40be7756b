import { computed, onBeforeUnmount, ref, shallowRef, toValue, watch, type MaybeRefOrGetter } from 'vue'
import { useDocumentVisibility, useEventListener, useIntervalFn } from '@vueuse/core'
import { ask, conflict, says } from '../../shared/api'
import { useToast } from '../../shared/useToast'
import { useTurns } from '../../shared/useTurns'
import type { ReportDocument } from '../document'
import type { Report, ReportPulse } from '../types'

const EVERY = 900

/**
 * A report that is edited: changes show at once and are saved in turn, each on top of whatever others changed meanwhile. Steps
 * back and on are kept by the server.
 *
 * @returns document: as it is here, with what is not saved yet. sign: changes whenever pages may look different.
 *     conflict: paths that somebody else changed as well; null where there are none
 */
export function useReport(id: MaybeRefOrGetter<number>) {
  const report = shallowRef<Report | null>(null)
  const document = shallowRef<ReportDocument | null>(null)
  const problem = ref('')
  const clash = shallowRef<string[] | null>(null)
  const waiting = ref(0)
  const { inTurn, settled } = useTurns()
  const { tell } = useToast()
  const visibility = useDocumentVisibility()
  /** The version that the document here began with. */
  let based = 0
  /** The last change of a name that it knows of. */
  let known: number | undefined
  let isGone = false

  function take(answer: Report) {
    // What was asked for before the last change may come after it.
    if (answer.version < based && answer.id === report.value?.id) return
    report.value = answer
    if (waiting.value) return
    document.value = answer.document
    based = answer.version
    known = answer.names
  }

  async function load() {
    try {
      take(await ask<Report>('GET', `/reports/${toValue(id)}`))
      problem.value = ''
    } catch (error) {
      problem.value = says(error)
    }
  }

  /** @param does what was done, as a sentence without its full stop: undo tells it */
  function edit(change: (of: ReportDocument) => ReportDocument, does: string): Promise<void> {
    if (!document.value) return Promise.resolve()
    const next = change(document.value)
    if (next === document.value) return Promise.resolve()
    document.value = next
    waiting.value++
    return inTurn(() => save(next, does, false))
  }

  async function save(next: ReportDocument, does: string, over: boolean) {
    const from = based
    try {
      const answer = await ask<Report>('PUT', `/reports/${toValue(id)}`, {
        version: from,
        body: { document: next, says: does, over, names: known },
      })
      waiting.value--
      // The next change is built on this one alone: with nobody else's between, it begins with it.
      if (answer.version === from + 1) based = answer.version
      take(answer)
      problem.value = ''
      clash.value = null
    } catch (error) {
      waiting.value--
      const current = conflict<{ paths: string[] }>(error)
      if (current) clash.value = current.paths
      else problem.value = `Not saved: ${says(error)}`
    }
  }

  /** Keeps what was changed here where both changed the same. */
  function putOnTop() {
    const mine = document.value
    if (!mine) return
    waiting.value++
    void inTurn(() => save(mine, 'A change is put on top of another one', true))
  }
  function takeTheirs() {
    clash.value = null
    void load()
  }

  async function step(way: 'undo' | 'redo') {
    await settled()
    try {
      const answer = await ask<ReportPulse & { step: string | null }>('POST', `/reports/${toValue(id)}/${way}`)
      if (answer.step) tell(`${way === 'undo' ? 'Undone' : 'Done again'}: ${answer.step}.`)
      await load()
    } catch (error) {
      problem.value = conflict(error)
        ? 'What this step changed was changed again since. It stays as it is.'
        : says(error)
    }
  }

  /** Something that changes the report besides its document's edits. */
  async function run(action: () => Promise<Report>): Promise<boolean> {
    await settled()
    try {
      take(await action())
      problem.value = ''
      return true
    } catch (error) {
      problem.value = conflict(error)
        ? 'Somebody changed the report meanwhile. Look at it, then try again.'
        : says(error)
      if (conflict(error)) await load()
      return false
    }
  }

  /** Whoever shows it learns within a second that it, its charts or its figures were changed elsewhere. */
  async function beat() {
    if (!report.value || waiting.value || visibility.value === 'hidden') return
    try {
      const pulse = await ask<ReportPulse>('GET', `/reports/${toValue(id)}/pulse`)
      if (isGone || waiting.value || !report.value) return
      if (pulse.version !== report.value.version || pulse.sign !== report.value.sign) await load()
    } catch {
      // What is wrong shows as soon as something is asked for.
    }
  }
  useIntervalFn(beat, EVERY)
  onBeforeUnmount(() => (isGone = true))
  useEventListener(window, 'beforeunload', event => {
    if (waiting.value) event.preventDefault()
  })
  watch(() => toValue(id), load, { immediate: true })

  return {
    report,
    document,
    problem,
    clash,
    isSaving: computed(() => waiting.value > 0),
    sign: computed(() => report.value?.sign ?? ''),
    edit,
    run,
    load,
    settled,
    putOnTop,
    takeTheirs,
    undo: () => step('undo'),
    redo: () => step('redo'),
  }
}

import { afterEach, describe, expect, it, vi } from 'vitest'
import { ref } from 'vue'
import type { ImportMode, Mapping, Reading, Trial } from '../types'
import { useTrial } from './useTrial'

const settle = (ms = 170) => new Promise(resolve => setTimeout(resolve, ms))
const reading = { id: 'r1' } as Reading
const mapping = (measure: string) => ({ columns: {}, decimal: '.', measure }) as unknown as Mapping

/** Answers that come when the test says so; progress is answered at once. */
function server() {
  const waiting: { method: string; body: string; answer: (value: unknown, status?: number) => void }[] = []
  vi.stubGlobal(
    'fetch',
    vi.fn((path: string, { method, body }: RequestInit) => {
      if (path.endsWith('/progress'))
        return Promise.resolve(
          method === 'GET'
            ? new Response(JSON.stringify({ phase: 'reading', done: 8192 }))
            : new Response(null, { status: 204 }),
        )
      return new Promise(resolve =>
        waiting.push({
          method: String(method),
          body: String(body),
          answer: (value, status = 200) => resolve(new Response(JSON.stringify(value), { status })),
        }),
      )
    }),
  )
  return waiting
}

describe('the trial of a reading', () => {
  afterEach(() => vi.unstubAllGlobals())
  const trialOf = () => {
    const told = ref(mapping('Fuel'))
    return {
      told,
      ...useTrial(ref(reading), told, ref({ id: 7, version: 1, name: 'x' }), ref<ImportMode>('replace periods')),
    }
  }

  it('is asked with everything that was answered', async () => {
    const waiting = server()
    trialOf()
    await settle(5)
    expect(JSON.parse(waiting[0]?.body ?? '')).toEqual({
      mapping: mapping('Fuel'),
      dataset: 7,
      mode: 'replace periods',
    })
  })

  it('drops an answer to an older question', async () => {
    const waiting = server()
    const { told, trial } = trialOf()
    await settle(5)
    told.value = mapping('Crew')
    await settle()
    waiting[1]?.answer({ accepted: true, doubts: [], facts: 2 } satisfies Trial)
    await settle(5)
    waiting[0]?.answer({ accepted: true, doubts: [], facts: 1 } satisfies Trial)
    await settle(5)
    expect(trial.value?.facts).toBe(2)
  })

  it('is stale from a change until it was made again', async () => {
    const waiting = server()
    const { told, isStale } = trialOf()
    await settle(5)
    waiting[0]?.answer({ accepted: true, doubts: [] } satisfies Trial)
    await settle(5)
    expect(isStale.value).toBe(false)
    told.value = mapping('Crew')
    expect(isStale.value).toBe(true)
    await settle()
    waiting[1]?.answer({ accepted: true, doubts: [] } satisfies Trial)
    await settle(5)
    expect(isStale.value).toBe(false)
  })

  it('shows how far long work is, and that it was stopped', async () => {
    const waiting = server()
    const { isSlow, isBusy, progress, isStopped, stop, problem } = trialOf()
    await settle(5)
    expect([isBusy.value, isSlow.value]).toEqual([true, false])
    await settle(750)
    expect([isSlow.value, progress.value.done]).toEqual([true, 8192])
    await stop()
    waiting[0]?.answer({ detail: 'It was cancelled. Nothing was kept.' }, 409)
    await settle(5)
    expect([isBusy.value, isSlow.value, isStopped.value, problem.value]).toEqual([false, false, true, ''])
  })

  it('is stopped also where the answer was on its way already', async () => {
    const waiting = server()
    const { trial, isStopped, stop } = trialOf()
    await settle(750)
    await stop()
    waiting[0]?.answer({ accepted: true, doubts: [] } satisfies Trial)
    await settle(5)
    expect([trial.value, isStopped.value]).toEqual([null, true])
  })

  it('says what was refused as a whole', async () => {
    const waiting = server()
    const { trial, problem } = trialOf()
    await settle(5)
    waiting[0]?.answer({ detail: 'No column holds amounts. Say which one does.' }, 422)
    await settle(5)
    expect([trial.value, problem.value]).toEqual([null, 'No column holds amounts. Say which one does.'])
  })
})

import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { effectScope, ref } from 'vue'
import type { Pulse } from './types'
import { usePulse } from './usePulse'

describe('following a dataset', () => {
  let now: Pulse
  const scope = effectScope()
  beforeEach(() => {
    vi.useFakeTimers()
    now = { version: 1, revision: 0, undo: null, redo: null, undoId: 0 }
    vi.stubGlobal(
      'fetch',
      vi.fn(async () => new Response(JSON.stringify(now))),
    )
  })
  afterEach(() => {
    scope.stop()
    vi.useRealTimers()
    vi.unstubAllGlobals()
  })

  it('tells within a second that something was changed elsewhere, once', async () => {
    const changed = vi.fn()
    const { pulse } = effectScope().run(() => usePulse(ref(7), changed)) ?? {}
    await vi.advanceTimersByTimeAsync(10)
    expect([pulse?.value?.version, changed.mock.calls.length]).toEqual([1, 0])
    now = { version: 1, revision: 1, undo: 'North: 1 to 2', redo: null, undoId: 0 }
    await vi.advanceTimersByTimeAsync(900)
    expect([changed.mock.calls.length, pulse?.value?.undo]).toEqual([1, 'North: 1 to 2'])
    await vi.advanceTimersByTimeAsync(3000)
    expect(changed).toHaveBeenCalledTimes(1)
  })

  it('knows what an answer of its own has told, and drops older ones', async () => {
    const changed = vi.fn()
    const { pulse, take } = effectScope().run(() => usePulse(ref(7), changed)) ?? {}
    await vi.advanceTimersByTimeAsync(10)
    take?.({ version: 2, revision: 3, undo: 'a', redo: null, undoId: 0 })
    expect([pulse?.value?.revision, changed.mock.calls.length]).toEqual([3, 1])
    take?.({ version: 1, revision: 2, undo: 'b', redo: null, undoId: 0 })
    expect(pulse?.value?.undo).toBe('a')
  })

  it('asks nothing while there is no dataset', async () => {
    effectScope().run(() => usePulse(ref(null), vi.fn()))
    await vi.advanceTimersByTimeAsync(2000)
    expect(fetch).not.toHaveBeenCalled()
  })
})

import { describe, expect, it, vi } from 'vitest'
import { ref } from 'vue'
import type { Question, Span } from '../types'
import { useGathered } from './useGathered'

const north = { field: 'Route', in: ['North'] }
const holm = { field: 'Route', in: ['Holm'] }
const months: Span = { last: 3, unit: 'month' }
const opened = (question: Question) => {
  const change = vi.fn<(part: Partial<Question>) => void>()
  return { change, ...useGathered(ref(question), ['where', 'span', 'against'], change) }
}

describe('parts of a question', () => {
  it('change at once', () => {
    const { set, change } = opened({ where: [north] })
    set({ where: [holm] })
    expect(change).toHaveBeenCalledExactlyOnceWith({ where: [holm] })
    set({ span: undefined })
    expect(change).toHaveBeenLastCalledWith({ span: undefined })
  })

  it('are gathered, counted field by field, and applied together', () => {
    const { set, change, start, apply, count, shown, isGathering } = opened({ where: [north], span: months })
    start()
    expect([isGathering.value, count.value]).toEqual([true, 0])
    set({ where: [holm, { field: 'Line', in: ['Fuel'] }] })
    expect([count.value, shown.value.where?.length]).toEqual([2, 2])
    set({ span: { previous: 1, unit: 'year' } })
    set({ against: ['BU'] })
    expect(count.value).toBe(4)
    set({ where: [] })
    expect(count.value).toBe(3)
    expect(change).not.toHaveBeenCalled()
    apply()
    const span: Span = { previous: 1, unit: 'year' }
    expect(change).toHaveBeenCalledExactlyOnceWith({ where: undefined, span, against: ['BU'] })
    expect(isGathering.value).toBe(false)
  })

  it('are as they were when what was gathered is dropped', () => {
    const { set, change, start, apply, drop, shown } = opened({ where: [north], span: months })
    start()
    set({ span: undefined, where: [holm] })
    drop()
    expect(shown.value).toEqual({ where: [north], span: months })
    apply()
    expect(change).not.toHaveBeenCalled()
  })
})

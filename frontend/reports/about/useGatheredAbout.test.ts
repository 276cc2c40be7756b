import { describe, expect, it, vi } from 'vitest'
import { ref } from 'vue'
import type { About } from '../document'
import { useGatheredAbout } from './useGatheredAbout'

const span = { months: ['2026-01', '2026-07'] } as never
const where = [{ dimension: 'Route', is: ['North'] }] as never

describe('what a page is about', () => {
  it('changes at once', () => {
    const change = vi.fn()
    const { set } = useGatheredAbout(ref<About>({ span }), change)
    set({ where })
    expect(change).toHaveBeenCalledExactlyOnceWith({ span, where })
    set({ span: undefined })
    expect(change).toHaveBeenLastCalledWith({})
  })

  it('changes once with all that was gathered', () => {
    const change = vi.fn()
    const about = useGatheredAbout(ref<About>({ span }), change)
    about.start()
    expect([about.isGathering.value, about.count.value]).toEqual([true, 0])
    about.set({ where })
    about.set({ against: ['BU'] as never })
    expect(about.count.value).toBe(2)
    expect(about.shown.value).toEqual({ span, where, against: ['BU'] })
    expect(change).not.toHaveBeenCalled()
    about.apply()
    expect(change).toHaveBeenCalledExactlyOnceWith({ span, where, against: ['BU'] })
    expect(about.isGathering.value).toBe(false)
  })

  it('is as it was when what was gathered is dropped', () => {
    const change = vi.fn()
    const about = useGatheredAbout(ref<About>({ span }), change)
    about.start()
    about.set({ span: undefined, where })
    about.drop()
    expect(about.shown.value).toEqual({ span })
    about.apply()
    expect(change).not.toHaveBeenCalled()
  })
})

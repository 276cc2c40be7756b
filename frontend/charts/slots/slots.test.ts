import { describe, expect, it, vi } from 'vitest'
import { nextTick } from 'vue'
import type { Dataset, Filter } from '../../shared/types'
import { mounted, named, opened, text, type } from '../../shared/mounted'
import ClosingControl from '../../shared/ClosingControl.vue'
import MembersSlot from '../../shared/slots/MembersSlot.vue'
import NumbersSlot from './NumbersSlot.vue'

const line = {
  name: 'Line',
  members: ['Income', 'Fares', 'Freight', 'Costs', 'Fuel', 'Crew', 'Rent'],
  parents: { Fares: 'Income', Freight: 'Income', Fuel: 'Costs', Crew: 'Costs' },
  leaves: { Income: ['Fares', 'Freight'], Costs: ['Fuel', 'Crew'] },
}

describe('the slot of members', () => {
  const open = (where: Filter[], onChange = vi.fn(), onGather = vi.fn()) =>
    opened(MembersSlot, { text: 'all', breakdown: line, where, canGather: true, onChange, onGather }).then(root => ({
      root,
      onChange,
      onGather,
    }))

  it('takes one alone out of all, and a whole group at once', async () => {
    const { root, onChange } = await open([])
    named(root, 'Fuel').click()
    named(root, 'Costs').click()
    expect(onChange.mock.calls).toEqual([[[{ field: 'Line', in: ['Fuel'] }]], [[{ field: 'Line', in: ['Costs'] }]]])
  })

  it('adds to what is chosen, takes away from it, and turns it round', async () => {
    const { root, onChange } = await open([{ field: 'Line', in: ['Fuel'] }])
    expect(named(root, '✓Fuel').getAttribute('aria-checked')).toBe('true')
    named(root, 'Crew').click()
    named(root, '✓Fuel').click()
    named(root, 'All but these').click()
    expect(onChange.mock.calls).toEqual([
      [[{ field: 'Line', in: ['Costs'] }]],
      [undefined],
      [[{ field: 'Line', notIn: ['Fuel'] }]],
    ])
  })

  it('finds by typing, and gathers when told', async () => {
    const { root, onGather } = await open([])
    const field = root.querySelector('input[type=search]') as HTMLInputElement
    await type(field, 'fr')
    expect(text(root)).toContain('Freight')
    expect(text(root)).not.toContain('Fuel')
    await type(field, 'zzz')
    expect(text(root)).toContain('Nothing of that name.')
    named(root, 'Gather changes').click()
    expect(onGather).toHaveBeenCalled()
  })
})

describe('the slot of numbers', () => {
  const dataset = {
    breakdowns: [
      { name: 'Completion', isNumeric: true },
      { name: 'Route', isNumeric: false },
    ],
    measures: [
      { name: 'Bookings', grouping: 'sum' },
      { name: 'Rate', grouping: 'ratio' },
    ],
  } as Dataset
  const open = async (where: Filter[]) => {
    const onChange = vi.fn()
    const root = await opened(NumbersSlot, { text: 'whatever the other numbers', dataset, where, onChange })
    const field = (label: string) => root.querySelector(`[aria-label="${label}"]`) as HTMLInputElement
    return { root, field, onChange, submit: () => root.querySelector('form')?.dispatchEvent(new Event('submit')) }
  }

  it('offers what has numbers, and keeps filters of members', async () => {
    const members = { field: 'Route', in: ['North'] }
    const { root, field, onChange, submit } = await open([members, { field: 'Completion', below: '99' }])
    expect(text(root)).not.toMatch(/Rate|Route/)
    expect(field('Completion below').value).toBe('99')
    await type(field('Completion below'), '')
    await type(field('Bookings at least'), '−1.5k')
    submit()
    expect(onChange).toHaveBeenCalledWith([members, { field: 'Bookings', atLeast: '-1500' }])
  })

  it('says what is no number, and changes nothing', async () => {
    const { root, field, onChange, submit } = await open([])
    await type(field('Bookings below'), 'many')
    submit()
    await nextTick()
    expect(text(root)).toContain('"many" is not a number. Write it like 99 or 20k.')
    expect(onChange).not.toHaveBeenCalled()
  })

  it('is no filter where nothing is told', async () => {
    const { field, onChange, submit } = await open([{ field: 'Completion', atLeast: '90' }])
    await type(field('Completion at least'), ' ')
    submit()
    expect(onChange).toHaveBeenCalledWith(undefined)
  })
})

describe('the closing period in the top bar', () => {
  const closing = { label: 'Aug 2026', back: '2026-07', on: null }

  it('moves where there is a period to move to', () => {
    const onMove = vi.fn()
    const root = mounted(ClosingControl, { closing, pinned: false, onMove })
    const [back, on] = [...root.querySelectorAll('button')] as HTMLButtonElement[]
    back?.click()
    expect([onMove.mock.calls[0]?.[0], on?.disabled]).toEqual(['2026-07', true])
    expect(text(root)).toMatch(/^Books closed through.*Aug 2026/)
  })

  it('is pinned and let go again on a chart', () => {
    const onPin = vi.fn()
    named(mounted(ClosingControl, { closing, pinned: false, canPin: true, onPin }), 'Pin').click()
    const pinned = mounted(ClosingControl, { closing, pinned: true, canPin: true, onPin })
    named(pinned, 'Unpin').click()
    expect(onPin.mock.calls).toEqual([[true], [false]])
    expect(text(pinned)).toContain('This chart closed through')
  })
})

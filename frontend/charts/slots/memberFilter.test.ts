import { describe, expect, it } from 'vitest'
import type { Filter } from '../../shared/types'
import { chosenOf, depthOf, filterText, leavesOf, withChosen } from '../../shared/slots/memberFilter'

const line = {
  name: 'Line',
  members: ['Income', 'Fares', 'Freight', 'Costs', 'Fuel', 'Crew', 'Result'],
  parents: { Fares: 'Income', Freight: 'Income', Fuel: 'Costs', Crew: 'Costs' } as Record<string, string>,
  leaves: { Income: ['Fares', 'Freight'], Costs: ['Fuel', 'Crew'] } as Record<string, string[]>,
}
const chosen = (...where: Filter[]) => [...chosenOf(line, where)]
const set = (...members: string[]) => withChosen(line, [], new Set(members))

describe('a filter of members', () => {
  it('takes whole groups apart and puts them together again', () => {
    expect(leavesOf(line, 'Costs')).toEqual(['Fuel', 'Crew'])
    expect([depthOf(line, 'Costs'), depthOf(line, 'Crew')]).toEqual([0, 1])
    expect(chosen({ field: 'Line', in: ['Costs'] })).toEqual(['Fuel', 'Crew'])
    expect(set('Fuel', 'Crew')).toEqual([{ field: 'Line', in: ['Costs'] }])
    expect(set('Fuel')).toEqual([{ field: 'Line', in: ['Fuel'] }])
    expect(set('Fares', 'Freight', 'Fuel')).toEqual([{ field: 'Line', in: ['Income', 'Fuel'] }])
  })

  it('says what is left out where that is shorter', () => {
    expect(set('Fares', 'Freight', 'Fuel', 'Crew')).toEqual([{ field: 'Line', notIn: ['Result'] }])
    expect(chosen({ field: 'Line', notIn: ['Income'] })).toEqual(['Fuel', 'Crew', 'Result'])
  })

  it('is none where all are chosen, or none are', () => {
    expect(chosen()).toEqual(['Fares', 'Freight', 'Fuel', 'Crew', 'Result'])
    expect(set('Fares', 'Freight', 'Fuel', 'Crew', 'Result')).toEqual([])
    expect(set()).toEqual([])
  })

  it('leaves filters of other breakdowns and of numbers alone', () => {
    const others: Filter[] = [
      { field: 'Route', in: ['North'] },
      { field: 'Line', below: '5' },
    ]
    expect(withChosen(line, [...others, { field: 'Line', in: ['Fuel'] }], new Set(['Crew']))).toEqual([
      ...others,
      { field: 'Line', in: ['Crew'] },
    ])
  })

  it('reads as words', () => {
    expect(
      [
        [],
        [{ field: 'Line', in: ['Fuel'] }],
        [{ field: 'Line', in: ['Fuel', 'Crew'] }],
        [{ field: 'Line', in: ['Fuel', 'Crew', 'Fares'] }],
        [{ field: 'Line', notIn: ['Fuel'] }],
      ].map(where => filterText(line, where)),
    ).toEqual(['all of Line', 'Fuel', 'Fuel and Crew', '3 of Line', 'all of Line but Fuel'])
  })
})

import { describe, expect, it } from 'vitest'
import { ref } from 'vue'
import type { Filter, Question } from '../../shared/types'
import { useGathered } from '../chart/useGathered'
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
      ].map((where) => filterText(line, where)),
    ).toEqual(['all of Line', 'Fuel', 'Fuel and Crew', '3 of Line', 'all of Line but Fuel'])
  })
})

describe('changes that are gathered', () => {
  it('are applied together, or dropped', () => {
    const question = ref<Question>({ where: [{ field: 'Route', in: ['North'] }] })
    const told: Partial<Question>[] = []
    const filter = useGathered(question, (part) => told.push(part))
    filter.set([{ field: 'Route', in: ['Holm'] }])
    expect(told).toEqual([{ where: [{ field: 'Route', in: ['Holm'] }] }])
    filter.start()
    filter.set([
      { field: 'Route', in: ['Holm'] },
      { field: 'Line', in: ['Fuel'] },
    ])
    expect([told.length, filter.count.value, filter.where.value.length]).toEqual([1, 2, 2])
    filter.set(undefined)
    expect(filter.count.value).toBe(1)
    filter.apply()
    expect([told[1], filter.isGathering.value]).toEqual([{ where: undefined, span: undefined }, false])
    filter.start()
    filter.set([])
    filter.drop()
    expect([told.length, filter.where.value]).toEqual([2, question.value.where])
  })

  it('hold the span too', () => {
    const question = ref<Question>({ span: { last: 3, unit: 'month' } })
    const told: Partial<Question>[] = []
    const filter = useGathered(question, (part) => told.push(part))
    filter.start()
    filter.setSpan({ previous: 1, unit: 'year' })
    filter.set([{ field: 'Route', in: ['Holm'] }])
    expect([told.length, filter.count.value]).toEqual([0, 2])
    filter.apply()
    expect(told).toEqual([{ where: [{ field: 'Route', in: ['Holm'] }], span: { previous: 1, unit: 'year' } }])
  })
})

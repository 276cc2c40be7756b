import { describe, expect, it } from 'vitest'
import type { WorkingsRow } from '../../shared/types'
import { beside } from './beside'
import { canMove, moved, movedTo } from './rowSteps'

const row = (key: string, depth = 0, role: WorkingsRow['role'] = 'row', panel = ''): WorkingsRow => ({
  ...{ key: panel ? `${panel}/${key}` : key, label: key, role, depth, panel, shown: null },
  ref: panel ? { panel, row: key } : key,
  ...{ cells: {}, effects: {}, only: {}, flags: {}, flagged: false },
})
const lines = [
  row('Fares', 0, 'group'),
  row('Foot', 1),
  row('Cars', 1),
  row('Costs', 0, 'group'),
  row('Fuel', 1),
  row('other', 0, 'other'),
  row('total', 0, 'total'),
]

describe('moving a step', () => {
  const step = (key: string, ref: WorkingsRow['ref'] = key, depth = 0) => ({ ...row(key, depth, 'step'), ref })
  const steps = [
    row('start', 0, 'start'),
    step('A'),
    step('A\\>x', { row: 'x', within: ['A'] }, 1),
    step('B'),
    step('C'),
    row('end', 0, 'end'),
  ]

  it('puts it where another one stands, opened ones with theirs', () => {
    expect(movedTo(steps, 'C', 'A')).toEqual({ sequence: ['C', 'A', 'B'], order: undefined })
    expect(movedTo(steps, 'A', 'C')).toEqual({ sequence: ['B', 'C', 'A'], order: undefined })
    expect(moved(steps, 'B', -1)).toEqual({ sequence: ['B', 'A', 'C'], order: undefined })
  })

  it('leaves totals, steps of opened ones and drivers where they are', () => {
    expect(movedTo(steps, 'start', 'A')).toEqual({})
    expect(canMove(steps, 'A\\>x', 1)).toBe(false)
    const drivers = [step('volume', { sum: 'volume' }), step('mix', { sum: 'mix' })]
    expect(canMove(drivers, 'volume', 1)).toBe(false)
  })
})

describe('moving a row', () => {
  it('changes places with its like, on its own level', () => {
    expect(moved(lines, 'Cars', -1)).toEqual({ sequence: ['Fares', 'Cars', 'Foot', 'Costs', 'Fuel'], order: undefined })
    expect(moved(lines, 'Costs', -1).sequence).toEqual(['Costs', 'Foot', 'Cars', 'Fares', 'Fuel'])
  })

  it('ends with its group, and leaves sums where they are', () => {
    expect([canMove(lines, 'Foot', -1), canMove(lines, 'Cars', 1), canMove(lines, 'Fuel', -1)]).toEqual([
      false,
      false,
      false,
    ])
    expect([canMove(lines, 'Costs', 1), canMove(lines, 'total', -1), canMove(lines, 'other', -1)]).toEqual([
      false,
      false,
      false,
    ])
    expect(moved(lines, 'total', -1)).toEqual({})
  })

  it('moves a member in all of several charts', () => {
    const panels = [row('A', 0, 'row', 'North'), row('B', 0, 'row', 'North'), row('A', 0, 'row', 'Holm')]
    expect(moved(panels, 'North/B', -1).sequence).toEqual(['B', 'A'])
  })
})

describe('a card', () => {
  it('stands right of its mark where there is room, else left, else below, never over it', () => {
    const at = (left: number, right: number) => {
      const style = beside({ left, right, top: 10, bottom: 30, width: 600 }, 200)
      return [style.left, style.top]
    }
    expect(at(100, 130)).toEqual(['142px', '10px'])
    expect(at(500, 540)).toEqual(['288px', '10px'])
    expect(at(50, 560)).toEqual(['360px', '36px'])
  })
})

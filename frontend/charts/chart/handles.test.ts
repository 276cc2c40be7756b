import { describe, expect, it } from 'vitest'
import type { Handle, Question } from '../../shared/types'
import { amountAt, moveOf, placeOf, renamed, stepped } from './handles'

const lying: Handle = {
  of: 'target',
  place: 0,
  label: 'Target',
  amount: '90',
  step: '0.5',
  least: null,
  most: null,
  isHorizontal: true,
  zero: 100,
  perUnit: 4,
  from: 20,
  to: 80,
  centre: null,
  name: null,
}
const ring: Handle = { ...lying, zero: 0, perUnit: 1.8, from: 80, to: 100, centre: [150, 150] }

describe('what is moved on a chart', () => {
  it('is where its amount is, and back', () => {
    expect(placeOf(lying, 90)).toEqual({ x1: 460, y1: 20, x2: 460, y2: 80 })
    expect(amountAt(lying, 463, 50)).toBe('91')
    expect(placeOf({ ...lying, isHorizontal: false, zero: 300, perUnit: -2 }, 50)).toEqual({
      x1: 20,
      y1: 200,
      x2: 80,
      y2: 200,
    })
    expect(amountAt(ring, 150, 20)).toBe('50')
    expect([amountAt(ring, 20, 160), amountAt(ring, 290, 160)]).toEqual(['0', '100'])
    const top = placeOf(ring, 50)
    expect([Math.round(top.x1), Math.round(top.y2)]).toEqual([150, 50])
  })

  it('goes in steps and stays between its neighbours', () => {
    expect(stepped(lying, '90', 3)).toBe('91.5')
    const limit: Handle = { ...lying, of: 'limit', place: 1, amount: '75', step: '5', least: '60', most: '90' }
    expect([stepped(limit, '75', -9), stepped(limit, '75', 9)]).toEqual(['65', '85'])
  })

  it('changes the question, and keeps widths as widths', () => {
    expect(moveOf(lying, '85', {})).toEqual({ target: '85' })
    expect(moveOf({ ...lying, of: 'goal' }, '2500', {})).toEqual({ goal: '2500' })
    const limit: Handle = { ...lying, of: 'limit', place: 1, amount: '75' }
    const limits: Question = { bands: { limits: ['60', '75', '90'], names: ['a', 'b', 'c'] } }
    expect(moveOf(limit, '80', limits)).toEqual({ bands: { limits: ['60', '80', '90'], names: ['a', 'b', 'c'] } })
    expect(moveOf(limit, '80', { bands: { increments: ['60', '15', '15'] } })).toEqual({
      bands: { increments: ['60', '20', '10'] },
    })
    expect(moveOf(limit, '80', { bands: { percentOfTarget: ['90', '100'] } })).toEqual({})
  })

  it('renames one band, also where none had a name of its own', () => {
    const limits = ['low', 'mid', 'high'].map((name, place): Handle => ({ ...lying, of: 'limit', place, name }))
    const [, mid] = limits
    if (!mid) throw new Error('There is no limit')
    const bands = { limits: ['60', '75', '90'] }
    expect(renamed(mid, ' fine ', limits, { bands })).toEqual({ bands: { ...bands, names: ['low', 'fine', 'high'] } })
    const open = { limits: ['60', '75'], names: ['a', 'b', 'c'] }
    expect(renamed(mid, 'x', limits, { bands: open })).toEqual({ bands: { ...open, names: ['a', 'x', 'c'] } })
    expect(renamed(mid, '  ', limits, { bands })).toEqual({})
  })
})

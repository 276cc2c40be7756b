import { describe, expect, it } from 'vitest'
import { messageOf, renewed, reworded } from './message'

const parts = [
  { text: 'Net revenue in Jan–Aug 2026: ' },
  { text: '5,187', row: 'toDate', ref: 'toDate', column: 'shown', is: '5,187', exact: '5187000' },
  { text: ' k EUR, ' },
  { text: '24', row: 'toDate', ref: 'toDate', column: 'variance:BU', is: '+24', exact: '24000' },
  { text: ' above budget.' },
]

describe('a message', () => {
  it('is taken from a statement with the numbers in it', () => {
    const message = messageOf(parts)
    expect(message.text).toBe('Net revenue in Jan–Aug 2026: 5,187 k EUR, 24 above budget.')
    expect(message.numbers?.map(number => number.said)).toEqual(['5,187', '24'])
    expect(messageOf([{ text: 'Flagged: ' }, { text: 'Jul', row: '2026-07' }])).toEqual({ text: 'Flagged: Jul' })
  })

  it('lets go of numbers that are not said any more', () => {
    expect(reworded(messageOf(parts), ' 24 above budget ')).toEqual({
      text: '24 above budget',
      numbers: [{ said: '24', row: 'toDate', column: 'variance:BU', exact: '24000' }],
    })
    expect(reworded(messageOf(parts), 'Ahead')).toEqual({ text: 'Ahead' })
    expect(reworded(messageOf(parts), '  ')).toBeUndefined()
  })

  it('takes the new numbers where they are still in the chart', () => {
    const stale = [
      { said: '24', now: '31', row: 'toDate', ref: 'toDate', column: 'variance:BU', exact: '31000' },
      { said: '5,187', now: 'not in this chart', row: 'toDate', ref: 'toDate', column: 'shown', exact: null },
    ]
    const next = renewed(messageOf(parts), stale)
    expect(next.text).toBe('Net revenue in Jan–Aug 2026: 5,187 k EUR, 31 above budget.')
    expect(next.numbers?.map(number => number.exact)).toEqual(['5187000', '31000'])
  })
})

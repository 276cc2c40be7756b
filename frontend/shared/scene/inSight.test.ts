import { describe, expect, it } from 'vitest'
import type { Mark } from '../types'
import { inSight, reaches } from './inSight'

const rows = (count: number): Mark[] => [
  {
    type: 'group',
    role: 'labels',
    marks: Array.from({ length: count }, (_, i): Mark => ({
      type: 'text',
      x: 0,
      y: 20 * i,
      text: String(i),
      size: 11,
    })),
  },
]

describe('marks in sight', () => {
  it('are those between two heights, of whatever shape', () => {
    const shown = inSight(reaches(rows(1000)), 400, 600)
    expect(shown[0]?.marks?.map((mark) => mark.text)).toEqual([
      '20',
      '21',
      '22',
      '23',
      '24',
      '25',
      '26',
      '27',
      '28',
      '29',
      '30',
    ])
    const shapes: Mark[] = [
      { type: 'rect', x: 0, y: 0, width: 5, height: 1000 },
      { type: 'line', x1: 0, y1: 900, x2: 0, y2: 10 },
      { type: 'circle', x: 0, y: 395, radius: 6 },
      {
        type: 'path',
        points: [
          [0, 10],
          [0, 399],
        ],
      },
      { type: 'rect', x: 0, y: 601, width: 5, height: 10 },
    ]
    expect(inSight(reaches(shapes), 400, 600).map((mark) => mark.type)).toEqual(['rect', 'line', 'circle'])
  })
})

import { describe, expect, it } from 'vitest'
import type { Mark } from '../types'
import { inSight, layers } from './inSight'

const BAND = 200
const marksBetween = (group: Mark, top: number, bottom: number) =>
  layers([group], BAND).flatMap(layer => inSight(layer, BAND, top, bottom).flatMap(part => part.marks))

describe('marks in sight', () => {
  it('are those of the bands between two heights, and whatever is higher than a band', () => {
    const marks: Mark[] = [
      { type: 'rect', x: 0, y: 0, width: 5, height: 1000 },
      { type: 'line', x1: 0, y1: 900, x2: 0, y2: 10 },
      { type: 'circle', x: 0, y: 405, radius: 6 },
      {
        type: 'path',
        points: [
          [0, 10],
          [0, 150],
        ],
      },
      { type: 'text', x: 0, y: 590, text: 'North', size: 11 },
      { type: 'rect', x: 0, y: 801, width: 5, height: 10 },
    ]
    const shown = marksBetween({ type: 'group', role: 'values', marks }, 400, 600)
    expect(shown.map(mark => mark.type)).toEqual(['rect', 'line', 'circle', 'text'])
  })

  it('stay the same objects as the window moves on, so that only what is new is put on the page', () => {
    const marks = Array.from({ length: 100 }, (_, i): Mark => ({
      type: 'text',
      x: 0,
      y: 20 * i,
      text: `${i}`,
      size: 11,
    }))
    const [layer] = layers([{ type: 'group', role: 'labels', marks }], BAND)
    if (!layer) throw new Error('There is one layer.')
    const before = new Map(inSight(layer, BAND, 400, 1000).map(part => [part.key, part.marks]))
    const after = inSight(layer, BAND, 600, 1200)
    const added = after.filter(part => before.get(part.key) !== part.marks)
    expect(added).toHaveLength(1)
  })

  it('miss nothing that reaches into the window, each once', () => {
    let state = 7
    const upTo = (most: number) => (state = (state * 48271) % 2147483647) % most
    for (let round = 0; round < 100; round++) {
      const marks = Array.from({ length: upTo(60) }, (): Mark => ({
        type: 'rect',
        x: 0,
        y: upTo(5000),
        width: 1,
        height: upTo(900),
      }))
      const top = upTo(5000)
      const bottom = top + upTo(1500)
      const shown = marksBetween({ type: 'group', role: 'values', marks }, top, bottom)
      expect(new Set(shown).size).toBe(shown.length)
      for (const mark of marks) {
        const [from, to] = [mark.y ?? 0, (mark.y ?? 0) + (mark.height ?? 0)]
        if (to >= top && from <= bottom) expect(shown).toContain(mark)
      }
    }
  })
})

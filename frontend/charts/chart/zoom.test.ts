import { expect, test } from 'vitest'
import { zoomOf } from './zoom'

test('charts in narrow rooms are as large as their points, in wide ones their text is of 13 pixels', () => {
  expect([360, 900, 1100].map(zoomOf)).toEqual([1, 1, 1])
  expect(11 * zoomOf(1300)).toBeCloseTo(12)
  expect([1500, 1600].map(width => 11 * zoomOf(width))).toEqual([13, 13])
})

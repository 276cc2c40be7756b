import { expect, test } from 'vitest'
import { read, written } from './bands'

test('numbers and names of bands are read as they are written', () => {
  expect(read('limits', '60, 75, 90', '')).toEqual({ limits: ['60', '75', '90'] })
  expect(read('increments', '60; 15; 15', 'poor, fair, good')).toEqual({
    increments: ['60', '15', '15'],
    names: ['poor', 'fair', 'good'],
  })
  expect(read('limits', '250k, 1,200,000', 'low, mid, high')).toEqual({
    limits: ['250000', '1200000'],
    names: ['low', 'mid', 'high'],
  })
})

test('what are no bands says so', () => {
  expect(read('limits', '60, x', '')).toContain('"x" is not a number')
  expect(read('limits', '60', '')).toContain('two to five')
  expect(read('limits', '', 'a, b')).toContain('two to five')
  expect(read('limits', '1, 2, 3, 4, 5, 6', '')).toContain('two to five')
  expect(read('limits', '60, 75', 'a, b, c, d')).toContain('2 numbers and 4 names')
})

test('what was read is written back', () => {
  const bands = { percentOfTarget: ['90', '100'], names: ['short', 'near', 'there'] }
  const fields = written(bands)
  expect(read(fields.form, fields.numbers, fields.names)).toEqual(bands)
  expect(written(undefined)).toEqual({ form: 'limits', numbers: '', names: '' })
})

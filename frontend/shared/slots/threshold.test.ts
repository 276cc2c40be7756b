import { describe, expect, it } from 'vitest'
import { thresholdDigits } from './threshold'

describe('a threshold', () => {
  it.each([
    ['5', '5'],
    ['2.5', '2.5'],
    ['20k', '20000'],
    ['1.5k', '1500'],
    ['1.25 m', '1250000'],
    ['0.0005k', '0.5'],
    ['20,000', '20000'],
    ['1bn', '1000000000'],
    ['5 %', '5'],
    ['.5', '0.5'],
    ['0', '0'],
  ])('reads %s as %s, without a detour through floating point', (text, digits) =>
    expect(thresholdDigits(text)).toBe(digits),
  )

  it.each(['', 'much', '-5', '1.2.3', '5x', 'k'])('refuses %j', text => expect(thresholdDigits(text)).toBeNull())
})

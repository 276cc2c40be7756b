import { describe, expect, it } from 'vitest'
import { folded, holds } from './search'

describe('what is sought', () => {
  it.each([
    ['North', 'north'],
    ['ÖRESUND', 'oresund'],
    ['O\u0308resund', 'oresund'],
    ['Straße', 'strasse'],
    ['Øst, Ærø, Łódź', 'ost, aero, lodz'],
    ['日本 50 %', '日本 50 %'],
  ])('is without case and marks (%s)', (text, plain) => expect(folded(text)).toBe(plain))

  it('may be empty, and is found anywhere', () => {
    expect([holds('Öresund', ''), holds('Line Öresund', ' ORES '), holds('North', 'oresund')]).toEqual([
      true,
      true,
      false,
    ])
  })
})

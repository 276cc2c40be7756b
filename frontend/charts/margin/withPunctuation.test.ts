import { expect, test } from 'vitest'
import { withPunctuation } from './withPunctuation'

test('brackets, commas and stops stay with the number that they stand at', () => {
  const parts = [
    { text: 'Most: ' },
    { text: 'Fuel', row: 'Fuel' },
    { text: ' (' },
    { text: '−213', row: 'Fuel', column: 'change' },
    { text: ', ' },
    { text: '79.9', row: 'Fuel' },
    { text: ' %).' },
  ]
  const pieces = withPunctuation(parts)
  expect(pieces.map(({ before, text, after }) => [before, text, after])).toEqual([
    ['', 'Most: ', ''],
    ['', 'Fuel', ''],
    ['', ' ', ''],
    ['(', '−213', ','],
    ['', ' ', ''],
    ['', '79.9', ''],
    ['', ' %).', ''],
  ])
  const said = pieces.map(({ before, text, after }) => before + text + after).join('')
  expect(said).toBe(parts.map(part => part.text).join(''))
})

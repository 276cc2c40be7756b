import { beforeEach, describe, expect, it } from 'vitest'
import type { LiveNumber } from '../document'
import { readParts, writeParts } from './editable'

const follows: LiveNumber = { said: '48', of: 'b1', column: 'variance', exact: '48.2' }
const stays: LiveNumber = { ...follows, said: '175', follows: false }

describe('a text that is edited', () => {
  let box: HTMLElement
  beforeEach(() => (box = document.createElement('div')))

  it('shows what follows as it is now, what stays as it was said, and is read back as it was', () => {
    const text = ['Fares rose by ', follows, ' after ', stays, ' <b>in</b> July']
    const numbers = writeParts(box, text, () => '51')
    expect(box.textContent).toBe('Fares rose by 51 after 175 <b>in</b> July')
    expect(box.querySelectorAll('b')).toHaveLength(0)
    expect(box.querySelectorAll('[data-follows="false"]')).toHaveLength(1)
    expect(readParts(box, numbers)).toEqual(text)
  })

  it('says a number that is not known now as it was said', () => {
    writeParts(box, [follows], () => undefined)
    expect(box.textContent).toBe('48')
  })

  it('numbers later pieces from a place on', () => {
    writeParts(box, [follows, stays], () => undefined, 3)
    expect([...box.querySelectorAll('span')].map(piece => piece.dataset.number)).toEqual(['3', '4'])
  })

  it('reads lines however the browser makes them, and numbers that it does not know as text', () => {
    box.innerHTML =
      'One<br>two<div>three</div><div>four <span data-number="0">x</span></div><span data-number="9">y</span>'
    expect(readParts(box, [follows]).join('')).toBe(`One\ntwo\nthree\nfour ${String(follows)}y`)
  })

  it('takes spaces that may not break as spaces', () => {
    box.append('a\u00a0b')
    expect(readParts(box, [])).toEqual(['a b'])
  })
})

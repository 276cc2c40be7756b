import { describe, expect, it } from 'vitest'
import { createApp } from 'vue'
import type { Mark } from '../types'
import { inks } from '../notation'
import SceneMarks from './SceneMarks.vue'

function drawn(marks: Mark[]): Element {
  const svg = document.createElementNS('http://www.w3.org/2000/svg', 'svg')
  createApp(SceneMarks, { marks, prefix: 'p-', inks }).mount(svg)
  return svg
}

describe('a scene on the screen', () => {
  it('draws each primitive as the renderer does', () => {
    const svg = drawn([
      {
        type: 'group',
        role: 'values',
        marks: [
          {
            type: 'rect',
            x: 1,
            y: 2,
            width: 3,
            height: 4,
            fill: 'hatch-ink',
            stroke: 'ink',
            key: '2026-01',
            role: 'value',
          },
          { type: 'line', x1: 1, y1: 2, x2: 3, y2: 4, stroke: 'accent', thickness: 1.2, dash: '1.5 3' },
          {
            type: 'path',
            points: [
              [0, 0],
              [1, 1],
            ],
            stroke: 'ink',
          },
          {
            type: 'path',
            points: [
              [0, 0],
              [1, 1],
              [2, 0],
            ],
            fill: 'prior-year',
          },
          { type: 'circle', x: 7, y: 8, radius: 3, fill: 'panel', stroke: 'ink', thickness: 1.4 },
          { type: 'text', x: 5, y: 6, text: '<b>781</b>', size: 11, fill: 'ink', anchor: 'middle', weight: 600 },
        ],
      },
    ])
    const [rect, line, open, closed, circle, text] = [...(svg.querySelector('g.values')?.children ?? [])]
    expect(rect?.getAttribute('fill')).toBe('url(#p-hatch-ink)')
    expect(rect?.getAttribute('stroke')).toBe('#23272E')
    expect(rect?.getAttribute('data-key')).toBe('2026-01')
    expect(line?.getAttribute('stroke-dasharray')).toBe('1.5 3')
    expect(open?.getAttribute('d')).toBe('M0 0L1 1')
    expect(open?.getAttribute('fill')).toBe('none')
    expect(closed?.getAttribute('d')).toBe('M0 0L1 1L2 0Z')
    expect(['cx', 'cy', 'r', 'fill'].map(name => circle?.getAttribute(name))).toEqual(['7', '8', '3', '#FFFFFF'])
    expect(text?.textContent).toBe('<b>781</b>')
    expect(text?.children).toHaveLength(0)
  })

  it('lets no name or text out of its place', () => {
    const evil = '"><script>alert(1)</script><g x="'
    const svg = drawn([
      { type: 'text', x: 1, y: 1, text: evil, key: evil, role: evil, fill: 'ink' },
      { type: 'group', role: evil, marks: [{ type: 'rect', x: 1, y: 1, key: evil, of: evil }] },
    ])
    expect(svg.querySelector('script')).toBeNull()
    expect(svg.querySelector('text')?.getAttribute('data-key')).toBe(evil)
    expect(svg.querySelector('rect')?.getAttribute('data-of')).toBe(evil)
  })
})

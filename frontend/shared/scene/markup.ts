import type { Mark } from '../types'
import { chartFont, hatches, serifFont, serifWeight } from '../notation'

type Attribute = string | number | undefined

const ESCAPES: Record<string, string> = { '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;', "'": '&#39;' }
const escaped = (text: string) => (/[&<>"']/.test(text) ? text.replace(/[&<>"']/g, sign => ESCAPES[sign] ?? '') : text)

/** Marks of a scene as SVG. A table has thousands of them, which a browser reads far faster than a page can make them. */
export function markup(marks: Mark[], prefix: string, inks: Record<string, string>): string {
  const paint = (name: string | undefined) => {
    if (!name) return 'none'
    return hatches.includes(name) ? `url(#${prefix}${name})` : (inks[name] ?? 'none')
  }
  const tag = (name: string, mark: Mark, attributes: Record<string, Attribute>, content = '') => {
    const told = { ...attributes, 'data-key': mark.key, 'data-role': mark.role, 'data-of': mark.of }
    let written = ''
    for (const [key, value] of Object.entries(told))
      if (value !== undefined) written += ` ${key}="${typeof value === 'number' ? value : escaped(value)}"`
    return `<${name}${written}>${content}</${name}>`
  }
  const line = (mark: Mark) => ({ stroke: paint(mark.stroke), 'stroke-width': mark.thickness })
  const one = (mark: Mark): string => {
    switch (mark.type) {
      case 'group':
        return `<g class="${escaped(mark.role ?? '')}">${(mark.marks ?? []).map(one).join('')}</g>`
      case 'rect': {
        const { x, y, width, height } = mark
        return tag('rect', mark, { x, y, width, height, fill: paint(mark.fill), stroke: paint(mark.stroke) })
      }
      case 'line': {
        const { x1, y1, x2, y2 } = mark
        return tag('line', mark, { x1, y1, x2, y2, ...line(mark), 'stroke-dasharray': mark.dash })
      }
      case 'circle':
        return tag('circle', mark, { cx: mark.x, cy: mark.y, r: mark.radius, fill: paint(mark.fill), ...line(mark) })
      case 'path':
        return tag('path', mark, { d: path(mark), fill: paint(mark.fill), ...line(mark) })
      default:
        return tag(
          'text',
          mark,
          {
            x: mark.x,
            y: mark.y,
            'font-size': mark.size,
            'font-weight': mark.weight,
            'text-anchor': mark.anchor,
            fill: paint(mark.fill),
            'font-family': mark.weight === serifWeight ? serifFont : chartFont,
          },
          escaped(mark.text ?? ''),
        )
    }
  }
  return marks.map(one).join('')
}

/** A polygon where it has a fill, an open line where it has none. */
function path(mark: Mark): string {
  return `M${(mark.points ?? []).map(point => point.join(' ')).join('L')}${mark.fill ? 'Z' : ''}`
}

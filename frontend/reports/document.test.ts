import { describe, expect, it } from 'vitest'
import {
  blocksOf,
  findBlock,
  moved,
  textOf,
  withBlock,
  withBlockAt,
  withBlockIn,
  withBlockMoved,
  withPageMoved,
  withRow,
  withRowMoved,
  withSecondPage,
  type Block,
  type LiveNumber,
  type ReportDocument,
} from './document'

const block = (id: string): Block => ({ id, text: id })
/** Two pages: rows "a b", "c" and "d e f g"; and one of "h". */
const pack: ReportDocument = {
  keenMargin: 1,
  report: 'Pack',
  pages: [
    {
      id: 'p1',
      title: 'First',
      about: { span: { months: ['2026-01', '2026-07'] } as never },
      rows: [
        { id: 'r1', blocks: [block('a'), block('b')] },
        { id: 'r2', blocks: [block('c')] },
        { id: 'r3', blocks: [block('d'), block('e'), block('f'), block('g')] },
      ],
    },
    { id: 'p2', rows: [{ id: 'r4', blocks: [block('h')] }] },
  ],
}
/** Pages as text: rows by " | ", pages by " || ". */
const laid = (of: ReportDocument) =>
  (of.pages ?? [])
    .map(page => (page.rows ?? []).map(row => row.blocks.map(one => one.id).join(' ')).join(' | '))
    .join(' || ')
const ids = (of: ReportDocument) => (of.pages ?? []).flatMap(blocksOf).map(one => one.id)
const number: LiveNumber = { said: '48', of: 'b1', column: 'variance', exact: '48.2' }

describe('a text with numbers', () => {
  it('is plain where it has none, and joins what stands side by side', () => {
    expect(textOf(['Fares ', 'rose'])).toBe('Fares rose')
    expect(textOf(['Fares rose by ', '', number, ' k', 'EUR'])).toEqual(['Fares rose by ', number, ' kEUR'])
    expect(textOf(['', ''])).toBeUndefined()
  })
})

describe('blocks and rows', () => {
  it('are found, changed and taken away, with the row that is left empty', () => {
    expect(findBlock(pack, 'c')?.row.id).toBe('r2')
    expect(findBlock(pack, 'nothing')).toBeNull()
    expect(laid(withBlock(pack, 'c', () => null))).toBe('a b | d e f g || h')
    const wider = withBlock(pack, 'a', one => ({ ...one, width: 2 }))
    expect(findBlock(wider, 'a')?.block.width).toBe(2)
    expect(findBlock(pack, 'a')?.block.width).toBeUndefined()
  })

  it('are added at the top, after a row, or in a row that has room', () => {
    expect(laid(withRow(pack, 'p1', null, block('x')))).toBe('x | a b | c | d e f g || h')
    expect(laid(withRow(pack, 'p1', 'r2', block('x')))).toBe('a b | c | x | d e f g || h')
    expect(laid(withBlockIn(pack, 'r2', block('x')))).toBe('a b | c x | d e f g || h')
    expect(laid(withBlockIn(pack, 'r3', block('x')))).toBe(laid(pack))
  })

  it.each([
    ['a', 'right', 'b a | c | d e f g || h'],
    ['a', 'left', 'a b | c | d e f g || h'],
    ['a', 'down', 'b | a | c | d e f g || h'],
    ['b', 'up', 'b | a | c | d e f g || h'],
    ['c', 'up', 'a b c | d e f g || h'],
    // The row below is full: past it, in a row of its own.
    ['c', 'down', 'a b | d e f g | c || h'],
    ['d', 'down', 'a b | c | e f g | d || h'],
    ['h', 'up', 'a b | c | d e f g || h'],
    ['h', 'down', 'a b | c | d e f g || h'],
  ] as const)('%s goes %s', (id, way, expected) => {
    expect(laid(withBlockMoved(pack, id, way))).toBe(expected)
  })

  it('are put before another block, also on another page, where there is room', () => {
    expect(laid(withBlockAt(pack, 'c', 'r1', 'b'))).toBe('a c b | d e f g || h')
    expect(laid(withBlockAt(pack, 'h', 'r2', null))).toBe('a b | c h | d e f g || ')
    expect(laid(withBlockAt(pack, 'h', 'r3', 'd'))).toBe(laid(pack))
    expect(laid(withBlockAt(pack, 'g', 'r3', 'd'))).toBe('a b | c | g d e f || h')
    expect(laid(withBlockAt(pack, 'a', 'r1', 'a'))).toBe(laid(pack))
  })

  it('are neither lost nor doubled, nor five in a row, whatever is moved', () => {
    let at = 7
    const next = (of: number) => (at = (at * 1103515245 + 12345) % 2147483648) % of
    let report = pack
    for (let step = 0; step < 400; step++) {
      const all = ids(report)
      const id = all[next(all.length)] as string
      const rows = (report.pages ?? []).flatMap(page => page.rows ?? [])
      const row = rows[next(rows.length)]
      const ways = ['left', 'right', 'up', 'down'] as const
      const page = findBlock(report, id)?.page.id ?? ''
      report = [
        () => withBlockMoved(report, id, ways[next(4)] ?? 'up'),
        () => withBlockAt(report, id, row?.id ?? '', row?.blocks[0]?.id ?? null),
        () => withRowMoved(report, page, findBlock(report, id)?.row.id ?? '', next(5) - 2),
        () => withPageMoved(report, page, next(3) - 1),
      ][next(4)]?.() as ReportDocument
      expect(ids(report).sort()).toEqual(['a', 'b', 'c', 'd', 'e', 'f', 'g', 'h'])
      for (const one of (report.pages ?? []).flatMap(page => page.rows ?? [])) {
        expect(one.blocks.length).toBeGreaterThan(0)
        expect(one.blocks.length).toBeLessThanOrEqual(4)
      }
    }
  })
})

describe('pages', () => {
  it('move as far as there is room', () => {
    expect(moved(['x', 'y'], 0, 5)).toEqual(['y', 'x'])
    expect(moved(['x', 'y'], -1, 1)).toEqual(['x', 'y'])
    expect(laid(withPageMoved(pack, 'p2', -3))).toBe('h || a b | c | d e f g')
    expect(laid(withRowMoved(pack, 'p1', 'r3', -1))).toBe('a b | d e f g | c || h')
  })

  it('that are too full go on on a second one about the same', () => {
    const second = withSecondPage(pack, 'p1', 'r3')
    expect(laid(second)).toBe('a b | c || d e f g || h')
    expect(second.pages?.[1]).toMatchObject({ title: 'First, continued', about: pack.pages?.[0]?.about })
    expect(laid(withSecondPage(pack, 'p1', 'r1'))).toBe(laid(pack))
  })
})

import { describe, expect, it } from 'vitest'
import type { WorkingsTable } from '../../shared/types'
import { tableText } from '../../shared/clipboard'
import { copied, size, sorted } from './tableText'

const row = (key: string, cell: string, role: 'row' | 'total' | 'group' = 'row') => ({
  ...{ key, ref: key, label: key, role, depth: 0, panel: '', shown: null },
  ...{ cells: { AC: cell }, effects: {}, only: {}, flags: {}, flagged: false },
})
const table: WorkingsTable = {
  more: 0,
  unit: 'k',
  rowsAre: 'Route',
  columns: [{ id: 'AC', head: 'AC', rule: '', reference: null }],
  rows: [
    row('North', '1,204.5'),
    row('Holm', '−3'),
    row('Outer', 'missing'),
    row('Sound', '20'),
    row('All', '9', 'total'),
  ],
  sums: [
    { key: 'total', label: 'Total', cells: { AC: '9' } },
    { key: 'landing', label: 'Year with forecast', cells: { AC: '12' } },
  ],
}
const keys = (rows: WorkingsTable['rows']) => rows.map(one => one.key)

describe('the table of the workings', () => {
  it.each([
    ['1,204.5', 1204.5],
    ['1.204,5', 1204.5],
    ['1 204,5', 1204.5],
    ['1,204', 1204],
    ['−3', -3],
    ['+0.2', 0.2],
    ['12.5', 12.5],
    ['–', null],
    ['missing', null],
    ['', null],
  ])('reads %s as a number', (written, number) => {
    expect(size(written)).toBe(number)
  })

  it('is sorted by a column, what is missing last, and sums after all', () => {
    expect(keys(sorted(table.rows, { column: 'AC', isDown: true }))).toEqual(['North', 'Sound', 'Holm', 'Outer', 'All'])
    expect(keys(sorted(table.rows, { column: 'AC', isDown: false }))).toEqual([
      'Holm',
      'Sound',
      'North',
      'Outer',
      'All',
    ])
    expect(keys(sorted(table.rows, { column: '', isDown: false }))).toEqual(['Holm', 'North', 'Outer', 'Sound', 'All'])
    expect(sorted(table.rows, null)).toBe(table.rows)
  })

  it('is copied as a block with a plain minus sign, a total once', () => {
    const text = tableText(copied(table, table.rows))
    expect(text.split('\n')[0]).toBe('Route\tAC')
    expect(text).toContain('Holm\t-3')
    expect(text.split('\n').slice(-2)).toEqual(['All\t9', 'Year with forecast\t12'])
    expect(copied(table, table.rows.slice(0, 1)).rows).toEqual([{ label: 'North', cells: ['1,204.5'], isSum: false }])
  })
})

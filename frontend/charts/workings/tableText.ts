import type { CopiedTable } from '../../shared/clipboard'
import type { WorkingsTable } from '../../shared/types'

/** How a column of the workings is sorted: by its numbers, up or down; not at all keeps the chart's order. */
export interface Sorting {
  column: string
  isDown: boolean
}

type Row = WorkingsTable['rows'][number]

/** A written number as one that can be compared; nothing for what is missing. */
export function size(written: string | undefined): number | null {
  if (!written || !/\d/.test(written)) return null
  const plain = written.replace('−', '-').replace(/[^\d.,-]/g, '')
  // The last sign of both is the decimal one where it is not followed by three digits.
  const decimal = /[.,](?!\d{3}(?:[.,]|$))\d*$/.exec(plain)
  const whole = (decimal ? plain.slice(0, decimal.index) : plain).replace(/[.,]/g, '')
  return Number(`${whole}${decimal ? `.${decimal[0].slice(1)}` : ''}`)
}

/** Rows by the numbers of a column; sums stay at the end, and what is missing comes before them. */
export function sorted(rows: Row[], by: Sorting | null): Row[] {
  if (!by) return rows
  const parts = rows.filter(row => row.role === 'row' || row.role === 'other')
  const sums = rows.filter(row => row.role !== 'row' && row.role !== 'other')
  const value = (row: Row) => (by.column === '' ? row.label : size(row.cells[by.column]))
  const compared = [...parts].sort((a, b) => {
    const [one, other] = [value(a), value(b)]
    if (one === null || other === null) return (one === null ? 1 : 0) - (other === null ? 1 : 0)
    const order =
      typeof one === 'string' ? one.localeCompare(String(other), 'en', { numeric: true }) : one - (other as number)
    return by.isDown ? -order : order
  })
  return [...compared, ...sums]
}

/** The table as it is copied: rows in the given order, and the sums below them where all rows are there. */
export function copied(table: WorkingsTable, rows: Row[], caption = ''): CopiedTable {
  const cells = (of: Record<string, string>) => table.columns.map(column => of[column.id] ?? '')
  const isWhole = rows.length >= table.rows.length
  return {
    caption,
    heads: [table.rowsAre, ...table.columns.map(column => column.head)],
    rows: [
      ...rows.map(row => ({ label: row.label, cells: cells(row.cells), isSum: isSum(row.role) })),
      ...(isWhole ? sumsBelow(table) : []).map(sum => ({ label: sum.label, cells: cells(sum.cells), isSum: true })),
    ],
  }
}

export const isSum = (role: string) => ['group', 'total', 'landing'].includes(role)

/** Sums that are no rows already. */
export function sumsBelow(table: WorkingsTable) {
  const hasTotal = table.rows.some(row => row.role === 'total')
  return table.sums.filter(sum => sum.key !== 'total' || !hasTotal)
}

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
  const parts = rows.filter((row) => row.role === 'row' || row.role === 'other')
  const sums = rows.filter((row) => row.role !== 'row' && row.role !== 'other')
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

/** The table as text that other programs take as cells. */
export function block(table: WorkingsTable, rows: Row[]): string {
  const line = (cells: string[]) => cells.map((cell) => cell.replace(/[\t\r\n]+/g, ' ').replace('−', '-')).join('\t')
  const hasTotal = table.rows.some((row) => row.role === 'total')
  return [
    line([table.rowsAre, ...table.columns.map((column) => column.head)]),
    ...rows.map((row) => line([row.label, ...table.columns.map((column) => row.cells[column.id] ?? '')])),
    ...table.sums
      .filter((sum) => sum.key !== 'total' || !hasTotal)
      .map((sum) => line([sum.label, ...table.columns.map((column) => sum.cells[column.id] ?? '')])),
  ].join('\n')
}

/** Sums that are no rows already. */
export function sumsBelow(table: WorkingsTable) {
  const hasTotal = table.rows.some((row) => row.role === 'total')
  return table.sums.filter((sum) => sum.key !== 'total' || !hasTotal)
}

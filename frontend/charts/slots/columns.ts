import type { Dataset, Question } from '../../shared/types'

type Columns = NonNullable<Question['columns']>
export type TableColumn = Columns[number]
type Form = 'number' | 'bar' | 'pin' | 'progress' | 'line'

export const nameOf = (column: TableColumn) => (typeof column === 'string' ? column : column.column)
const isVariance = (name: string) => name.startsWith('Δ')
const isPercent = (name: string) => name.endsWith(' %')

/** Ways to draw a column, the usual one first. */
export function formsOf(name: string): [Form, ...Form[]] {
  if (name === 'progress') return ['progress', 'number']
  if (name === 'trend') return ['line']
  if (isVariance(name)) return isPercent(name) ? ['pin', 'number'] : ['bar', 'number']
  return ['number', 'bar']
}
export function formOf(column: TableColumn): Form {
  return (typeof column === 'string' ? undefined : column.as) ?? formsOf(nameOf(column))[0]
}
export function drawnAs(column: TableColumn, form: string): TableColumn {
  const name = nameOf(column)
  return form === formsOf(name)[0] ? name : { column: name, as: form as Form }
}

/** All columns that the figures can have. */
export function columnsOf(dataset: Dataset, question: Question): string[] {
  const shown = question.scenario ?? 'AC'
  const others = dataset.references.map(reference => reference.code as string).filter(code => code !== shown)
  return [
    shown,
    ...others.flatMap(code => [code, `Δ${code}`, `Δ${code} %`]),
    'share',
    'progress',
    ...(dataset.grains.length ? ['trend'] : []),
  ]
}

/** The columns of a table that nobody has chosen any for. */
export function usualColumns(question: Question, isOverTime: boolean): string[] {
  const [first, second] = question.against ?? []
  return [
    question.scenario ?? 'AC',
    ...(first ? [first, `Δ${first}`, `Δ${first} %`] : ['share']),
    ...(second ? [`Δ${second}`, `Δ${second} %`] : []),
    ...(isOverTime ? [] : ['trend']),
  ]
}
export function moved(columns: TableColumn[], at: number, by: number): TableColumn[] {
  const list = [...columns]
  const [one] = list.splice(at, 1)
  if (one) list.splice(Math.max(0, Math.min(list.length, at + by)), 0, one)
  return list
}

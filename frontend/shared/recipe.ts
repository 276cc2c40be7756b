import type { Mark } from './scene'

/** What a chart asks and how it is drawn, as docs/recipe.schema.json has it; amounts are decimal strings. */
export type Scenario = 'AC' | 'BU' | 'FC' | 'TG' | 'PY'
export type Grain = 'day' | 'week' | 'month' | 'quarter' | 'half-year' | 'year'
export type Effect = 'favourable' | 'unfavourable' | 'neutral'

export type Span =
  | { from: string; to: string }
  | { last: number; unit: Grain }
  | { previous: number; unit: Grain }
  | 'year to date'
  | 'rest of year'

/** Members of a breakdown, or sizes of a measure or of a breakdown whose members are numbers. */
export interface Filter {
  field: string
  in?: string[]
  notIn?: string[]
  below?: string
  atLeast?: string
}

/** A row as recipes write it: its period, member or sum alone where that tells it, else with its panel. */
export type RowRef =
  string | { panel?: string; others?: true; row?: string; sum?: 'other' | 'total' | 'toDate' | 'landing' }

export const isSameRow = (one: RowRef, other: RowRef) => JSON.stringify(one) === JSON.stringify(other)

export interface Question {
  measure?: string
  scenario?: Scenario
  forecast?: Scenario
  against?: Scenario[]
  /** a grain, or a breakdown by its name */
  by?: string
  span?: Span
  closedThrough?: string
  where?: Filter[]
  better?: 'more' | 'less'
  flag?: { percent?: string; amount?: string }
  order?: Order
  cumulate?: 'year to date' | 'moving'
  /** keeps so many members, gathers the others */
  top?: number
  /** a breakdown: the same chart for each of its members */
  each?: string
  between?: { field: string; first: string; second: string }
  used?: string
  unused?: string
  total?: string
  /** of a rate, in percent */
  target?: string
  /** members in an order of the reader's own */
  sequence?: string[]
  /** a row at the end shows where the fiscal year will end */
  landing?: boolean
}

export type Order = 'calendar' | 'given' | 'largest first' | 'smallest first' | 'favourable first'

/** What only changes the looks; what is left out is as usual. */
export interface Finish {
  unit?: '1' | 'k' | 'm' | 'bn'
  decimals?: number
  labels?: 'all' | 'extremes' | 'none'
  labelsAt?: 'outside' | 'inside'
  width?: number
  locale?: 'en' | 'de' | 'fr'
  variance?: 'both' | 'amount' | 'percent'
  sameLength?: boolean
  gap?: boolean
  mark?: 'tick' | 'dot'
  limit?: string
  turn?: boolean
  cut?: boolean
  highlight?: RowRef[]
  height?: number
  colours?: 'effect' | 'greys'
  title?: { who?: string; what?: string; when?: string }
  message?: Message
  footnote?: string
  notes?: boolean
  named?: string
}

/** The sentence above a chart, and which of its numbers were taken from the workings. */
export interface Message {
  text: string
  numbers?: { said: string; row: RowRef; column: string; exact: string }[]
}

export interface Recipe {
  keenMargin: 1
  question: Question
  kind: string
  finish?: Finish
}

/** A way to draw, what the figures lack for it, and the question that it would ask of them. */
export interface Kind {
  id: string
  name: string
  group: string
  says: string
  /** the kind in small, 26 × 20 points */
  glyph: Mark[]
  lacks: string | null
  question: Question | null
  rows: { hasMembers: boolean; taken: string | null; canLand: boolean }
  /** keys of the finish that it has a use for, besides those of every kind */
  options: string[]
  usualVariance: 'both' | 'amount' | 'percent' | null
}

import type { Grain, Period, Refusal, Scenario } from '../shared/types'

/** Shapes of the API's answers about files on their way in, and about the figures that came. */
export type Role = 'period' | 'amount' | 'scenario' | 'measure' | 'breakdown' | 'unit' | 'total' | 'band' | 'ignore'

export interface ColumnRole {
  role: Role
  scenario?: Scenario
  measure?: string
  period?: string
}

export interface MeasureRule {
  unit?: string
  grouping?: string
  overMembers?: string
  better?: 'more' | 'less'
  numerator?: string
  denominator?: string
  factor?: number
}

export interface HeaderPlace {
  row: number
  levels: 0 | 1 | 2
}

export interface Mapping {
  columns: Record<string, ColumnRole>
  decimal: '.' | ','
  dates: 'day first' | 'month first'
  measure?: string
  year?: number
  leaveOut?: number[]
  measures?: Record<string, MeasureRule>
  fiscalYearStarts: number
  sameAs?: Record<string, Record<string, string>>
  totals?: 'keep' | 'leave out'
  header?: HeaderPlace
  sheet?: string
  bands?: BandMeaning
  /** what plain numbers beside percentages mean */
  percents?: 'points' | 'fractions'
}

export type BandMeaning = 'limits' | 'increments' | 'percent of target'

export type ImportMode = 'add' | 'replace periods' | 'replace all'

export interface DatasetName {
  id: number
  version: number
  name: string
}

export interface EarlierImport {
  id: number
  name: string
  at: string
  facts: number
  dataset: DatasetName
}

export interface Reading {
  id: string
  name: string
  suggestedName: string
  sheets: string[]
  sheet: string
  header: HeaderPlace
  notes: string[]
  columns: string[]
  sample: string[][]
  /** of the sample's rows, as in the file */
  sampleRows: number[]
  /** none where only the beginning was looked at */
  rowCount: number | null
  rowsAbout: number | null
  mapping: Mapping
  doubts: Doubt[]
  /** the dataset that the figures would join */
  target: DatasetName | null
  mode: ImportMode
  known: EarlierImport | null
  seen: EarlierImport | null
}

export type Doubt = 'decimal' | 'dates' | 'year' | 'scale' | 'periods' | 'bands' | 'percents'

export interface Counts {
  added: number
  replaced: number
  unchanged: number
  removed: number
}

export interface NearName {
  breakdown: string
  name: string
  like: string
}

export interface TrialMeasure {
  name: string
  unit: string
  isNew: boolean
  grouping: 'sum' | 'average' | 'last' | 'ratio' | 'rate'
  overMembers: 'sum' | 'average' | 'never'
  better: 'more' | 'less'
  /** whether that is only what the name tells */
  isGuess: boolean
}

export interface Trial {
  accepted: boolean
  doubts: Doubt[]
  /** what each possible meaning makes of the bands of the first rows */
  bands?: { meaning: BandMeaning; says: string }[]
  says?: string
  refusals?: Refusal[]
  refused?: number
  counts?: Counts
  facts?: number
  rows?: number
  without?: number
  periods?: string
  grain?: Grain | 'none'
  scenarios?: Scenario[]
  measures?: TrialMeasure[]
  breakdowns?: { name: string; members: number; newMembers: string[]; newCount: number }[]
  near?: NearName[]
  notices?: { holds: boolean; says: string }[]
}

export interface Import {
  id: number
  name: string
  at: string
  rows: number
  facts: number
  mode: ImportMode | 'by hand'
  who: string
  counts: Counts
  takenBackAt: string | null
  isKept: boolean
}

export interface TakeBack {
  gone: number
  restored: number
  overwritten: number
  /** some of what was overwritten, by name */
  examples: string[]
}

export interface FigureRow {
  member: string
  cells: string[]
  total: string
  depth: number
  isGroup: boolean
}

export interface FigureTable {
  measure: string
  unit: string
  by: string | null
  periods: Period[]
  /** the scenario that an amount set in each period belongs to */
  into: Scenario[]
  /** the scenario of each period */
  shown: (Scenario | null)[]
  rows: FigureRow[]
  total: { cells: string[]; total: string }
  /** place of the first of these rows among all */
  from: number
  /** why the amounts cannot be changed here */
  fixed: string | null
  count: number
}

export interface Place {
  measure: string
  scenario: Scenario
  period: string
  members: string[]
  amount: string
}

export interface Finding {
  id: string
  holds: boolean
  says: string
  count: number
  mark: string
  places: Place[]
  accepted: { reason: string; who: string; at: string } | null
}

/** Shapes of the API's answers. Numbers come written out; amounts in recipes are decimal strings. */
import type { Effect, Grain, Kind, Recipe, RowRef, Scenario } from './recipe'
import type { Note, RowNote, Said } from './rows'
import type { Scene } from './scene'

export * from './recipe'
export * from './rows'
export * from './scene'

export interface Period {
  key: string
  label: string
}

/** Changes whenever anything in a dataset does; with what can be undone and done again. */
export interface Pulse {
  version: number
  revision: number
  undo: string | null
  redo: string | null
  /** number of the last change that can be undone; 0 where there is none */
  undoId: number
}

export type LineRole = 'adds' | 'takes away' | 'subtotal'

export interface Measure {
  id: number
  name: string
  unit: string
  inPoints: boolean
  decimals: number
  /** over periods */
  grouping: 'sum' | 'average' | 'last' | 'rate' | 'ratio'
  overMembers: 'sum' | 'average' | 'never'
  better: 'more' | 'less' | null
  /** what the name tells, where nobody has said it */
  betterGuess: 'more' | 'less' | null
  numerator: string | null
  denominator: string | null
  /** from 0, where its amounts are the limits of bands */
  band: number | null
}

export interface Breakdown {
  id: number
  name: string
  /** each group before what stands in it */
  members: string[]
  /** the group of each member that stands in one */
  parents: Record<string, string>
  roles: Record<string, LineRole>
  merged: { name: string; into: string }[]
  isNumeric: boolean
}

export interface DatasetBrief {
  id: number
  version: number
  name: string
  organisation: string
  facts: number
  /** names and amounts without periods */
  isList: boolean
  periods: string
  scenarios: Scenario[]
  closedThrough: string
  usedAt: string
  /** checks that fail; none where they have not been made since the last change */
  failing?: number | null
}

/** Which scenario has figures for which period; days and weeks stand together as months. */
export interface CoverageStrip {
  /** each with the key of its fiscal year and of its last finest period */
  periods: (Period & { year: string; closes: string })[]
  has: Partial<Record<Scenario, string[]>>
  closing: string | null
}

/** A closing period, and those that it moves to by a step. */
export interface ClosingStep extends Period {
  back: string | null
  on: string | null
}

export interface Dataset extends DatasetBrief {
  revision: number
  firstMonth: number
  /** the finest grain that questions are offered */
  finest: Grain
  /** all that the figures can be shown in */
  ownGrains: Grain[]
  measures: Measure[]
  breakdowns: Breakdown[]
  references: { code: Scenario; word: string }[]
  grains: Grain[]
  periodList: Period[]
  years: Period[]
  closing: string
  /** the periods that the books are closed through by steps; of days the months */
  closings: Period[]
  closingStep: ClosingStep | null
  firstRecipe: Recipe | null
  grain: Grain | 'none'
  strip: CoverageStrip
  notices: { id: string; holds: boolean; says: string }[]
}

export interface SentencePart {
  text: string
  slot?: string
  /** taken from a name, and nobody has said it */
  isGuess?: boolean
  /** slots with nothing set, which have no place of their own in the sentence */
  offers?: { slot: string; text: string }[]
}

export interface Check {
  id: string
  holds: boolean
  says: string
}

export interface WorkingsRow {
  key: string
  /** as recipes write it */
  ref: RowRef
  label: string
  role: 'row' | 'other' | 'group' | 'total' | 'landing'
  depth: number
  /** of several charts of a kind, the one that it stands in */
  panel: string
  shown: Scenario | null
  cells: Record<string, string>
  /** by column: of what is written as nought there is none */
  effects: Record<string, Effect | null>
  /** by reference: which periods are compared where the row has others */
  only: Record<string, string>
  flags: Record<string, boolean>
  /** by the first reference */
  flagged: boolean
}

export interface WorkingsTable {
  unit: string
  /** heads the names of rows */
  rowsAre: string
  columns: { id: string; head: string; rule: string; reference: string | null }[]
  rows: WorkingsRow[]
  sums: { key: string; label: string; cells: Record<string, string> }[]
}

export interface Drawing {
  recipe: Recipe
  sentence: SentencePart[]
  better: 'more' | 'less'
  closing: ClosingStep
  scene: Scene
  summary: {
    headline: {
      label: string
      amount: string
      variance: string | null
      percent: string | null
      effect: Effect | null
      note: string
      row: string
    }
    /** heads the movers */
    moves: string
    movers: { key: string; label: string; variance: string; effect: Effect; flagged: boolean }[]
    sentences: Said[][]
  }
  checks: Check[]
  workings: WorkingsTable
  kinds: Kind[]
  /** numbers of the message that are others now */
  stale: { said: string; now: string; row: string; ref: RowRef; column: string; exact: string | null }[]
  notes: RowNote[]
  /** what was written about the same rows a year before */
  earlier: Record<string, Note[]>
  beside?: Drawing | null
}

export interface Chart {
  id: number
  version: number
  name: string
  dataset: number
  datasetName: string
  recipe: Recipe
  savedAt: string
  /** what the picture was drawn from */
  pictured?: string
  troubles?: string[]
  behind?: string | null
}

export interface Listing<T> {
  items: T[]
  page: number
  pages: number
  total: number
}

export interface Refusal {
  row: number
  column: string
  reason: string
}

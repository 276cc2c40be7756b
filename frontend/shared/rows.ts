/** What is said about rows, where they came from, and what is kept beside charts, as the API tells it. */
import type { Filter, Finish, Recipe, RowRef, Scenario } from './recipe'

/** Words of a statement; a name or a number also tells its row. */
export interface Said {
  text: string
  /** key of the row in the drawing */
  row?: string
  /** the row as recipes write it; of numbers */
  ref?: RowRef
  column?: string
  /** as the workings have it */
  is?: string
  exact?: string
}

export interface Note {
  id: number
  version: number
  dataset: number
  datasetName: string
  measure: string
  period: string
  place: Filter[]
  label: string
  text: string
  author: string
  at: string
  changedAt: string | null
}

/** A note of a row of this chart. */
export interface RowNote extends Note {
  number: number
  row: string
}

export interface ImportOf {
  import: number
  name: string
  at: string
  facts: number
}

/** Where a row's numbers came from, and where to go from it. */
export interface RowAbout {
  key: string
  label: string
  canNote: boolean
  deeper: { by: string; label: string; recipe: Recipe }[]
  without: Recipe | null
  whyNot: string
  scenarios: { scenario: Scenario; imports: ImportOf[] }[]
}

export interface NamedFinish {
  id: number
  version: number
  name: string
  finish: Finish
  isDefault: boolean
  charts: number[]
}

/** A name that a dataset lacks, and what could stand in its place. */
export interface Ask {
  id: string
  says: string
  choices: string[]
  mayGo: boolean
  without: string
  guess: string | null
}

/** A file that amounts came from, with a page of its rows. */
export interface SourceFile {
  import: number
  name: string
  at: string
  facts: number
  says: string
  columns: string[]
  rows: { row: number; cells: string[]; amounts: string[] }[]
  /** of this page, counted from 1 */
  first?: number
  hasMore?: boolean
}

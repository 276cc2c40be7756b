/** Shapes of the API, made from its description. Numbers come written out; amounts in recipes are decimal strings. */

export type {
  Ask,
  Breakdown,
  Chart,
  Check,
  ClosingStep,
  CoverageStrip,
  Dataset,
  DatasetBrief,
  Drawing,
  Filter,
  Finish,
  ImportOf,
  Job,
  Kind,
  Mark,
  Measure,
  NamedFinish,
  Note,
  Period,
  Pulse,
  Question,
  Recipe,
  Refusal,
  Handle,
  Region,
  RowAbout,
  RowNote,
  RowRef,
  Said,
  Scenario,
  Scene,
  SentenceOffer,
  SentencePart,
  SourceFile,
  Span,
  WorkingsRow,
  WorkingsTable,
} from './contract'

import type { Dataset, Finish, Mark, Question, RowRef } from './contract'

export type Grain = Dataset['grains'][number]
export type Effect = 'favourable' | 'unfavourable' | 'neutral'
export type LineRole = Dataset['breakdowns'][number]['roles'][string]
export type Order = NonNullable<Question['order']>
/** The sentence above a chart, and which of its numbers were taken from the workings. */
export type Message = NonNullable<Finish['message']>
/** Left, top, right and bottom. */
export type Edges = [number, number, number, number]
export type Marks = Mark[]

/** A page of a list. */
export interface Listing<T> {
  items: T[]
  page: number
  pages: number
  total: number
}

export const isSameRow = (one: RowRef, other: RowRef) => JSON.stringify(one) === JSON.stringify(other)

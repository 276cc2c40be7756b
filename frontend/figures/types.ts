/** Shapes of the API's answers about files on their way in, and about the figures that came. */
import type { ColumnRole, Import, Mapping, Reading } from '../shared/contract'

export type {
  ColumnRole,
  Counts,
  DatasetName,
  EarlierImport,
  FigureRow,
  FigureTable,
  Finding,
  HeaderPlace,
  Import,
  Mapping,
  MeasureRule,
  NearName,
  Place,
  Reading,
  TakeBack,
  Trial,
  TrialMeasure,
} from '../shared/contract'

export type Role = ColumnRole['role']
export type BandMeaning = NonNullable<Mapping['bands']>
export type ImportMode = Exclude<Import['mode'], 'by hand'>
export type Doubt = Reading['doubts'][number]

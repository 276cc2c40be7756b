import type { Report as ReportAnswer } from '../shared/contract'
import type { ReportDocument } from './document'

export type {
  DeckChanges,
  DeckTemplates,
  IssuedReport,
  NumberOffer,
  PageBlock,
  ReportBrief,
  ReportChanges,
  ReportDifference,
  ReportFinding,
  ReportIssueBrief,
  ReportPage,
  ReportPulse,
  RollPreview,
  Settlement,
} from '../shared/contract'

export type Report = Omit<ReportAnswer, 'document'> & { document: ReportDocument }

import type { Dataset, Span } from '../../shared/types'

/** A span in the words of the question, while it is gathered and not yet drawn. */
export function spanText(span: Span | undefined, dataset: Dataset): string {
  const label = (key: string) =>
    [...dataset.periodList, ...dataset.years].find(period => period.key === key)?.label ?? key
  if (span === undefined) return 'all periods'
  if (span === 'year to date') return 'the year to date'
  if (span === 'rest of year') return 'the rest of the year'
  if ('from' in span) return span.from === span.to ? label(span.from) : `${label(span.from)} to ${label(span.to)}`
  const count = 'last' in span ? span.last : span.previous
  return `the ${'last' in span ? 'last' : 'previous'} ${count === 1 ? span.unit : `${count} ${span.unit}s`}`
}

import { computed, type MaybeRefOrGetter, toValue } from 'vue'
import { ask } from '../../shared/api'
import { useLoad } from '../../shared/useLoad'
import type { ReportDocument } from '../document'
import type { Report, ReportPage } from '../types'

/** A report that is only read: its document, loaded once. */
export function useReadReport(id: number) {
  const { value: report, problem } = useLoad(['reports', id], () => ask<Report>('GET', `/reports/${id}`), {
    isFresh: true,
  })
  return { report, problem, pages: computed(() => (report.value?.document as ReportDocument | undefined)?.pages ?? []) }
}

/** One of its pages as it is now. */
export function useReadPage(
  report: number,
  page: MaybeRefOrGetter<string>,
  sign: MaybeRefOrGetter<string>,
  width: MaybeRefOrGetter<number> = 0,
) {
  return useLoad(
    () => ['reports', report, 'pages', toValue(page), toValue(sign), toValue(width)],
    signal => {
      const query = toValue(width) ? `?width=${toValue(width)}` : ''
      return ask<ReportPage>('GET', `/reports/${report}/pages/${toValue(page)}${query}`, { signal })
    },
    { isAsked: () => toValue(page) !== '' && toValue(sign) !== '', keepsPrevious: true },
  )
}

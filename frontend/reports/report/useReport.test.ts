import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { effectScope } from 'vue'
import type { ReportDocument } from '../document'
import { useReport } from './useReport'

const called = (report: string): ReportDocument => ({ keenMargin: 1, report, pages: [] })

describe('a report that is edited', () => {
  let scope = effectScope()
  /** What the server has, and who asked for what. */
  let kept: { version: number; document: ReportDocument }
  let sent: { based: string; report: string }[]
  const answer = () => new Response(JSON.stringify({ id: 1, sign: String(kept.version), ...kept }))
  beforeEach(() => {
    scope = effectScope()
    kept = { version: 1, document: called('Pack') }
    sent = []
    vi.useFakeTimers()
    vi.stubGlobal(
      'fetch',
      vi.fn(async (_: string, told: RequestInit) => {
        if (told.method !== 'PUT') return answer()
        const { document } = JSON.parse(String(told.body)) as { document: ReportDocument }
        sent.push({ based: new Headers(told.headers).get('If-Match') ?? '', report: document.report })
        kept = { version: kept.version + 1, document }
        return answer()
      }),
    )
  })
  afterEach(() => {
    scope.stop()
    vi.useRealTimers()
    vi.unstubAllGlobals()
  })
  async function opened() {
    const report = scope.run(() => useReport(1))
    if (!report) throw new Error('It is not opened')
    await vi.advanceTimersByTimeAsync(10)
    return report
  }

  it('shows a change at once and begins the next one with the answer to the one before', async () => {
    const { edit, document } = await opened()
    void edit(of => ({ ...of, report: 'One' }), 'One')
    void edit(of => ({ ...of, report: `${of.report} two` }), 'Two')
    expect(document.value?.report).toBe('One two')
    await vi.advanceTimersByTimeAsync(10)
    expect(sent).toEqual([
      { based: '"1"', report: 'One' },
      { based: '"2"', report: 'One two' },
    ])
  })

  it('begins with its own version where somebody else came between, so that theirs is not reverted', async () => {
    const { edit } = await opened()
    kept = { version: 4, document: called('Theirs') }
    void edit(of => ({ ...of, organisation: 'Ferries' }), 'One')
    void edit(of => ({ ...of, sheet: '16:9' }), 'Two')
    await vi.advanceTimersByTimeAsync(10)
    expect(sent.map(one => one.based)).toEqual(['"1"', '"1"'])
  })

  it('drops an answer that was asked for before its last change', async () => {
    const { edit, load, document } = await opened()
    const stale = answer()
    let give: (late: Response) => void = () => {}
    vi.mocked(fetch).mockImplementationOnce(() => new Promise(resolve => (give = resolve)))
    const loading = load()
    void edit(of => ({ ...of, report: 'Mine' }), 'One')
    await vi.advanceTimersByTimeAsync(10)
    give(stale)
    await loading
    expect(document.value?.report).toBe('Mine')
  })
})

import { afterEach, describe, expect, it, vi } from 'vitest'
import { ref } from 'vue'
import { useSignature } from '../../shared/useSignature'
import { useCellEdits } from './useCellEdits'
import { useTableRows } from './useTableRows'

const settled = () => new Promise(resolve => setTimeout(resolve))
const row = (member: string, cells: string[], isGroup = false) => ({ member, cells, total: '', depth: 0, isGroup })

interface Sent {
  path: string
  body: Record<string, unknown>
  signed: string
}

/** A server that has two routes and a group, and answers edits as it is told. */
function serve(edit: () => Response = () => new Response(JSON.stringify({ version: 1, revision: 1 }))) {
  const sent: Sent[] = []
  const table = {
    measure: 'Amount',
    by: 'Route',
    periods: [
      { key: '2026-08', label: 'Aug' },
      { key: '2026-09', label: 'Sep' },
    ],
    into: ['AC', 'FC'],
    shown: ['AC', null],
    rows: [row('North', ['1,000.5', '']), row('Holm', ['−2', '3']), row('Both', ['', ''], true)],
    total: { cells: [], total: '' },
    from: 0,
    fixed: null as string | null,
    count: 3,
  }
  vi.stubGlobal(
    'fetch',
    vi.fn(async (path: string, request: RequestInit) => {
      const headers = request.headers as Record<string, string>
      if (path.endsWith('/tables')) return new Response(JSON.stringify(table))
      sent.push({ path, body: JSON.parse(String(request.body)), signed: headers['X-Signed'] ?? '' })
      return edit()
    }),
  )
  return { sent, table }
}

async function edits(took = vi.fn()) {
  const table = useTableRows(ref(7), ref({}))
  await settled()
  return { table, took, ...useCellEdits(ref(7), table, ref({ Class: 'Foot' }), took) }
}

describe('setting amounts', () => {
  afterEach(() => {
    vi.unstubAllGlobals()
    useSignature().signature = ''
  })

  it('says what stood there, in which scenario, and who it was', async () => {
    const { sent } = serve()
    const { set, took } = await edits()
    useSignature().signature = 'Åda'
    await set(0, 0, [
      ['5', '6'],
      [null, ''],
    ])
    expect(sent[0]?.path).toBe('/api/datasets/7/edits')
    expect(sent[0]?.body).toEqual({
      measure: 'Amount',
      by: 'Route',
      where: { Class: 'Foot' },
      rows: ['North', 'Holm'],
      periods: [
        { key: '2026-08', scenario: 'AC' },
        { key: '2026-09', scenario: 'FC' },
      ],
      amounts: [
        ['5', '6'],
        [null, ''],
      ],
      was: [
        ['1000.5', ''],
        ['-2', '3'],
      ],
    })
    expect([sent[0]?.signed, took.mock.calls.length]).toEqual(['%C3%85da', 1])
  })

  it('goes in turn, each on top of the one before', async () => {
    const { sent } = serve()
    const { set } = await edits()
    await Promise.all([set(0, 0, [['5']]), set(0, 0, [['6']])])
    expect(sent.map(({ body }) => body.was)).toEqual([[['1000.5']], [['5']]])
  })

  it('refuses what the table has no room for, and groups', async () => {
    const { sent, table } = serve()
    const { set, problem } = await edits()
    await set(2, 0, [['1'], ['2']])
    expect(problem.value).toContain('1 more row than the table has')
    await set(0, 1, [['1', '2']])
    expect(problem.value).toContain('1 more columns than the table has')
    await set(1, 0, [['1'], ['2']])
    expect(problem.value).toContain('Both is a group')
    table.fixed = 'Each amount is a sum.'
    const other = await edits()
    await other.set(0, 0, [['1']])
    expect(other.problem.value).toBe('Each amount is a sum.')
    expect(sent).toEqual([])
  })

  it('tells what somebody else has set meanwhile, and puts its own on top only when told to', async () => {
    const cells = [{ row: 'North', period: '2026-08', label: 'Aug 2026', was: '1000.5', is: '7' }]
    let isLate = true
    const { sent } = serve(() =>
      isLate
        ? new Response(JSON.stringify({ detail: 'changed', current: { cells } }), { status: 412 })
        : new Response(JSON.stringify({ version: 1, revision: 2 })),
    )
    const { set, overtaken, putOnTop, keepTheirs, took } = await edits()
    await set(0, 0, [['5']])
    expect([overtaken.value?.cells, took.mock.calls.length]).toEqual([cells, 0])
    await keepTheirs()
    expect([overtaken.value, sent.length]).toEqual([null, 1])
    await set(0, 0, [['5']])
    isLate = false
    await putOnTop()
    expect(sent.at(-1)?.body.was).toBeUndefined()
    expect(took).toHaveBeenCalledOnce()
  })

  it('says what the server refused', async () => {
    serve(() => new Response(JSON.stringify({ detail: '"x" is not a number.' }), { status: 422 }))
    const { set, problem } = await edits()
    await set(0, 0, [['x']])
    expect(problem.value).toBe('"x" is not a number.')
  })
})

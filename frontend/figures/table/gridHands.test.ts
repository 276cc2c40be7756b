import { afterEach, describe, expect, it, vi } from 'vitest'
import { computed, ref } from 'vue'
import { useCellEdits } from './useCellEdits'
import { useGridClipboard } from './useGridClipboard'
import { useSelection } from './useSelection'
import { useTableRows } from './useTableRows'

const COUNT = 330
const COLUMNS = 3
const member = (i: number) => `m${i}`
const pause = (ms: number) => new Promise(resolve => setTimeout(resolve, ms))

/** Numbers that look random and are the same for the same seed, below a limit. */
function random(seed: number) {
  let state = seed
  return (below: number) => {
    state = (state * 1103515245 + 12345) % 2147483648
    return Math.floor((state / 2147483648) * below)
  }
}

/** A table of 330 rows that comes in pieces after a while, and is edited and stepped back in. */
function server(below: (limit: number) => number) {
  const amounts = Array.from({ length: COUNT }, (_, i) =>
    Array.from({ length: COLUMNS }, (__, j) => String(i * 10 + j)),
  )
  const steps: { row: number; column: number; was: string }[][] = []
  const late: string[] = []
  vi.stubGlobal(
    'fetch',
    vi.fn(async (path: string, request: RequestInit) => {
      const body = JSON.parse(String(request.body))
      await pause(below(4))
      if (path.endsWith('/tables')) {
        const rows = amounts
          .slice(body.from, body.from + 100)
          .map((cells, i) => ({
            member: member(body.from + i),
            cells: [...cells],
            total: '',
            depth: 0,
            isGroup: false,
          }))
        await pause(below(4))
        const periods = Array.from({ length: COLUMNS }, (_, j) => ({ key: `2026-0${j + 1}`, label: '' }))
        return new Response(JSON.stringify({ from: body.from, count: COUNT, rows, periods, into: [], by: 'Route' }))
      }
      const cells = body.rows.flatMap((name: string, i: number) =>
        body.periods.map((period: { key: string }, j: number) => ({
          row: Number(name.slice(1)),
          column: Number(period.key.slice(-1)) - 1,
          amount: body.amounts[i][j],
          was: body.was[i][j],
        })),
      )
      for (const { row, column, was } of cells)
        if (amounts[row]?.[column] !== was) late.push(`${row}/${column}: ${amounts[row]?.[column]}, not ${was}`)
      steps.push(
        cells.map(({ row, column, was }: { row: number; column: number; was: string }) => ({ row, column, was })),
      )
      for (const { row, column, amount } of cells) (amounts[row] as string[])[column] = amount
      return new Response(JSON.stringify({ version: 1, revision: steps.length }))
    }),
  )
  const undo = () => steps.pop()?.forEach(({ row, column, was }) => ((amounts[row] as string[])[column] = was))
  return { amounts, late, undo }
}

describe('quick hands in a table whose rows come late', () => {
  afterEach(() => vi.unstubAllGlobals())

  it.each(Array.from({ length: 25 }, (_, seed) => [seed + 1]))('lose nothing (%i)', async seed => {
    const below = random(seed)
    const { amounts, late, undo } = server(below)
    const model = amounts.map(line => [...line])
    const steps: string[][][] = []
    /** what the clipboard of the machine holds, and what it should hold when all that was begun has been done */
    let clipboard = ''
    vi.stubGlobal('navigator', { clipboard: { writeText: async (text: string) => void (clipboard = text) } })
    const event = () =>
      ({
        preventDefault() {},
        stopPropagation() {},
        clipboardData: { setData: (_: string, text: string) => (clipboard = text), getData: () => clipboard },
      }) as unknown as ClipboardEvent

    const table = useTableRows(ref(1), ref({}))
    const edits = useCellEdits(ref(1), table, ref({}), () => {})
    const selection = useSelection(
      computed(() => table.rows.value.length),
      computed(() => COLUMNS),
    )
    const begun: Promise<void>[] = []
    const hands = useGridClipboard(
      {
        get rows() {
          return table.rows.value
        },
        get waits() {
          return edits.waiting.value > 0
        },
      },
      selection,
      ref(null),
      { set: (...given) => begun.push(edits.set(...given)), read: (...given) => begun.push(edits.read(...given)) },
    )
    const settled = async () => {
      while (begun.length) await begun.shift()
    }
    const block = () => {
      const { top, bottom, left, right } = selection.box.value ?? { top: 0, bottom: 0, left: 0, right: 0 }
      return { top, left, cells: model.slice(top, bottom + 1).map(line => line.slice(left, right + 1)) }
    }
    const write = (top: number, left: number, cells: string[][]) => {
      steps.push(model.map(line => [...line]))
      cells.forEach((line, i) => line.forEach((text, j) => ((model[top + i] as string[])[left + j] = text)))
    }

    while (!table.head.value) await pause(1)
    for (let i = 0; i < 40; i++) {
      const top = below(COUNT - 40)
      selection.select({ top, bottom: top + below(30), left: below(COLUMNS), right: below(COLUMNS) })
      if (below(2)) table.look(top, top + 30)
      if (below(3) === 0) await pause(below(6))
      const now = block()
      const text = now.cells.map(line => line.join('\t')).join('\n')
      const what = below(5)
      if (what === 0) {
        hands.copy(event())
        await settled()
        expect(clipboard).toBe(text)
      } else if (what === 1) {
        hands.cut(event())
        write(
          now.top,
          now.left,
          now.cells.map(line => line.map(() => '')),
        )
        if (below(2)) {
          await settled()
          expect(clipboard).toBe(text)
        }
      } else if (what === 2) {
        hands.clear()
        write(
          now.top,
          now.left,
          now.cells.map(line => line.map(() => '')),
        )
      } else if (what === 3) {
        clipboard = String(1000 + i)
        hands.paste(event())
        write(
          now.top,
          now.left,
          now.cells.map(line => line.map(() => String(1000 + i))),
        )
      } else if (steps.length) {
        await settled()
        undo()
        ;(steps.pop() ?? []).forEach((line, row) => (model[row] = line))
        await table.refresh()
      }
      expect(edits.problem.value).toBe('')
    }
    await settled()
    expect(late).toEqual([])
    expect(amounts).toEqual(model)
    table.look(0, COUNT - 1)
    expect((await table.all(0, COUNT - 1)).map(row => row.cells)).toEqual(model)
  })

  it('are told when rows do not come, and nothing is cut', async () => {
    const { amounts } = server(() => 0)
    const table = useTableRows(ref(1), ref({}))
    const edits = useCellEdits(ref(1), table, ref({}), () => {})
    while (!table.head.value) await pause(1)
    vi.stubGlobal(
      'fetch',
      vi.fn(async () => new Response(JSON.stringify({ detail: 'The server is busy.' }), { status: 503 })),
    )
    const written: string[][] = []
    await edits.set(200, 0, [['']], async rows => void written.push(rows.map(row => row.member)))
    expect(edits.problem.value).toBe('Nothing is changed. The server is busy.')
    expect([written, amounts[200]?.[0]]).toEqual([[], '2000'])
  })
})

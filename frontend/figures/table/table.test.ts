import { afterEach, describe, expect, it, vi } from 'vitest'
import { nextTick, ref } from 'vue'
import { parseBlock, plain, repeated, writeBlock } from './blocks'
import { keyMove } from './gridKeys'
import { useSelection } from './useSelection'
import { useTableRows } from './useTableRows'

describe('blocks from other programs', () => {
  it('are cells between tabs, with quotes and line breaks of any kind', () => {
    expect(parseBlock('1\t2\r\n3\t4\r\n')).toEqual([
      ['1', '2'],
      ['3', '4'],
    ])
    expect(parseBlock('"a\nb"\t"say ""x"""\n')).toEqual([['a\nb', 'say "x"']])
    expect(parseBlock('5')).toEqual([['5']])
    expect(parseBlock('1\t\n2\t3')).toEqual([
      ['1', ''],
      ['2', '3'],
    ])
    expect(parseBlock('1\n2\t3\n')).toEqual([
      ['1', ''],
      ['2', '3'],
    ])
  })

  it('go out as they come in, without what is only for reading', () => {
    const rows = [
      ['−1,234.50', '7'],
      ['', '1,000,000'],
    ].map(row => row.map(plain))
    expect(writeBlock(rows)).toBe('-1234.50\t7\n\t1000000')
    expect(parseBlock(writeBlock(rows))).toEqual(rows)
  })

  it('fill a selection that they fit into, and else stay as they are', () => {
    expect(repeated([['5']], 2, 2)).toEqual([
      ['5', '5'],
      ['5', '5'],
    ])
    expect(repeated([['1', '2']], 1, 4)).toEqual([['1', '2', '1', '2']])
    expect(repeated([['1', '2']], 1, 3)).toEqual([['1', '2']])
  })
})

describe('the selection', () => {
  const selection = () => useSelection(ref(3), ref(4))

  it('goes no further than the table and extends from where it began', () => {
    const { active, box, go } = selection()
    go({ row: 9, column: -2 })
    expect(active.value).toEqual({ row: 2, column: 0 })
    go({ row: 1, column: 2 }, true)
    expect(active.value).toEqual({ row: 2, column: 0 })
    expect(box.value).toEqual({ top: 1, left: 0, bottom: 2, right: 2 })
    go({ row: 0, column: 0 })
    expect(box.value).toEqual({ top: 0, left: 0, bottom: 0, right: 0 })
  })

  it('goes on to the next row at the end of one, and stays at the end of all', () => {
    const { active, go, next } = selection()
    go({ row: 0, column: 3 })
    next(1)
    expect(active.value).toEqual({ row: 1, column: 0 })
    next(-1)
    expect(active.value).toEqual({ row: 0, column: 3 })
    go({ row: 2, column: 3 })
    next(1)
    expect(active.value).toEqual({ row: 2, column: 3 })
  })

  it('has nothing in an empty table', () => {
    const { box, go } = useSelection(ref(0), ref(4))
    go({ row: 0, column: 0 })
    expect(box.value).toBeNull()
  })

  it('moves by keys, to the ends with a modifier', () => {
    const key = (name: string, more: KeyboardEventInit = {}) =>
      keyMove(new KeyboardEvent('keydown', { key: name, ...more }), { row: 5, column: 2 }, 40, 6)
    expect(key('ArrowUp')).toEqual({ row: 4, column: 2 })
    expect(key('ArrowDown', { ctrlKey: true })).toEqual({ row: 39, column: 2 })
    expect(key('End')).toEqual({ row: 5, column: 5 })
    expect(key('Home', { ctrlKey: true })).toEqual({ row: 0, column: 0 })
    expect(key('PageDown')).toEqual({ row: 20, column: 2 })
    expect([key('a'), key('ArrowUp', { altKey: true })]).toEqual([null, null])
  })
})

describe('the rows of a long table', () => {
  afterEach(() => vi.unstubAllGlobals())

  function serve(count: number) {
    const asked: number[] = []
    vi.stubGlobal(
      'fetch',
      vi.fn(async (_: string, request: RequestInit) => {
        const { from } = JSON.parse(String(request.body))
        asked.push(from)
        const rows = Array.from({ length: Math.min(100, count - from) }, (__, i) => ({
          member: `m${from + i}`,
          cells: [String(asked.length)],
          total: '',
          depth: 0,
          isGroup: false,
        }))
        return new Response(JSON.stringify({ from, count, rows, periods: [{ key: 'p', label: 'P' }] }))
      }),
    )
    return asked
  }
  const settled = () => new Promise(resolve => setTimeout(resolve))

  it('come when they are looked at, once each', async () => {
    const asked = serve(250)
    const table = useTableRows(ref(1), ref({}))
    await settled()
    expect([table.rows.value.length, table.rows.value[99]?.member, table.rows.value[100]]).toEqual([
      250,
      'm99',
      undefined,
    ])
    table.look(180, 210)
    await settled()
    expect(table.rows.value[249]?.member).toBe('m249')
    table.look(0, 30)
    await settled()
    expect(asked).toEqual([0, 100, 200])
    expect((await table.all(95, 105)).map(row => row.member)).toContain('m105')
  })

  it('are asked for again where they are in sight, and let go where they are not', async () => {
    const asked = serve(250)
    const table = useTableRows(ref(1), ref({}))
    await settled()
    table.look(150, 160)
    await settled()
    table.put(150, 0, '77')
    expect(table.rows.value[150]?.cells).toEqual(['77'])
    await table.refresh()
    expect([asked.at(-1), table.rows.value[150]?.cells, table.rows.value[0]]).toEqual([100, ['4'], undefined])
  })

  it('of an earlier wish are dropped', async () => {
    serve(3)
    const body = ref<object | null>({ by: 'a' })
    const table = useTableRows(ref(1), body)
    body.value = null
    await nextTick()
    await settled()
    expect(table.rows.value).toEqual([])
  })
})

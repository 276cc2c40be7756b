import { describe, expect, it, vi } from 'vitest'
import { copyTogether, tableHtml, tableText, withoutStyles } from './clipboard'

const table = {
  caption: 'Fares <in k EUR>',
  heads: ['Route', 'AC', 'ΔBU'],
  rows: [
    { label: 'North & West', cells: ['100', '−20'] },
    { label: 'Total', cells: ['150', '−10'], isSum: true },
  ],
}

describe('a table in the clipboard', () => {
  it('is HTML in which nothing of a name is markup', () => {
    const html = tableHtml(table)
    expect(html).toContain('<caption>Fares &lt;in k EUR&gt;</caption>')
    expect(html).toContain('<th scope="row" align="left">North &amp; West</th><td align="right">100</td>')
    expect(html).toContain('<strong>Total</strong>')
  })

  it('is text whose minus signs other programs read', () => {
    expect(tableText(table)).toBe('Route\tAC\tΔBU\nNorth & West\t100\t-20\nTotal\t150\t-10')
  })
})

describe('a picture in the clipboard', () => {
  it('has no style sheet, and names its fonts', () => {
    const svg = '<svg width="1"><style>text{fill:red}</style><text class="serif">A</text></svg>'
    expect(withoutStyles(svg)).toBe(
      '<svg font-family="IBM Plex Sans, sans-serif" width="1"><text font-family="IBM Plex Serif, serif">A</text></svg>',
    )
  })
})

describe('copying', () => {
  it('puts picture and table into one entry and says what it was', async () => {
    const entries: Record<string, Promise<Blob>>[] = []
    function item(parts: Record<string, Promise<Blob>>) {
      entries.push(parts)
    }
    vi.stubGlobal('ClipboardItem', Object.assign(item, { supports: () => true }))
    vi.stubGlobal('navigator', { clipboard: { write: () => Promise.resolve() } })
    const picture = (format: string) => Promise.resolve(new Blob([format]))
    expect(await copyTogether({ picture, table })).toBe('Copied the picture (PNG and SVG) and a table of 2 rows.')
    expect(Object.keys(entries[0] ?? {})).toEqual(['image/png', 'image/svg+xml', 'text/html', 'text/plain'])
    expect(await copyTogether({ table: { ...table, rows: table.rows.slice(0, 1) } })).toBe('Copied one row of numbers.')
    vi.unstubAllGlobals()
  })
})

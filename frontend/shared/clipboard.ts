/** A table as programs take it from the clipboard: rows with their names, one cell a head. */
export interface CopiedTable {
  caption: string
  /** what rows are, then what each column is */
  heads: string[]
  rows: { label: string; cells: string[]; isSum?: boolean }[]
}

const SIGNS: Record<string, string> = { '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' }
const escaped = (text: string) => text.replace(/[&<>"]/g, sign => SIGNS[sign] ?? sign)

/** Plain HTML: its numbers stand right, its sums are strong. */
export function tableHtml({ caption, heads, rows }: CopiedTable): string {
  const head = heads.map((one, i) => `<th scope="col" align="${i ? 'right' : 'left'}">${escaped(one)}</th>`).join('')
  const body = rows.map(({ label, cells, isSum }) => {
    const strong = (text: string) => (isSum ? `<strong>${escaped(text)}</strong>` : escaped(text))
    const numbers = cells.map(cell => `<td align="right">${strong(cell)}</td>`).join('')
    return `<tr><th scope="row" align="left">${strong(label)}</th>${numbers}</tr>`
  })
  const title = caption ? `<caption>${escaped(caption)}</caption>` : ''
  return `<table>${title}<thead><tr>${head}</tr></thead><tbody>${body.join('')}</tbody></table>`
}

/** Cells between tabs, with the minus sign that other programs read. */
export function tableText({ heads, rows }: CopiedTable): string {
  const line = (cells: string[]) => cells.map(cell => cell.replace(/[\t\r\n]+/g, ' ').replace('−', '-')).join('\t')
  return [line(heads), ...rows.map(({ label, cells }) => line([label, ...cells]))].join('\n')
}

const SVG = 'image/svg+xml'
const takes = (type: string) => typeof ClipboardItem.supports !== 'function' || ClipboardItem.supports(type)

/**
 * A picture without a style sheet, which clipboards take out: what it says stands at the elements. Its fonts are told
 * by name.
 */
export function withoutStyles(svg: string): string {
  const family = (name: string, kind: string) => `font-family="${name}, ${kind}"`
  return svg
    .replace(/<style>[^]*?<\/style>/, '')
    .replace('<svg ', `<svg ${family('IBM Plex Sans', 'sans-serif')} `)
    .replaceAll(' class="serif"', ` ${family('IBM Plex Serif', 'serif')}`)
}

interface Copy {
  /** the picture in a format; none where only a table is copied */
  picture?: (format: 'png' | 'svg') => Promise<Blob>
  table?: CopiedTable | Promise<CopiedTable>
}

/**
 * Puts a picture and a table into the clipboard as one entry, so that each program takes what it understands. The
 * browser wants all of it promised at once.
 *
 * @returns what was copied, in words
 */
export async function copyTogether({ picture, table }: Copy): Promise<string> {
  const parts: Record<string, Promise<Blob>> = {}
  const said: string[] = []
  if (picture) {
    const formats = ['PNG', ...(takes(SVG) ? ['SVG'] : [])]
    parts['image/png'] = picture('png')
    if (takes(SVG))
      parts[SVG] = picture('svg').then(async blob => new Blob([withoutStyles(await blob.text())], { type: SVG }))
    said.push(`the picture (${formats.join(' and ')})`)
  }
  const rows = table && Promise.resolve(table)
  if (rows) {
    const blob = (type: string, text: string) => new Blob([text], { type })
    parts['text/html'] = rows.then(one => blob('text/html', tableHtml(one)))
    parts['text/plain'] = rows.then(one => blob('text/plain', tableText(one)))
  }
  await navigator.clipboard.write([new ClipboardItem(parts)])
  if (rows) {
    const { length } = (await rows).rows
    said.push(length === 1 ? 'one row of numbers' : `a table of ${length} rows`)
  }
  return `Copied ${said.join(' and ')}.`
}

/** What went wrong, where the clipboard was not let. */
export const notCopied = (error: unknown) =>
  error instanceof DOMException || error instanceof TypeError
    ? 'The browser did not let it be copied. Save it as a file instead.'
    : null

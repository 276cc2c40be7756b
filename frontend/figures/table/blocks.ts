/** An amount as it stands in the table, as it is typed and sent: `−1,234.50` is `-1234.50`. */
export function plain(text: string): string {
  return text.replaceAll(',', '').replace('−', '-')
}

/** Rows of cells out of text that another program copied: tabs between cells, quotes round those with line breaks. */
export function parseBlock(text: string): string[][] {
  const rows: string[][] = [[]]
  let cell = ''
  let isQuoted = false
  const end = () => {
    rows.at(-1)?.push(cell.trim())
    cell = ''
  }
  for (let i = 0; i < text.length; i++) {
    const letter = text[i]
    if (isQuoted && letter === '"' && text[i + 1] === '"') cell += text[++i]
    else if (letter === '"' && (isQuoted || cell === '')) isQuoted = !isQuoted
    else if (!isQuoted && letter === '\t') end()
    else if (!isQuoted && (letter === '\n' || letter === '\r')) {
      if (letter === '\r' && text[i + 1] === '\n') i++
      end()
      rows.push([])
    } else cell += letter
  }
  end()
  if (rows.length > 1 && rows.at(-1)?.join('') === '') rows.pop()
  const width = Math.max(...rows.map(row => row.length))
  return rows.map(row => [...row, ...Array<string>(width - row.length).fill('')])
}

/** The same the other way. */
export function writeBlock(rows: string[][]): string {
  return rows.map(row => row.join('\t')).join('\n')
}

/** The block as often as it fits into the selection: one value fills all of it. */
export function repeated(block: string[][], rows: number, columns: number): string[][] {
  const [high, wide] = [block.length, block[0]?.length ?? 0]
  if (rows % high || columns % wide) return block
  return Array.from({ length: rows }, (_, i) =>
    Array.from({ length: columns }, (_, j) => block[i % high]?.[j % wide] ?? ''),
  )
}

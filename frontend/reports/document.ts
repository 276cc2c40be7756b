import type { Filter, Recipe, RowRef, Scenario, Span } from '../shared/types'

/** A number in a text that was taken from workings. */
export interface LiveNumber {
  said: string
  of: string
  row?: RowRef
  closing?: boolean
  column: string
  exact: string
  follows?: boolean
}
/** A text, or its parts in reading order. */
export type LiveText = string | (string | LiveNumber)[]
export type ScaleOver = 'one' | 'report' | 'own'
export type SheetName = '16:9' | 'A4 across' | 'A4 upright'

export interface About {
  where?: Filter[]
  span?: Span
  against?: Scenario[]
}
export interface KeyFigure {
  id: string
  dataset?: string
  label?: string
  recipe: Recipe
}
export interface Block {
  id: string
  width?: number
  dataset?: string
  chart?: Recipe | string
  figures?: KeyFigure[]
  text?: LiveText
}
export interface PageRow {
  id: string
  blocks: Block[]
}
export interface Page {
  id: string
  title?: string
  message?: LiveText
  about?: About
  scale?: ScaleOver
  rows?: PageRow[]
}
/** A report as docs/recipe.md says. */
export interface ReportDocument {
  keenMargin: 1
  report: string
  organisation?: string
  sheet?: SheetName
  about?: About
  scale?: ScaleOver
  closedThrough?: string
  pages?: Page[]
  accepted?: { finding: string; reason: string; who?: string; at?: string }[]
}

export const MOST_BLOCKS = 4

export function newId(prefix: string): string {
  return `${prefix}-${Math.random().toString(36).slice(2, 10)}${Date.now().toString(36)}`
}

/** Without what is not told. */
export function told<T extends object>(of: T): T {
  return Object.fromEntries(Object.entries(of).filter(([, value]) => value !== undefined && value !== null)) as T
}

const partsOf = (text: LiveText | undefined) => (text === undefined ? [] : typeof text === 'string' ? [text] : text)

/** The parts of a text, as the editor has them. */
export const parts = partsOf

/** A text as documents write it: plain where it has no numbers. */
export function textOf(of: (string | LiveNumber)[]): LiveText | undefined {
  const joined: (string | LiveNumber)[] = []
  for (const part of of) {
    const last = joined[joined.length - 1]
    if (typeof part === 'string' && typeof last === 'string') joined[joined.length - 1] = last + part
    else if (part !== '') joined.push(part)
  }
  if (joined.every(part => typeof part === 'string')) return joined.join('') || undefined
  return joined
}

export const blocksOf = (page: Page) => (page.rows ?? []).flatMap(row => row.blocks)

export function findBlock(document: ReportDocument, id: string): { page: Page; row: PageRow; block: Block } | null {
  for (const page of document.pages ?? [])
    for (const row of page.rows ?? []) {
      const block = row.blocks.find(one => one.id === id)
      if (block) return { page, row, block }
    }
  return null
}

/** The document with one page changed. */
export function withPage(document: ReportDocument, id: string, change: (page: Page) => Page): ReportDocument {
  return { ...document, pages: (document.pages ?? []).map(page => (page.id === id ? told(change(page)) : page)) }
}

/** The document with one block changed; null takes it away, and its row where nothing else stands in it. */
export function withBlock(
  document: ReportDocument,
  id: string,
  change: (block: Block) => Block | null,
): ReportDocument {
  const found = findBlock(document, id)
  if (!found) return document
  return withPage(document, found.page.id, page => ({
    ...page,
    rows: (page.rows ?? [])
      .map(row => ({
        ...row,
        blocks: row.blocks.flatMap(block => {
          const next = block.id === id ? change(block) : block
          return next ? [told(next)] : []
        }),
      }))
      .filter(row => row.blocks.length > 0),
  }))
}

/** A new row of one block, after another row; null: at the top. */
export function withRow(document: ReportDocument, page: string, after: string | null, block: Block): ReportDocument {
  return withPage(document, page, one => {
    const rows = [...(one.rows ?? [])]
    const at = after === null ? 0 : rows.findIndex(row => row.id === after) + 1
    rows.splice(at, 0, { id: newId('r'), blocks: [block] })
    return { ...one, rows }
  })
}

/** A block at the end of a row, where there is room. */
export function withBlockIn(document: ReportDocument, row: string, block: Block): ReportDocument {
  return {
    ...document,
    pages: (document.pages ?? []).map(page => ({
      ...page,
      rows: (page.rows ?? []).map(one =>
        one.id === row && one.blocks.length < MOST_BLOCKS ? { ...one, blocks: [...one.blocks, block] } : one,
      ),
    })),
  }
}

/** An entry moved by some places within its list, as far as there is room. */
export function moved<T>(list: T[], at: number, by: number): T[] {
  const to = Math.max(0, Math.min(list.length - 1, at + by))
  if (at < 0 || to === at) return list
  const next = [...list]
  const [one] = next.splice(at, 1)
  next.splice(to, 0, one as T)
  return next
}

export function withPageMoved(document: ReportDocument, id: string, by: number): ReportDocument {
  const pages = document.pages ?? []
  return {
    ...document,
    pages: moved(
      pages,
      pages.findIndex(page => page.id === id),
      by,
    ),
  }
}

/** A row moved by some places on its page. */
export function withRowMoved(document: ReportDocument, page: string, row: string, by: number): ReportDocument {
  return withPage(document, page, one => {
    const rows = one.rows ?? []
    const next = moved(
      rows,
      rows.findIndex(other => other.id === row),
      by,
    )
    return next === rows ? one : { ...one, rows: next }
  })
}

/**
 * A block moved by one place. Across: within its row, and at its end into a row of its own. Up and down: into the row above or
 * below where there is room, else into one of its own.
 */
export function withBlockMoved(
  document: ReportDocument,
  id: string,
  way: 'left' | 'right' | 'up' | 'down',
): ReportDocument {
  const found = findBlock(document, id)
  if (!found) return document
  const { page, row, block } = found
  const at = row.blocks.indexOf(block)
  if (way === 'left' || way === 'right') {
    const blocks = moved(row.blocks, at, way === 'left' ? -1 : 1)
    return withPage(document, page.id, one => ({
      ...one,
      rows: (one.rows ?? []).map(other => (other.id === row.id ? { ...other, blocks } : other)),
    }))
  }
  const rows = page.rows ?? []
  const place = rows.indexOf(row)
  const isAlone = row.blocks.length === 1
  const next = rows[place + (way === 'up' ? -1 : 1)]
  if (!next && isAlone) return document
  const without = rows
    .map(other => (other === row ? { ...row, blocks: row.blocks.filter(one => one !== block) } : other))
    .filter(other => other.blocks.length > 0)
  const target = next && without.find(other => other.id === next.id)
  if (isAlone && target && target.blocks.length < MOST_BLOCKS)
    return withPage(document, page.id, one => ({
      ...one,
      rows: without.map(other => (other === target ? { ...other, blocks: [...other.blocks, block] } : other)),
    }))
  const here = without.findIndex(other => other.id === row.id)
  const own = { id: newId('r'), blocks: [block] }
  // A row that is left by its only block is gone: the block goes past the next row.
  const to = isAlone
    ? without.findIndex(other => other.id === next?.id) + (way === 'up' ? 0 : 1)
    : here + (way === 'up' ? 0 : 1)
  const all = [...without]
  all.splice(Math.max(0, to), 0, own)
  return withPage(document, page.id, one => ({ ...one, rows: all }))
}

/** A block put before another one, or at the end of a row; on whichever page that is. */
export function withBlockAt(document: ReportDocument, id: string, row: string, before: string | null): ReportDocument {
  const found = findBlock(document, id)
  if (!found || before === id) return document
  const page = (document.pages ?? []).find(one => one.rows?.some(other => other.id === row))
  const target = page?.rows?.find(other => other.id === row)
  if (!page || !target || (target.id !== found.row.id && target.blocks.length >= MOST_BLOCKS)) return document
  const keepsRow = target.id === found.row.id
  const without = withPage(document, found.page.id, one => ({
    ...one,
    rows: (one.rows ?? [])
      .map(other => ({ ...other, blocks: other.blocks.filter(block => block.id !== id) }))
      .filter(other => other.blocks.length > 0 || (keepsRow && other.id === row)),
  }))
  return withPage(without, page.id, one => ({
    ...one,
    rows: (one.rows ?? []).map(other => {
      if (other.id !== row) return other
      const blocks = [...other.blocks]
      const at = before === null ? blocks.length : blocks.findIndex(block => block.id === before)
      blocks.splice(at < 0 ? blocks.length : at, 0, found.block)
      return { ...other, blocks }
    }),
  }))
}

/** The rows from one on, on a page of their own behind it. */
export function withSecondPage(document: ReportDocument, id: string, from: string): ReportDocument {
  const pages = document.pages ?? []
  const at = pages.findIndex(page => page.id === id)
  const page = pages[at]
  const rows = page?.rows ?? []
  const cut = rows.findIndex(row => row.id === from)
  if (!page || cut < 1) return document
  const second = told({
    id: newId('p'),
    title: page.title ? `${page.title}, continued` : undefined,
    about: page.about,
    scale: page.scale,
    rows: rows.slice(cut),
  })
  return {
    ...document,
    pages: [...pages.slice(0, at), { ...page, rows: rows.slice(0, cut) }, second, ...pages.slice(at + 1)],
  }
}

/** A page with its message, or the title that stands for it. */
export const nameOf = (page: Page, number: number) => page.title || `Page ${number}`

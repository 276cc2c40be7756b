import { isSameRow, type Finish, type Question, type WorkingsRow } from '../../shared/types'

/** The member of a row, whichever panel it stands in. */
export const memberOf = ({ ref }: WorkingsRow) => (typeof ref === 'string' ? ref : (ref.row ?? ''))

/** Keys of the rows that a finish highlights. */
export const highlightedKeys = (rows: WorkingsRow[] = [], finish: Finish | undefined) =>
  rows.filter(row => finish?.highlight?.some(ref => isSameRow(ref, row.ref))).map(row => row.key)

/** Drivers and steps of opened steps keep their order. */
const isMovable = (row: WorkingsRow) =>
  ['row', 'group'].includes(row.role) || (row.role === 'step' && (typeof row.ref === 'string' || isOwnStep(row.ref)))
const isOwnStep = (ref: Exclude<WorkingsRow['ref'], string>) => !ref.sum && !ref.within && !ref.leg

/** Rows of the same level that a row can change places with, itself among them. */
function siblings(rows: WorkingsRow[], key: string): WorkingsRow[] {
  const row = rows.find(one => one.key === key)
  if (!row || !isMovable(row)) return []
  const own = rows.filter(one => one.panel === row.panel && isMovable(one))
  const at = own.indexOf(row)
  const from = own.slice(0, at).findLastIndex(one => one.depth < row.depth) + 1
  const rest = own.slice(at).findIndex(one => one.depth < row.depth)
  return own.slice(from, rest < 0 ? undefined : at + rest).filter(one => one.depth === row.depth)
}

/** Whether a row can go up (−1) or down (1) among its like. */
export function canMove(rows: WorkingsRow[], key: string, by: number): boolean {
  const among = siblings(rows, key)
  const at = among.findIndex(one => one.key === key)
  return at >= 0 && at + by >= 0 && at + by < among.length
}

/** The question with a row where another one of its level stands. */
export function movedTo(rows: WorkingsRow[], key: string, place: string): Partial<Question> {
  const among = siblings(rows, key).map(row => row.key)
  const [from, to] = [among.indexOf(key), among.indexOf(place)]
  if (from < 0 || to < 0 || from === to) return {}
  const names = new Map(rows.map(row => [row.key, memberOf(row)]))
  const order = among.filter(one => one !== key)
  order.splice(to, 0, key)
  return { sequence: order.map(one => names.get(one) ?? ''), order: undefined }
}

/** The question with a row one place up (−1) or down (1); the order is the reader's own from then on. */
export function moved(rows: WorkingsRow[], key: string, by: number): Partial<Question> {
  const among = siblings(rows, key)
  const at = among.findIndex(one => one.key === key)
  const [row, other] = [among[at], among[at + by]]
  if (!row || !other) return {}
  const sequence = rows.filter(one => one.panel === row.panel && isMovable(one)).map(memberOf)
  const [a, b] = [sequence.indexOf(memberOf(row)), sequence.indexOf(memberOf(other))]
  sequence[a] = memberOf(other)
  sequence[b] = memberOf(row)
  return { sequence, order: undefined }
}

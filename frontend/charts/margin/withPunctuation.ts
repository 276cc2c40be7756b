import type { Said } from '../../shared/types'

/** A part of a sentence with the punctuation of its neighbours that a line must not begin or end with. */
export interface Piece {
  part: Said
  before: string
  text: string
  after: string
}

/** Gives what can be pointed at the opening bracket before it and the comma, stop or closing bracket after it. */
export function withPunctuation(parts: Said[]): Piece[] {
  const pieces = parts.map((part): Piece => ({ part, before: '', text: part.text, after: '' }))
  pieces.forEach((piece, i) => {
    const [last, next] = [pieces[i - 1], pieces[i + 1]]
    if (!piece.part.row) return
    if (last && !last.part.row) [last.text, piece.before] = split(last.text, /[(“"]+$/)
    if (next && !next.part.row) [next.text, piece.after] = split(next.text, /^[,.;:?)”"]+/)
  })
  return pieces
}

function split(text: string, punctuation: RegExp): [rest: string, found: string] {
  const found = punctuation.exec(text)?.[0] ?? ''
  return [text.replace(punctuation, ''), found]
}

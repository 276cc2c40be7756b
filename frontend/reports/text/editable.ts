import type { LiveNumber } from '../document'

/**
 * Writes a text into an element that can be edited: numbers as pieces that the cursor passes as a whole.
 *
 * @param shown how each number is written, by its place
 * @param from place that the first number gets
 * @returns the numbers, by the places that their pieces bear
 */
export function writeParts(
  into: HTMLElement,
  of: (string | LiveNumber)[],
  shown: (place: number) => string | undefined,
  from = 0,
): LiveNumber[] {
  const numbers: LiveNumber[] = []
  into.replaceChildren(
    ...of.map(part => {
      if (typeof part === 'string') return document.createTextNode(part)
      const piece = document.createElement('span')
      const place = from + numbers.length
      numbers.push(part)
      piece.dataset.number = String(place)
      piece.dataset.follows = String(part.follows !== false)
      piece.contentEditable = 'false'
      piece.textContent = part.follows === false ? part.said : (shown(place) ?? part.said)
      return piece
    }),
  )
  return numbers
}

/** Elements that a browser makes for a new line. */
const LINES = new Set(['DIV', 'P', 'LI'])

/** Reads it back: text as it is, line ends as they are seen, numbers by their places. */
export function readParts(from: Node, numbers: LiveNumber[]): (string | LiveNumber)[] {
  const parts: (string | LiveNumber)[] = []
  for (const node of from.childNodes) {
    if (node instanceof Text) parts.push(node.data.replace(/\u00a0/g, ' '))
    else if (node instanceof HTMLElement) {
      const number = node.dataset.number === undefined ? undefined : numbers[Number(node.dataset.number)]
      if (number) parts.push(number)
      else if (node.tagName === 'BR') parts.push('\n')
      else {
        if (parts.length && LINES.has(node.tagName)) parts.push('\n')
        parts.push(...readParts(node, numbers))
      }
    }
  }
  return parts
}

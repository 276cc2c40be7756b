import { isSameRow, type Drawing, type Message, type Said } from '../../shared/types'

/** A statement as the message above the chart; its numbers are remembered with where they stand. */
export function messageOf(parts: Said[]): Message {
  const numbers = parts.flatMap(({ text, ref, column, exact }) =>
    ref && column && exact ? [{ said: text, row: ref, column, exact }] : [],
  )
  const text = parts.map(part => part.text).join('')
  return numbers.length ? { text, numbers } : { text }
}

/** The message in other words; numbers that are not in it any more are let go. */
export function reworded(message: Message, text: string): Message | undefined {
  if (!text.trim()) return undefined
  const numbers = (message.numbers ?? []).filter(number => text.includes(number.said))
  return numbers.length ? { text: text.trim(), numbers } : { text: text.trim() }
}

/** The message with the numbers as they are now, where they still are in the chart. */
export function renewed(message: Message, stale: Drawing['stale']): Message {
  let { text } = message
  const numbers = (message.numbers ?? []).map(number => {
    const now = stale.find(
      one => isSameRow(one.ref, number.row) && one.column === number.column && one.said === number.said,
    )
    if (!now?.exact) return number
    text = text.replace(number.said, now.now)
    return { ...number, said: now.now, exact: now.exact }
  })
  return { text, numbers }
}

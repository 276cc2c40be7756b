import type { Handle, Question } from '../../shared/types'

interface Place {
  x1: number
  y1: number
  x2: number
  y2: number
}

const decimalsOf = (number: string) => number.split('.')[1]?.length ?? 0

/** The line that a handle is at an amount, in points of the scene. */
export function placeOf(handle: Handle, amount: number): Place {
  const along = handle.zero + handle.perUnit * amount
  if (handle.centre) {
    const [x, y] = handle.centre
    const angle = (along * Math.PI) / 180
    const at = (radius: number) => ({ x: x - radius * Math.cos(angle), y: y - radius * Math.sin(angle) })
    const [inner, outer] = [at(handle.from), at(handle.to)]
    return { x1: inner.x, y1: inner.y, x2: outer.x, y2: outer.y }
  }
  return handle.isHorizontal
    ? { x1: along, y1: handle.from, x2: along, y2: handle.to }
    : { x1: handle.from, y1: along, x2: handle.to, y2: along }
}

/** The amount at a place of the scene, in whole steps and within what the handle may be; as recipes write it. */
export function amountAt(handle: Handle, x: number, y: number): string {
  let along = handle.isHorizontal ? x : y
  if (handle.centre) {
    const [dx, dy] = [handle.centre[0] - x, handle.centre[1] - y]
    along = dy < 0 ? (dx > 0 ? 0 : 180) : (Math.atan2(dy, dx) * 180) / Math.PI
  }
  return within(handle, (along - handle.zero) / handle.perUnit)
}

/** So many steps further. */
export function stepped(handle: Handle, amount: string, steps: number): string {
  return within(handle, Number(amount) + steps * Number(handle.step))
}

function within(handle: Handle, amount: number): string {
  const step = Number(handle.step)
  const decimals = decimalsOf(handle.step)
  const least = handle.least == null ? -Infinity : Math.ceil(Number(handle.least) / step + 0.001) * step
  const most = handle.most == null ? Infinity : Math.floor(Number(handle.most) / step - 0.001) * step
  const snapped = Math.round(amount / step) * step
  const kept = Math.max(least, Math.min(most, snapped))
  const text = kept.toFixed(decimals)
  const plain = text.includes('.') ? text.replace(/\.?0+$/, '') : text
  return plain === '-0' || plain === '' ? '0' : plain
}

/** The question with a moved target, goal or limit. Widths of bands stay widths: the next band gives what this one takes. */
export function moveOf(handle: Handle, amount: string, question: Question): Partial<Question> {
  if (handle.of === 'target') return { target: amount }
  if (handle.of === 'goal') return { goal: amount }
  const bands = question.bands
  if (!bands) return {}
  if ('limits' in bands && bands.limits)
    return { bands: { ...bands, limits: bands.limits.map((one, i) => (i === handle.place ? amount : one)) } }
  if ('increments' in bands && bands.increments) {
    const by = Number(amount) - Number(handle.amount)
    const decimals = Math.max(decimalsOf(handle.step), ...bands.increments.map(decimalsOf))
    const change = (one: string, i: number) =>
      i === handle.place || i === handle.place + 1
        ? String(Number((Number(one) + (i === handle.place ? by : -by)).toFixed(decimals)))
        : one
    return { bands: { ...bands, increments: bands.increments.map(change) } }
  }
  return {}
}

/** The question with another name for the band that ends at a limit; the others keep theirs. */
export function renamed(handle: Handle, name: string, all: Handle[], question: Question): Partial<Question> {
  const bands = question.bands
  if (!bands || handle.of !== 'limit' || !name.trim()) return {}
  const usual = all.filter(one => one.of === 'limit').map(one => one.name ?? '')
  const names = (bands.names?.length ? bands.names : usual).map((one, i) => (i === handle.place ? name.trim() : one))
  return { bands: { ...bands, names } }
}

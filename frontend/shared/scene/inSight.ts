import { toRaw } from 'vue'
import type { Mark } from '../types'

/** A mark and from which height to which it reaches; a group has those of its marks. */
interface Reach {
  mark: Mark
  top: number
  bottom: number
  marks: Reach[]
}

/** Where marks reach, looked up once for all windows on a scene. */
export function reaches(marks: Mark[]): Reach[] {
  return toRaw(marks).map((mark) => {
    const within = mark.type === 'group' ? reaches(mark.marks ?? []) : []
    const [top, bottom] = mark.type === 'group' ? [-Infinity, Infinity] : reach(mark)
    return { mark, top, bottom, marks: within }
  })
}

/** Marks that lie at least in part between two heights of the scene; groups keep what is left of them. */
export function inSight(all: Reach[], top: number, bottom: number): Mark[] {
  const shown: Mark[] = []
  for (const one of all) {
    if (one.bottom < top || one.top > bottom) continue
    shown.push(one.mark.type === 'group' ? { ...one.mark, marks: inSight(one.marks, top, bottom) } : one.mark)
  }
  return shown
}

function reach(mark: Mark): [number, number] {
  const y = mark.y ?? 0
  switch (mark.type) {
    case 'rect':
      return [y, y + (mark.height ?? 0)]
    case 'line':
      return [Math.min(mark.y1 ?? 0, mark.y2 ?? 0), Math.max(mark.y1 ?? 0, mark.y2 ?? 0)]
    case 'circle':
      return [y - (mark.radius ?? 0), y + (mark.radius ?? 0)]
    case 'path': {
      const heights = (mark.points ?? []).map((point) => point[1] ?? 0)
      return [Math.min(...heights), Math.max(...heights)]
    }
    default:
      return [y - (mark.size ?? 12), y + 4]
  }
}

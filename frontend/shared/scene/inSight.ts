import { toRaw } from 'vue'
import type { Mark } from '../types'

/** A group of marks, by bands of the scene's height: what is scrolled in is added, and what stays is left as it is. */
export interface Layer {
  role: string | undefined
  /** Marks that are higher than a band: they are always shown, behind the others. */
  tall: Mark[]
  /** The other marks by the band in which they begin. */
  bands: Map<number, Mark[]>
}

/** Groups of a scene from back to front, sorted into bands once for all windows on it. */
export function layers(marks: Mark[], bandHeight: number): Layer[] {
  return toRaw(marks).map(group => {
    const layer: Layer = { role: group.role, tall: [], bands: new Map() }
    for (const mark of group.marks ?? [group]) {
      const [top, bottom] = reach(mark)
      const band = Math.floor(top / bandHeight)
      const others = layer.bands.get(band)
      if (bottom - top > bandHeight) layer.tall.push(mark)
      else if (others) others.push(mark)
      else layer.bands.set(band, [mark])
    }
    return layer
  })
}

/** What of a layer may be seen between two heights: bands with their marks, and those that are always shown. */
export function inSight(layer: Layer, bandHeight: number, top: number, bottom: number) {
  const shown = layer.tall.length ? [{ key: 'tall', marks: layer.tall }] : []
  // Marks of the band before may reach into the window.
  for (let band = Math.floor(top / bandHeight) - 1; band <= Math.floor(bottom / bandHeight); band++) {
    const marks = layer.bands.get(band)
    if (marks) shown.push({ key: String(band), marks })
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
      const heights = (mark.points ?? []).map(point => point[1] ?? 0)
      return [Math.min(...heights), Math.max(...heights)]
    }
    default:
      return [y - (mark.size ?? 12), y + 4]
  }
}

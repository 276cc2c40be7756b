const AWAY = 12

interface Mark {
  left: number
  right: number
  top: number
  bottom: number
  /** of the chart, in pixels */
  width: number
}

/**
 * Where a card stands: right of a mark where there is room, else left of it; else below, right-aligned, so that it never lies
 * over what it is about.
 */
export function beside(mark: Mark, width: number) {
  const place = (left: number, top: number) => ({
    width: `${width}px`,
    left: `${left}px`,
    top: `${Math.max(0, top)}px`,
  })
  if (mark.right + AWAY + width < mark.width) return place(mark.right + AWAY, mark.top)
  if (mark.left - AWAY - width >= 0) return place(mark.left - AWAY - width, mark.top)
  return place(Math.max(0, Math.min(mark.width, mark.right) - width), mark.bottom + AWAY / 2)
}

const AWAY = 12

/** Where a card stands: right of a mark where there is room, else left of it, never past the edges. */
export function beside(mark: { left: number; right: number; top: number; width: number }, width: number) {
  const isRoomRight = mark.right + AWAY + width < mark.width
  const left = isRoomRight ? mark.right + AWAY : mark.left - AWAY - width
  return {
    width: `${width}px`,
    left: `${Math.max(0, Math.min(mark.width - width, left))}px`,
    top: `${Math.max(0, mark.top)}px`,
  }
}

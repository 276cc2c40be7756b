const FROM = 1100
const FULL = 1500
/** Text of 11 points becomes one of 13. */
const LARGEST = 13 / 11

/**
 * How much larger than its points a chart is shown in a room of so many pixels: in large windows the eye is further away.
 * The chart is laid out for the room over the zoom, so that it fills the same width.
 */
export function zoomOf(width: number) {
  const part = Math.max(0, Math.min(1, (width - FROM) / (FULL - FROM)))
  return 1 + part * (LARGEST - 1)
}

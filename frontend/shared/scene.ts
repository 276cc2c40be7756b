/** A chart before any renderer: marks in points from the top left, with the names of their inks. */
export interface Mark {
  type: 'rect' | 'line' | 'circle' | 'path' | 'text' | 'group'
  role?: string
  key?: string
  of?: string
  marks?: Mark[]
  x?: number
  y?: number
  width?: number
  height?: number
  x1?: number
  y1?: number
  x2?: number
  y2?: number
  radius?: number
  points?: [number, number][]
  fill?: string
  stroke?: string
  thickness?: number
  dash?: string
  text?: string
  size?: number
  anchor?: 'start' | 'middle' | 'end'
  weight?: number
}

export interface Scene {
  width: number
  height: number
  title: string
  description: string
  colours: 'effect' | 'greys'
  /** where rows are pointed at, in the rows' order */
  regions: Region[]
  marks: Mark[]
}

/** Left, top, right and bottom. */
export type Edges = [number, number, number, number]

export interface Region {
  key: string
  /** in which pointing means the row */
  reach: Edges
  /** what is lit while it does */
  lit: Edges
}

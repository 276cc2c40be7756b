import type { Recipe } from '../../shared/types'

/** A chart on the way to the one that is looked into. */
export interface Stop {
  label: string
  recipe?: Recipe
  chart?: number
}

/** A document in the address; none where there is none, or it is cut. */
export function parsed<T>(text: unknown): T | null {
  try {
    return typeof text === 'string' ? (JSON.parse(text) as T) : null
  } catch {
    return null
  }
}

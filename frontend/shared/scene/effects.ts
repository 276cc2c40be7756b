import type { Effect } from '../types'

export function effectClass(effect: Effect | null | undefined): string {
  return effect === 'favourable'
    ? 'text-favourable-text'
    : effect === 'unfavourable'
      ? 'text-unfavourable-text'
      : 'text-quiet'
}

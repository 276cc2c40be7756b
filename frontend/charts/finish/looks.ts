import type { Finish, NamedFinish } from '../../shared/types'

/** What a named finish sets: all but the words of a chart and its highlighted rows. */
export const LOOKS = [
  ...([
    'unit',
    'decimals',
    'labels',
    'labelsAt',
    'width',
    'height',
    'locale',
    'colours',
    'notes',
    'variance',
    'sameLength',
  ] as const),
  ...(['gap', 'mark', 'limit', 'turn', 'cut', 'steps', 'stepLabels', 'dots'] as const),
]

/** A named finish as a change of a chart's own. */
export const looksOf = (named: NamedFinish): Partial<Finish> => ({
  ...(Object.fromEntries(LOOKS.map(key => [key, named.finish[key]])) as Partial<Finish>),
  named: named.name,
})

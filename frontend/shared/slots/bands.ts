import type { Question } from '../types'
import { thresholdDigits } from './threshold'

export type Bands = NonNullable<Question['bands']>
export const FORMS = [
  { id: 'limits', label: 'upper limits', note: '60, 75, 90, 100' },
  { id: 'increments', label: 'how wide each is', note: '60, 15, 15, 10' },
  { id: 'percentOfTarget', label: '% of the target', note: '75, 90, 100' },
] as const
export type Form = (typeof FORMS)[number]['id']

/** Numbers and names of bands, as they stand in the fields. */
export function written(bands: Bands | undefined) {
  const form: Form = !bands || 'limits' in bands ? 'limits' : 'increments' in bands ? 'increments' : 'percentOfTarget'
  const numbers = bands ? (bands as Record<Form, string[]>)[form] : []
  return { form, numbers: numbers.join(', '), names: (bands?.names ?? []).join(', ') }
}

const parts = (text: string) =>
  text
    .split(/[,;]\s+|[;]/)
    .map(part => part.trim())
    .filter(Boolean)

/** Bands from what stands in the fields; a sentence where they are none. */
export function read(form: Form, numbers: string, names: string): Bands | string {
  const given = parts(numbers)
  const digits = given.map(number => thresholdDigits(number))
  const wrong = given[digits.indexOf(null)]
  if (wrong !== undefined) return `"${wrong}" is not a number. Write them like 60, 75, 90.`
  const called = parts(names)
  const count = Math.max(given.length, called.length)
  if (!given.length || count < 2 || count > 5)
    return 'There are two to five bands. Write their numbers like 60, 75, 90.'
  if (called.length && called.length !== given.length && called.length !== given.length + 1)
    return `There are ${given.length} numbers and ${called.length} names. One name more than numbers leaves the last band open.`
  const named = called.length ? { names: called } : {}
  return { [form]: digits as string[], ...named } as Bands
}

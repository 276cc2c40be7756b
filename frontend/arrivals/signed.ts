import { grouped } from '../shared/wording'

/** `+12`, `−4,210`, `0`: a decimal as the API gives it, with its sign. */
export function signed(decimal: string): string {
  return /^-|^0(?:\.0*)?$/.test(decimal) ? grouped(decimal) : `+${grouped(decimal)}`
}

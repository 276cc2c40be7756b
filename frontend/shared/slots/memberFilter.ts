import type { Breakdown, Filter } from '../types'

type Tree = Pick<Breakdown, 'name' | 'members' | 'parents' | 'leaves'>

/** A member, or all that stand in it where it is a group. */
export function leavesOf(breakdown: Tree, member: string): string[] {
  return breakdown.leaves[member] ?? [member]
}

export function isGroup(breakdown: Tree, member: string): boolean {
  return breakdown.leaves[member] !== undefined
}

/** How many groups a member stands in. */
export function depthOf(breakdown: Tree, member: string): number {
  const parent = breakdown.parents[member]
  return parent === undefined ? 0 : 1 + depthOf(breakdown, parent)
}

/** The members, without groups, that the filters leave in. */
export function chosenOf(breakdown: Tree, where: Filter[]): Set<string> {
  const all = breakdown.members.filter(one => !isGroup(breakdown, one))
  const filter = where.find(one => one.field === breakdown.name && (one.in || one.notIn))
  const named = new Set((filter?.in ?? filter?.notIn ?? []).flatMap(one => leavesOf(breakdown, one)))
  if (!filter) return new Set(all)
  return new Set(all.filter(one => named.has(one) === (filter.in !== undefined)))
}

/** Whole groups by their name, so that what joins them later is in it. */
function compact(breakdown: Tree, leaves: Set<string>): string[] {
  const isWhole = (one: string) => leavesOf(breakdown, one).every(leaf => leaves.has(leaf))
  return breakdown.members.filter(one => {
    const parent = breakdown.parents[one]
    return isWhole(one) && (parent === undefined || !isWhole(parent))
  })
}

/** The filters with another choice of members; all or none of them is no filter. */
export function withChosen(breakdown: Tree, where: Filter[], chosen: Set<string>): Filter[] {
  const others = where.filter(one => one.field !== breakdown.name || (!one.in && !one.notIn))
  const all = breakdown.members.filter(one => !isGroup(breakdown, one))
  const left = all.filter(one => !chosen.has(one))
  if (!left.length || left.length === all.length) return others
  return [
    ...others,
    left.length * 2 < chosen.size
      ? { field: breakdown.name, notIn: compact(breakdown, new Set(left)) }
      : { field: breakdown.name, in: compact(breakdown, chosen) },
  ]
}

/** `all of Route`, `North`, `North and Holm`, `3 of Route`, `all of Route but North` */
export function filterText(breakdown: Tree, where: Filter[]): string {
  const filter = where.find(one => one.field === breakdown.name && (one.in || one.notIn))
  if (!filter) return `all of ${breakdown.name}`
  const named = filter.in ?? filter.notIn ?? []
  const list =
    named.length > 2 ? `${named.length} of ${breakdown.name}` : named.map(one => one || '(blank)').join(' and ')
  return filter.in ? list : `all of ${breakdown.name} but ${named.length > 2 ? named.length : list}`
}

export const netRoles = ['leader', 'follower', 'single'] as const

export interface NetUnit {
  readonly name: string
  readonly role: (typeof netRoles)[number]
  readonly group?: string | number | undefined
  /** Its address on the pair. */
  readonly instance?: number | undefined
}

type NetCode = 'address-twice' | 'no-leader' | 'two-leaders' | 'name-too-long' | 'name-twice' | 'name-empty'

interface NetFinding {
  readonly code: NetCode
  readonly units: readonly string[]
  /** The same units by their place in the list, from 0. */
  readonly positions: readonly number[]
}

/** Places that share a key, for every key that more than one has. */
function sharing(units: readonly NetUnit[], keyOf: (unit: NetUnit) => string | undefined): number[][] {
  const places = new Map<string, number[]>()
  units.forEach((unit, i) => {
    const key = keyOf(unit)
    if (key !== undefined) places.set(key, [...(places.get(key) ?? []), i])
  })
  return [...places.values()]
}

/**
 * What is wrong with the controllers on one pair: an address twice, a group without or with two leaders, a name that is empty, twice or
 * longer than the display takes. Names count as the same whatever their capitals and outer blanks.
 */
export function netCheck(units: readonly NetUnit[], nameLimit: number): NetFinding[] {
  const found = (code: NetCode, positions: readonly number[]): NetFinding => ({
    code,
    units: positions.map((i) => units[i]!.name),
    positions,
  })
  const twice = (groups: number[][]) => groups.filter(({ length }) => length > 1)
  const groups = sharing(units, ({ role, group }) => (role === 'single' ? undefined : String(group ?? '')))
  const leaders = (places: readonly number[]) => places.filter((i) => units[i]!.role === 'leader')
  const plain = ({ name }: NetUnit) => name.trim().toLowerCase()
  const one = (code: NetCode, is: (unit: NetUnit) => boolean) =>
    units.flatMap((unit, i) => (is(unit) ? [found(code, [i])] : []))
  return [
    ...twice(sharing(units, ({ instance }) => (instance === undefined ? undefined : String(instance)))).map((places) =>
      found('address-twice', places),
    ),
    ...groups.filter((places) => leaders(places).length === 0).map((places) => found('no-leader', places)),
    ...groups.filter((places) => leaders(places).length > 1).map((places) => found('two-leaders', leaders(places))),
    ...one('name-too-long', ({ name }) => [...name].length > nameLimit),
    ...twice(sharing(units, (unit) => plain(unit) || undefined)).map((places) => found('name-twice', places)),
    ...one('name-empty', (unit) => plain(unit) === ''),
  ]
}

import { type Keys, isTree, oneOf, checkPart, each, numbers } from './checkPart'
import { checkHours } from './checkControl'

const faultKeys: Readonly<Record<string, Keys>> = {
  open: { probe: 'text' },
  short: { probe: 'text' },
  drifted: { probe: 'text', byK: 'number' },
  'fallen-off': { probe: 'text', place: 'text' },
  'wrong-kind': { probe: 'text', shows: 'list' },
  sun: { probe: 'text', byK: 'number', hours: 'list' },
  welded: { actuator: 'text' },
  dead: { actuator: 'text' },
  'stage-missing': { control: 'text', stage: 'over0' },
  'supply-low': { share: 'share' },
  'stuck-open': { input: 'text' },
  'stuck-closed': { input: 'text' },
  'door-open': { node: 'text', to: 'text', wPerK: 'from0' },
}

/** Holds a fault of a scenario to the fields of its kind. */
export function checkFault(where: string, value: unknown) {
  if (!isTree(value)) throw new RangeError(`${where} must be an object`)
  oneOf(`${where}.kind`, value['kind'], Object.keys(faultKeys))
  const kind = value['kind'] as string
  const fault = checkPart(where, { kind: 'text', atS: 'from0', untilS: 'from0?', ...faultKeys[kind] }, value)
  if (fault['untilS'] !== undefined && (fault['untilS'] as number) <= (fault['atS'] as number))
    throw new RangeError(`${where}.untilS ${String(fault['untilS'])} must be after atS ${String(fault['atS'])}`)
  if (kind === 'sun') checkHours(`${where}.hours`, fault['hours'])
  if (kind === 'wrong-kind') {
    const rows = fault['shows'] as unknown[]
    each(`${where}.shows`, rows, (at, pair) => numbers(at, pair, 2))
    if (rows.length < 2 || rows.some((pair, i) => i > 0 && !((pair as number[])[0]! > (rows[i - 1] as number[])[0]!)))
      throw new RangeError(`${where}.shows must be two pairs at least, what is there rising`)
  }
}

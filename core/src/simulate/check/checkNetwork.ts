import { type Keys, isTree, type Tree, numbers, checkPart } from './checkPart'
import { checkLine } from './checkControl'

export const flowKeys: Readonly<Record<string, Keys>> = {
  emitter: {
    from: 'text',
    to: 'text',
    nominalW: 'over0',
    nominalK: 'over0',
    exponent: 'over0',
    while: 'text?',
    by: 'text?',
  },
  evaporation: { water: 'text', air: 'text', wPerPa: 'from0', humidityPercent: 'from0' },
  frost: {
    id: 'text',
    coil: 'text',
    air: 'text',
    wPerK: 'over0',
    stillShare: 'share',
    fan: 'text?',
    humidityPercent: 'from0',
    halfKg: 'over0',
    startKg: 'from0?',
  },
}

/** Holds a boundary of a network to one of its forms. */
export function checkBoundary(where: string, value: unknown) {
  const keys = isTree(value) ? Object.keys(value) : []
  if (keys.length !== 1 || !['constantC', 'hourlyC', 'supply'].includes(keys[0]!))
    throw new RangeError(`${where} must hold constantC, hourlyC or supply, and nothing else`)
  const held = (value as Tree)[keys[0]!]
  if (keys[0] === 'hourlyC') {
    numbers(`${where}.hourlyC`, held)
    if ((held as readonly number[]).length > 8784 * 2)
      throw new RangeError(`${where}.hourlyC has ${(held as readonly number[]).length} hours: two years are the most`)
  } else if (keys[0] === 'constantC') numbers(`${where}.constantC`, [held])
  else {
    const supply = checkPart(
      `${where}.supply`,
      { outdoor: 'text', line: 'tree', shiftK: 'number?', restC: 'number?' },
      held,
    )
    checkLine(`${where}.supply.line`, supply['line'])
  }
}

import { Refused } from '../../../units/refused'
/** What goes on in one stretch of a cold room's day. */
type DefrostPhase = 'cools' | 'melts' | 'drips' | 'fan waits'

interface DefrostStretch {
  readonly phase: DefrostPhase
  readonly fromMin: number
  readonly toMin: number
}

interface DefrostTimes {
  readonly everyH: number
  /** How long melting takes until the coil is warm enough. */
  readonly meltsMin: number
  readonly longestMin: number
  readonly dripMin: number
  /** From when cooling starts again until the coil is cold enough for the fan. */
  readonly fanWaitsMin: number
}

export interface DefrostCycle {
  readonly stretches: readonly DefrostStretch[]
  readonly periodMin: number
  readonly perDay: number
  /** Ended by the coil, or cut short by the longest time. */
  readonly endedBy: 'coil' | 'time'
  /** Minutes a day in which the room is not cooled. */
  readonly uncooledMinPerDay: number
}

/**
 * One cycle of a defrost by time: cooling, melting until the coil is warm or the longest time is over, dripping, cooling with the fan
 * held back until the coil is cold. The interval runs from start to start.
 * Formula: cooling = interval − melting − dripping − fan held back; a day holds 24 h/interval of them.
 * @throws RangeError unless the interval and the longest time are over 0, and the interval holds the defrost
 * @example defrostCycle({ everyH: 6, meltsMin: 20, longestMin: 30, dripMin: 5, fanWaitsMin: 2 }).uncooledMinPerDay // 100
 */
export function defrostCycle({ everyH, meltsMin, longestMin, dripMin, fanWaitsMin }: DefrostTimes): DefrostCycle {
  if (!(everyH > 0)) throw new Refused('everyH', { must: 'over', value: everyH, than: 0 })
  if (!(longestMin > 0)) throw new Refused('longestMin', { must: 'over', value: longestMin, than: 0 })
  for (const [name, value] of Object.entries({ meltsMin, dripMin, fanWaitsMin }))
    if (!(value >= 0)) throw new Refused(name, { must: 'or more', value: value, than: 0 })
  const meltMin = Math.min(meltsMin, longestMin)
  const periodMin = everyH * 60
  const idleMin = meltMin + dripMin
  if (idleMin + fanWaitsMin > periodMin)
    throw new Refused('everyH', {
      must: 'other',
      says: `${everyH} is shorter than a defrost of ${Math.round(idleMin + fanWaitsMin)} minutes`,
    })
  const ends = [
    ['melts', meltMin],
    ['drips', dripMin],
    ['fan waits', fanWaitsMin],
    ['cools', periodMin - idleMin - fanWaitsMin],
  ] as const
  let at = 0
  const stretches = ends.flatMap(([phase, minutes]): DefrostStretch[] => {
    const fromMin = at
    at += minutes
    return minutes > 0 ? [{ phase, fromMin, toMin: at }] : []
  })
  return {
    stretches,
    periodMin,
    perDay: 1440 / periodMin,
    endedBy: meltsMin > longestMin ? 'time' : 'coil',
    uncooledMinPerDay: (idleMin * 1440) / periodMin,
  }
}

/** Water that a kilogram of frost takes to melt at 0 °C, J. */
const MELTS_J_PER_KG = 334_000

/**
 * How long a coil takes to melt its frost and warm to the end. Only a share of the heat melts; the rest warms metal, pan and room.
 * Formula: t = max(m L / (share P), (m L + C (end − start)) / P).
 * @param meltShare of the heat that melts frost, over 0 and at most 1 (field data df.melt: 0.3 to 0.5)
 * @throws RangeError unless the power is over 0 and the share over 0 and at most 1
 * Source: heat balance; heat of fusion of ice 334 kJ/kg.
 * @example meltMinutes(1000, 1, 5000, -10, 8, 0.4) // 13.9
 */
export function meltMinutes(
  powerW: number,
  frostKg: number,
  coilJPerK: number,
  startC: number,
  endC: number,
  meltShare: number,
): number {
  if (!(powerW > 0)) throw new Refused('powerW', { must: 'over', value: powerW, than: 0 })
  if (!(meltShare > 0 && meltShare <= 1))
    throw new Refused('meltShare', { must: 'other', says: `${meltShare} must be over 0 and at most 1` })
  const meltJ = frostKg * MELTS_J_PER_KG
  return Math.max(meltJ / meltShare, meltJ + coilJPerK * Math.max(0, endC - startC)) / powerW / 60
}

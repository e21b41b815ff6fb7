import { Refused } from '../units/refused'

export const elementConnections = ['single', 'parallel', 'star', 'delta'] as const
export type ElementConnection = (typeof elementConnections)[number]

const LEGS = 3

/** Elements side by side in one leg. @throws RangeError where they do not share out */
function eachLeg(connection: ElementConnection, count: number): number {
  const whole = (says: string) => new Refused('count', { must: 'other', says: `is ${count}: ${says}` })
  if (!Number.isInteger(count) || count < 1) throw whole('1 or more, whole')
  if (connection === 'single' && count !== 1) throw whole('a single element is 1; more of them stand in parallel')
  if (connection === 'single' || connection === 'parallel') return count
  if (count % LEGS !== 0) throw whole('3, or a multiple of it: every leg has the same')
  return count / LEGS
}

/**
 * What heating elements of one resistance give, draw, and read on a meter when they are dead and all in place.
 * Formula: single and parallel V²/R; star V²/R with √3 R in each line; delta 3 V²/R with √3 V/R. A meter between two terminals reads R,
 * R/n, 2 R in star (through two legs), 2/3 R in delta (one leg beside the other two).
 * @param elementOhm of each
 * @param volts between the terminals; between lines where there are three
 * @throws RangeError unless ohms and volts are over 0 and the count fits the connection
 * Source: Ohm's law.
 * @example heatingElements({ elementOhm: 52.9, connection: 'delta', volts: 230 }).betweenOhm // 35.27
 */
export function heatingElements({
  elementOhm,
  count,
  connection,
  volts,
}: {
  readonly elementOhm: number
  readonly count?: number
  readonly connection: ElementConnection
  readonly volts: number
}) {
  if (!(elementOhm > 0)) throw new Refused('elementOhm', { must: 'over', value: elementOhm, than: 0 })
  if (!(volts > 0)) throw new Refused('volts', { must: 'over', value: volts, than: 0 })
  const three = connection === 'star' || connection === 'delta'
  const legOhm = elementOhm / eachLeg(connection, count ?? (three ? LEGS : 1))
  const leg = volts / legOhm
  switch (connection) {
    case 'star':
      return { powerW: volts * leg, lineA: leg / Math.sqrt(3), betweenOhm: 2 * legOhm }
    case 'delta':
      return { powerW: 3 * volts * leg, lineA: Math.sqrt(3) * leg, betweenOhm: (2 * legOhm) / 3 }
    default:
      return { powerW: volts * leg, lineA: leg, betweenOhm: legOhm }
  }
}

import { Refused } from '../units/refused'

interface ElectricLoadInput {
  /** Between lines where there are three. */
  readonly volts: number
  readonly phases: 1 | 3
  readonly powerW?: number
  readonly amps?: number
  readonly powerFactor?: number
}

/**
 * Power, current and apparent power of a load, from its volts and one of them.
 * Formula: P = V I cos φ; three phases √3 V I cos φ.
 * @throws RangeError unless either power or current is given, and volts and power factor are over 0
 * Source: definition.
 * @example electricLoad({ volts: 400, phases: 3, powerW: 6000 }).amps // 8.660
 */
export function electricLoad({ volts, phases, powerW, amps, powerFactor = 1 }: ElectricLoadInput) {
  if (!(volts > 0)) throw new Refused('volts', { must: 'over', value: volts, than: 0 })
  if (!(powerFactor > 0)) throw new Refused('powerFactor', { must: 'over', value: powerFactor, than: 0 })
  if ((powerW === undefined) === (amps === undefined))
    throw new Refused(powerW === undefined ? 'powerW' : 'amps', {
      must: 'other',
      says: powerW === undefined ? 'or the current: one of them is needed' : 'beside the power: only one of them',
    })
  const each = volts * (phases === 3 ? Math.sqrt(3) : 1)
  const current = amps ?? powerW! / (each * powerFactor)
  const va = each * current
  return { powerW: powerW ?? va * powerFactor, amps: current, va }
}

/**
 * What a heating element gives at other volts than it is rated for: its ohms stay.
 * Formula: P = rated (V/rated V)².
 * @throws RangeError unless the rated volts are over 0
 * Source: Ohm's law.
 * @example electricDerate(4500, 240, 208).powerW // 3380
 */
export function electricDerate(ratedW: number, ratedV: number, volts: number) {
  if (!(ratedV > 0)) throw new Refused('ratedV', { must: 'over', value: ratedV, than: 0 })
  const share = (volts / ratedV) ** 2
  return { powerW: ratedW * share, percent: 100 * share }
}

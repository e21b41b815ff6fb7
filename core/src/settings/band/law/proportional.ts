import { Refused } from '../../../units/refused'
import type { Action } from '../../../control/action'

export const anchors = ['from-setpoint', 'centred'] as const
export type Anchor = (typeof anchors)[number]

export interface ProportionalBand {
  readonly action: Action
  /** `from-setpoint`: 0 % at the setpoint, 100 % one band away. `centred`: 50 % at the setpoint. */
  readonly anchor: Anchor
  readonly setpointC: number
  readonly bandK: number
}

const limit = (percent: number, low = 0) => Math.min(100, Math.max(low, percent))

/**
 * Temperature of 0 %, and kelvins from there to 100 %: below it when heating, above it when cooling.
 * Formula: 0 % at the setpoint, or half a band beyond it where the band is centred.
 * @example bandEnds({ action: 'heating', anchor: 'centred', setpointC: 20, bandK: 2 }).zeroC // 21
 */
export function bandEnds({ action, anchor, setpointC, bandK }: ProportionalBand) {
  if (!(bandK > 0)) throw new Refused('bandK', { must: 'over', value: bandK, than: 0 })
  const towards = action === 'cooling' ? 1 : -1
  const zeroC = anchor === 'centred' ? setpointC - (towards * bandK) / 2 : setpointC
  return { zeroC, fullC: zeroC + towards * bandK }
}

/**
 * Output of a proportional control, %. Formula: 100 (T − T0)/(T100 − T0), limited, and never under the minimum.
 * Source: definition of proportional control.
 * @example proportionalPercent({ action: 'heating', anchor: 'from-setpoint', setpointC: 21, bandK: 2 }, 20.5) // 25
 */
export function proportionalPercent(band: ProportionalBand, temperatureC: number, minimumPercent = 0): number {
  const { zeroC, fullC } = bandEnds(band)
  return limit((100 * (temperatureC - zeroC)) / (fullC - zeroC), minimumPercent)
}

/**
 * Temperature at which the output takes a value between its ends.
 * Formula: T = T(0 %) + share × band, down when heating and up when cooling.
 * @example proportionalTemperature({ action: 'heating', anchor: 'from-setpoint', setpointC: 20, bandK: 2 }, 50) // 19
 */
export function proportionalTemperature(band: ProportionalBand, percent: number): number {
  const { zeroC, fullC } = bandEnds(band)
  return zeroC + ((fullC - zeroC) * percent) / 100
}

export interface DroopInput extends ProportionalBand {
  readonly powerW: number
  readonly lossWPerK: number
  readonly outdoorC: number
}

export interface Droop {
  readonly settlesC: number
  readonly offsetK: number
  readonly percent: number
  /** Said when the output stands at its end and the band no longer decides. */
  readonly saturated?: 'full' | 'off'
}

/**
 * Where a proportional control comes to rest: the output just covers the loss.
 * Formula: P u(T) = ± H (T − outdoor) with u straight over the band: T = (P T0/b + H outdoor)/(P/b + H). Where that asks for more than
 * 100 % it rests at outdoor ± P/H, where it asks for less than nothing at outdoor itself.
 * @throws RangeError unless power and band are over 0 and the loss 0 or more
 * Source: steady heat balance.
 * @example droop({ action: 'heating', anchor: 'from-setpoint', setpointC: 20, bandK: 4, powerW: 2000, lossWPerK: 50, outdoorC: 0 }).settlesC // 18.2
 */
export function droop(input: DroopInput): Droop {
  const { action, powerW, lossWPerK, outdoorC, setpointC, bandK } = input
  if (!(powerW > 0)) throw new Refused('powerW', { must: 'over', value: powerW, than: 0 })
  if (!(lossWPerK >= 0)) throw new Refused('lossWPerK', { must: 'or more', value: lossWPerK, than: 0 })
  const { zeroC } = bandEnds(input)
  const perK = powerW / bandK
  const restC = (perK * zeroC + lossWPerK * outdoorC) / (perK + lossWPerK)
  const sign = action === 'cooling' ? -1 : 1
  const percent = Math.max(0, (-100 * sign * (restC - zeroC)) / bandK)
  const rest = (settlesC: number, at: number, saturated?: Droop['saturated']): Droop => ({
    settlesC,
    offsetK: settlesC - setpointC,
    percent: at,
    ...(saturated ? { saturated } : {}),
  })
  if (percent > 100) return rest(outdoorC + (sign * powerW) / lossWPerK, 100, 'full')
  // Asked of the temperatures themselves: with next to no loss the percentage is nothing but rounding.
  if (lossWPerK > 0 && sign * (zeroC - outdoorC) < 0) return rest(outdoorC, 0, 'off')
  return rest(restC, percent)
}

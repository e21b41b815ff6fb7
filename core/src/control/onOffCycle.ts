import { Refused } from '../units/refused'
import type { Action } from './action'

export interface OnOffCycleInput {
  readonly powerW: number
  readonly lossWPerK: number
  readonly capacityJPerK: number
  readonly outdoorC: number
  readonly lowC: number
  readonly highC: number
  readonly action: Action
}

interface OnOffCycle {
  readonly onS: number | null
  readonly offS: number | null
  readonly periodS: number | null
  readonly dutyPercent: number
  readonly cyclesPerHour: number
  readonly reason?: 'stays-on' | 'stays-off'
}

const never = (reason: 'stays-on' | 'stays-off'): OnOffCycle => ({
  onS: null,
  offS: null,
  periodS: null,
  dutyPercent: reason === 'stays-on' ? 100 : 0,
  cyclesPerHour: 0,
  reason,
})

/** Seconds in which an exponential with this rest and time constant goes from one value to another; null when it never does. */
function secondsBetween(fromC: number, toC: number, restC: number, tauS: number): number | null {
  const ratio = (fromC - restC) / (toC - restC)
  return Number.isFinite(ratio) && ratio > 1 ? tauS * Math.log(ratio) : null
}

/**
 * On and off times of a first-order plant under two-point control.
 * Formula: τ = C/H; rest temperature off = outdoor, on = outdoor ± P/H; t = τ ln((from − rest)/(to − rest)).
 * With no loss the ramp is straight: t = C ΔT / P, and nothing ever takes it back.
 * @throws RangeError unless power and capacity are over 0, loss 0 or more, low under high
 * Source: first-order heat balance.
 * @example onOffCycle({ powerW: 1000, lossWPerK: 10, capacityJPerK: 1e6, outdoorC: 0, lowC: 20, highC: 21, action: 'heating' }).offS // 4879
 */
export function onOffCycle(input: OnOffCycleInput): OnOffCycle {
  const { powerW, lossWPerK, capacityJPerK, outdoorC, lowC, highC, action } = input
  for (const [name, value] of Object.entries({ powerW, capacityJPerK }))
    if (!(value > 0)) throw new Refused(name, { must: 'over', value: value, than: 0 })
  if (!(lossWPerK >= 0)) throw new Refused('lossWPerK', { must: 'or more', value: lossWPerK, than: 0 })
  if (!(lowC < highC)) throw new Refused('lowC', { must: 'under', value: lowC, than: highC, thanField: 'highC' })
  const heats = action === 'heating'
  const [onFrom, onTo] = heats ? [lowC, highC] : [highC, lowC]
  if (lossWPerK === 0) return never('stays-off')
  const tauS = capacityJPerK / lossWPerK
  const restOnC = outdoorC + (heats ? powerW : -powerW) / lossWPerK
  const offS = secondsBetween(onTo, onFrom, outdoorC, tauS)
  const onS = secondsBetween(onFrom, onTo, restOnC, tauS)
  if (offS === null) return never('stays-off')
  if (onS === null) return never('stays-on')
  const periodS = onS + offS
  return { onS, offS, periodS, dutyPercent: (100 * onS) / periodS, cyclesPerHour: 3600 / periodS }
}

import type { Action } from '../control/action'
import type { FloorFacts, FloorPlant } from '../plant/floorPlant'
import type { FloorZone } from '../plant/floorOutput'
import type { PoolLossInput } from '../plant/poolEvaporation'
import type { Quantity } from '../units/quantity'
import type { CalcCall } from './asked'

/** First-order view of what the control's probe sees. */
interface Seen {
  readonly action: Action
  readonly targetC: number
  /** Where it would rest with the plant off, on the design day: surroundings and constant heat together. */
  readonly restC: number
  readonly lossWPerK: number
  readonly capacityJPerK: number
  /** Heat that goes in, or is taken out, while the output is on. */
  readonly powerW: number
  /** The most it can give, where the output alone gives less: a burner at its least fire. */
  readonly fullPowerW?: number
  /** Heat that must go in, or be taken out, to hold the target on the design day. */
  readonly loadW: number
}

/** One line of what the survey means. */
interface SurveyLine {
  /** Of the fact that it tells. */
  readonly id: string
  readonly label: string
  readonly value: number
  readonly quantity: Quantity
  readonly worked?: CalcCall
}

/** What must not happen when something fails. */
type Harm = 'cold' | 'heat'

export interface Reckoned {
  readonly seen: Seen
  readonly lines: readonly SurveyLine[]
  /** The worse of the two failures for what is kept there; undefined where neither hurts at once. */
  readonly harm?: Harm
  /** What a simulation needs of a pool besides its heat balance. */
  readonly pool?: { readonly evaporation: PoolLossInput; readonly ground: number }
  /** The building that a boiler heats, and its emitters. */
  readonly boiler?: {
    readonly roomC: number
    readonly lossWPerK: number
    readonly buildingJPerK: number
    readonly nominalK: number
    readonly exponent: number
    readonly leastShare: number
    readonly burns: boolean
  }
  readonly floor?: { readonly zone: FloorZone; readonly facts: FloorFacts; readonly plant: FloorPlant }
}

/** A first-order view from a balance: gains count positive. */
export function seenFrom(
  action: Action,
  {
    targetC,
    aroundC,
    gainW = 0,
    lossWPerK,
    capacityJPerK,
    powerW,
  }: {
    readonly targetC: number
    readonly aroundC: number
    readonly gainW?: number
    readonly lossWPerK: number
    readonly capacityJPerK: number
    readonly powerW: number
  },
): Seen {
  const restC = aroundC + gainW / lossWPerK
  const needW = lossWPerK * (targetC - restC)
  return {
    action,
    targetC,
    restC,
    lossWPerK,
    capacityJPerK,
    powerW,
    loadW: Math.max(0, action === 'heating' ? needW : -needW),
  }
}

/** A store of heat. */
export interface ThermalNode {
  readonly id: string
  readonly capacityJPerK: number
}

/** A conductance between two places: nodes, or boundaries such as outdoor air. */
export interface ThermalLink {
  readonly from: string
  readonly to: string
  readonly wPerK: number
  /** Carries heat only while this actuator runs; one with a travel counts from half open. */
  readonly while?: string
  /** Carries heat in proportion to this actuator's position. */
  readonly by?: string
}

/** A flow that is not straight. */
export type ThermalFlow =
  /** From warm to cold: `nominalW` at `nominalK`, with the excess to the exponent. */
  | {
      readonly kind: 'emitter'
      readonly from: string
      readonly to: string
      readonly nominalW: number
      readonly nominalK: number
      readonly exponent: number
      readonly while?: string
      readonly by?: string
    }
  /** Heat that water loses to air by evaporation: wPerPa × (saturation at the water − humidity of the air), never under 0. */
  | {
      readonly kind: 'evaporation'
      readonly water: string
      readonly air: string
      readonly wPerPa: number
      readonly humidityPercent: number
    }
  /** A coil that takes heat from air, gathers frost from it, gives less as it does, and melts over 0 °C. */
  | {
      readonly kind: 'frost'
      readonly id: string
      readonly coil: string
      readonly air: string
      /** Bare coil, fan running. */
      readonly wPerK: number
      /** Share of that with the fan standing. */
      readonly stillShare: number
      readonly fan?: string
      readonly humidityPercent: number
      /** Frost at which the coil gives half. */
      readonly halfKg: number
      readonly startKg?: number
    }

export type ThermalGain =
  { readonly node: string; readonly constantW: number } | { readonly node: string; readonly hourlyW: readonly number[] }

/** A plant as a network, before anything controls it. */
export interface PlantModel {
  readonly nodes: readonly ThermalNode[]
  readonly links: readonly ThermalLink[]
  readonly flows?: readonly ThermalFlow[]
  readonly gains?: readonly ThermalGain[]
  /** What the control's probe feels, and where heat or cold is put in. */
  readonly controlled: string
  readonly heated: string
  /** Where nodes start that are no part of the heat balance. */
  readonly starts?: Readonly<Record<string, number>>
}

/** What is simulated, as open data. Powers and conductances in SI; times from the start of the run. */
export interface Scenario {
  /** Wall-clock start and zone, for whoever reads the file; the run counts from 0 s. */
  readonly start?: string
  readonly zone?: string
  readonly durationS: number
  readonly traceS: number
  readonly network: {
    readonly nodes: readonly { readonly id: string; readonly capacityJPerK: number; readonly startC: number }[]
    /** A link that an actuator switches carries heat only while that actuator runs. */
    readonly links: readonly {
      readonly from: string
      readonly to: string
      readonly wPerK: number
      readonly while?: string
    }[]
    readonly boundaries: Readonly<
      Record<string, { readonly constantC: number } | { readonly hourlyC: readonly number[] }>
    >
    readonly gains?: readonly { readonly node: string; readonly constantW: number }[]
  }
  readonly probes: readonly {
    readonly id: string
    readonly node: string
    readonly lagS: number
    readonly offsetK?: number
    readonly bias?: { readonly towards: string; readonly share: number }
  }[]
  /**
   * Power counts positive; what a cooling control drives takes it out of its node. An actuator with no power of its own works
   * through the links it switches.
   */
  readonly actuators: readonly { readonly id: string; readonly node?: string; readonly powerW?: number }[]
  readonly controls: readonly OnOffControl[]
  readonly inputs?: Readonly<Record<string, ThresholdInput | { readonly constant: boolean }>>
  readonly permissives?: readonly { readonly drives: string; readonly expression: Expression }[]
  readonly faults?: readonly { readonly atS: number; readonly probe: string; readonly kind: 'open' | 'short' }[]
}

export interface OnOffControl {
  readonly id: string
  readonly kind: 'on-off'
  readonly probe: string
  readonly drives: string
  readonly action: 'heating' | 'cooling'
  readonly onC: number
  readonly offC: number
  readonly minimumOnS?: number
  readonly minimumOffS?: number
  readonly probeFault: 'off' | 'on'
}

/** True while the probe is under `belowC`; once over it, true again only `differentialK` lower, or never when latched. */
export interface ThresholdInput {
  readonly probe: string
  readonly belowC: number
  /** Default 2 K: a limit without any would chatter. */
  readonly differentialK?: number
  readonly latched?: boolean
}

export type Expression =
  | string
  | { readonly and: readonly Expression[] }
  | { readonly or: readonly Expression[] }
  | { readonly not: Expression }

export interface SimulationEvent {
  readonly atS: number
  readonly what: 'on' | 'off' | 'trip' | 'probe-open' | 'probe-short'
  readonly of: string
}

export interface SimulationResult {
  readonly summary: {
    readonly energyKwh: Readonly<Record<string, number>>
    readonly starts: Readonly<Record<string, number>>
    readonly onS: Readonly<Record<string, number>>
    readonly minimumC: Readonly<Record<string, number>>
    readonly maximumC: Readonly<Record<string, number>>
    readonly meanC: Readonly<Record<string, number>>
  }
  readonly trace: {
    readonly timeS: Float64Array
    readonly nodes: Readonly<Record<string, Float64Array>>
    readonly drives: Readonly<Record<string, Uint8Array>>
  }
  readonly events: readonly SimulationEvent[]
}

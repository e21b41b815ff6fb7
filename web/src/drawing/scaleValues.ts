export type ScalePart = 'set' | 'on' | 'off' | 'bar' | 'lowest' | 'highest' | 'alarm' | 'alarmLow'

/** One switching action, in the unit that is shown. */
export interface Rung {
  readonly id: string
  /** Its number among those of its action. */
  readonly stage: number
  readonly action: 'heating' | 'cooling'
  readonly set: number
  readonly on: number
  readonly off: number
  /** What it moves: K1, M1 … */
  readonly moves: string
}

/** Everything in the unit that is shown: the switching points converts nothing. */
export interface ScaleValues {
  readonly rungs: readonly Rung[]
  readonly lowest?: number | undefined
  readonly highest?: number | undefined
  readonly alarm?: number | undefined
  readonly alarmLow?: number | undefined
  readonly cutOuts?: readonly { readonly tag: string; readonly at: number; readonly opens: 'rise' | 'fall' }[]
  readonly ice?: number | undefined
  readonly fights?: readonly { readonly from: number; readonly to: number }[]
  /** Where the probe stands, or is taken to stand. */
  readonly pointer?: number | undefined
}

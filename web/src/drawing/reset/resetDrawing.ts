/** Outdoor and supply temperature. */
export type Pair = readonly [outdoor: number, supply: number]
export type ResetHandle = 'design' | 'warm' | 'minimum' | 'maximum' | 'shutdown'

/** Everything in the unit that is shown. */
export interface ResetDrawing {
  readonly design: Pair
  readonly warm: Pair
  readonly minimum?: number | undefined
  readonly maximum?: number | undefined
  readonly shutdown?: number | undefined
  readonly line: readonly Pair[]
  readonly setback: readonly Pair[]
  readonly need: readonly Pair[]
  readonly returns: readonly Pair[]
  /** Return under which a boiler condenses, or must not burn. */
  readonly returnLimit: number
  readonly condensing: boolean
  readonly fixed: number
  readonly now?: Pair | undefined
  readonly hours: readonly { readonly from: number; readonly to: number; readonly hours: number }[]
}

/** The points of the drawing that may carry a mark. */
export type ResetMarks = Readonly<Partial<Record<ResetHandle | 'return', string>>>

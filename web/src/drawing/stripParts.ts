export interface StripTrace {
  readonly id: string
  readonly name: string
  readonly points: readonly { readonly x: number; readonly y: number }[]
  /** The controlled place is drawn strongest; another run in dashes. */
  readonly look: 'main' | 'second' | 'thin' | 'other'
}

export interface StripRelay {
  readonly id: string
  readonly name: string
  /** A fan or a pump does neither. */
  readonly action: 'heating' | 'cooling' | 'neither'
  /** Spans in which it is on, in hours. */
  readonly spans?: readonly (readonly [number, number])[]
  /** Share of full from an hour on. */
  readonly share?: readonly { readonly x: number; readonly y: number }[]
}

export interface StripFlag {
  readonly at: number
  readonly text: string
}

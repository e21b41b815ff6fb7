import type { Signal } from '../signal/signal'

export const thermocoupleTypes = ['J', 'K', 'T'] as const
export type ThermocoupleType = (typeof thermocoupleTypes)[number]

/** A probe whose resistance tells the temperature. */
export type ResistiveProbe =
  | { readonly kind: 'rtd'; readonly r0Ohm: number }
  | { readonly kind: 'ntc'; readonly r25Ohm: number; readonly betaK: number }
  | { readonly kind: 'steinhart'; readonly a: number; readonly b: number; readonly c: number }
  | { readonly kind: 'ptc-silicon'; readonly r25Ohm: number }
  | { readonly kind: 'nickel'; readonly r0Ohm: number; readonly ppmPerK: 6180 | 5000 }
  | { readonly kind: 'table'; readonly points: readonly (readonly [celsius: number, ohm: number])[] }

export interface Thermocouple {
  readonly kind: 'thermocouple'
  readonly type: ThermocoupleType
}

/** A transmitter: its signal runs straight from one temperature to another. */
export interface LinearProbe {
  readonly kind: 'linear'
  readonly signal: Signal
  readonly lowC: number
  readonly highC: number
}

export type Probe = ResistiveProbe | Thermocouple | LinearProbe

/** A probe as it is asked for: by its curve, or by the name of a real part whose curve the shelf holds. */
export type NamedProbe = { readonly kind: 'named'; readonly name: string }

/** A real part's curve. Verdicts and identification use these. */
export interface ProbePart {
  readonly name: string
  readonly title: string
  readonly curve: ResistiveProbe
  readonly source: string
}

export type ProbeFault = 'open' | 'short' | 'out-of-range'

export type ProbeReading =
  { readonly ok: true; readonly temperatureC: number } | { readonly ok: false; readonly reason: ProbeFault }

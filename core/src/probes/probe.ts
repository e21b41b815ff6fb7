/** A temperature probe as a curve of resistance over temperature. */
export type Probe =
  | { readonly kind: 'rtd'; readonly r0Ohm: number }
  | { readonly kind: 'ntc'; readonly r25Ohm: number; readonly betaK: number }
  | { readonly kind: 'steinhart'; readonly a: number; readonly b: number; readonly c: number }

export type ProbeReading =
  | { readonly ok: true; readonly temperatureC: number }
  | { readonly ok: false; readonly reason: 'open' | 'short' | 'out-of-range' }

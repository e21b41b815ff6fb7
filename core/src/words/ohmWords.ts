const MEG = 1e6

/** Ohms as a meter shows them. */
export function ohmWords(ohm: number | null): string {
  if (ohm === null) return 'over-range'
  const [scale, unit] = ohm >= MEG ? [MEG, 'Mohm'] : ohm >= 1000 ? [1000, 'kohm'] : [1, 'ohm']
  return `${Number((ohm / scale).toPrecision(3))} ${unit}`
}

/**
 * Voltage over a resistor, V = I R: 250 ohm makes 1–5 V of 4–20 mA, 500 ohm 2–10 V.
 * Formula: V = I R.
 * @example acrossResistorV(20, 500) // 10
 */
export const acrossResistorV = (milliampsMa: number, resistorOhm: number) => (milliampsMa * resistorOhm) / 1000

interface LoopCurrent {
  /** Most that the loop can carry, mA; null when nothing limits it. */
  readonly maximumMa: number | null
  readonly enoughForFullScale: boolean
  /** Most resistance that still carries 20 mA, ohm. */
  readonly maximumLoopOhm: number
}

/**
 * Most current of a transmitter loop: what the supply leaves after the transmitter's own need, over the loop's resistance.
 * Formula: I = (supply − drop)/R; full scale needs 20 mA. Source: Ohm's law.
 * @example loopCurrent(24, 10, 500).maximumMa // 28
 */
export function loopCurrent(supplyV: number, transmitterDropV: number, loopOhm: number): LoopCurrent {
  const leftV = Math.max(0, supplyV - transmitterDropV)
  const maximumLoopOhm = leftV / 0.02
  if (loopOhm === 0) return { maximumMa: leftV > 0 ? null : 0, enoughForFullScale: leftV > 0, maximumLoopOhm }
  const maximumMa = (1000 * leftV) / loopOhm
  return { maximumMa, enoughForFullScale: maximumMa >= 20 - 1e-9, maximumLoopOhm }
}

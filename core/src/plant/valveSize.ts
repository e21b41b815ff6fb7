import { Refused } from '../units/refused'

/** US gallons a minute at 1 psi in one m³/h at 1 bar. */
const CV_PER_KV = 1.156

/** Under this share of the whole drop a valve does not govern any more: most of its travel changes little. */
const LEAST_AUTHORITY = 0.3

/**
 * The valve coefficient that lets a flow through at a drop.
 * Formula: kv = Q √(ρ/1000)/√(Δp/100 kPa), cv = 1.156 kv.
 * @param flowM3PerH Q, m³/h
 * @param dropKpa over the open valve, kPa; over 0
 * @throws RangeError unless the drop is over 0
 * Source: definition of kv (IEC 60534): m³/h of water at 1 bar.
 * @example valveSize(2, 10).kv // 6.3246
 */
export function valveSize(flowM3PerH: number, dropKpa: number, densityKgPerM3 = 1000) {
  if (!(dropKpa > 0)) throw new Refused('dropKpa', { must: 'over', value: dropKpa, than: 0 })
  const kv = (flowM3PerH * Math.sqrt(densityKgPerM3 / 1000)) / Math.sqrt(dropKpa / 100)
  return { kv, cv: CV_PER_KV * kv }
}

/**
 * How much of the drop of its circuit is a valve's own, open: what it can govern.
 * Formula: authority = valve/(valve + rest).
 * @returns undefined where nothing drops at all
 * Source: practice: under 0.3 a control valve works like a tap that is open or shut.
 */
export function valveAuthority(valveDropKpa: number, circuitDropKpa: number) {
  const whole = valveDropKpa + circuitDropKpa
  if (!(whole > 0)) return undefined
  const authority = valveDropKpa / whole
  return { authority, verdict: authority < LEAST_AUTHORITY ? ('look-again' as const) : ('fits' as const) }
}

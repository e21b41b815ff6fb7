import { Refused } from '../units/refused'
import type { NamedProbe, ProbePart, ResistiveProbe } from './probe'
import { probeCurve } from './probeCurve'
import { readProbe } from './readProbe'

export interface ProbeReadingPoint {
  readonly temperatureC: number
  readonly resistanceOhm: number
}

interface ProbeCandidate {
  readonly name: string
  readonly probe: ResistiveProbe | NamedProbe
  readonly worstErrorK: number
  /** Whether every reading lies within what meter, thermometer and part may be off together. */
  readonly fits: boolean
}

/** A second reading that tells two candidates apart: where to take it and what each would give. */
interface SecondReading {
  readonly temperatureC: number
  readonly expected: readonly { readonly name: string; readonly resistanceOhm: number }[]
}

interface ProbeIdentity {
  readonly candidates: readonly ProbeCandidate[]
  readonly verdict: 'one' | 'several' | 'none'
  readonly second: SecondReading | null
}

interface Known {
  readonly name: string
  /** What a fitter would call the same probe: a model and a table of one part are listed once. */
  readonly family: string
  readonly asked: ResistiveProbe | NamedProbe
  readonly curve: ResistiveProbe
}

const rtd = (r0Ohm: number): Known => {
  const curve = { kind: 'rtd', r0Ohm } as const
  return { name: `Pt${r0Ohm}`, family: `pt-${r0Ohm}`, asked: curve, curve }
}
const silicon = (r25Ohm: number): Known => {
  const curve = { kind: 'ptc-silicon', r25Ohm } as const
  return { name: `Silicon PTC ${r25Ohm / 1000}k`, family: `ptc-${r25Ohm / 1000}k`, asked: curve, curve }
}
const ntc = (r25Ohm: number, betaK: number): Known => {
  const curve = { kind: 'ntc', r25Ohm, betaK } as const
  return { name: `NTC ${r25Ohm / 1000}k, beta ${betaK}`, family: `ntc-${r25Ohm / 1000}k-${betaK}`, asked: curve, curve }
}

/** Values of thermistor that are met on site; each comes with the common betas, some with one of their own. */
const thermistors: readonly (readonly [ohm: number, ownBetas?: readonly number[]])[] = [
  [2000, [3528]],
  [2200],
  [2252],
  [3000],
  [4700],
  [5000],
  [6800],
  [10000, [3380, 3695]],
  [12000, [3740]],
  [15000],
  [20000, [4262]],
  [22000],
  [30000],
  [33000],
  [47000, [4090]],
  [50000],
  [100000, [4190, 4250]],
]
const commonBetas = [3435, 3950, 3977]

const common: readonly Known[] = [
  ...[100, 500, 1000].map(rtd),
  ...[1000, 2000].map(silicon),
  ...thermistors.flatMap(([ohm, ownBetas = []]) => [...ownBetas, ...commonBetas].map((beta) => ntc(ohm, beta))),
]

/** A resistance meter, a thermometer in the hand and a 1 % part together are off by less than this. */
const FITS_K = 1.5
const AT_MOST = 8

function worstErrorK(curve: ResistiveProbe, readings: readonly ProbeReadingPoint[]): number {
  let worst = 0
  for (const { temperatureC, resistanceOhm } of readings) {
    const read = readProbe(curve, resistanceOhm)
    if (!read.ok) return Infinity
    worst = Math.max(worst, Math.abs(read.temperatureC - temperatureC))
  }
  return worst
}

/** Ice water, a room, warm and hot tap water: temperatures that can be made on site. */
const easyC = [0, 20, 40, 60]

/** How far apart two curves are at a temperature, K on the first. */
function apartK(one: ResistiveProbe, other: ResistiveProbe, celsius: number): number {
  const read = readProbe(one, probeCurve(other).resistance(celsius))
  return read.ok ? Math.abs(read.temperatureC - celsius) : 100
}

/**
 * What a probe without a label is, from its resistance at known temperatures.
 * Every common kind (Pt100/500/1000, nickel and thermistors by their printed curves, NTC 2 k…100 k with common betas, silicon
 * 1 k and 2 k) is read backwards at each resistance; the worst error ranks it. When two fit, the answer says at which easily made
 * temperature a second reading tells them best apart, and what each would give there.
 * Source: the curves of `probeCurve`; a kind fits as far as its own tolerance reaches.
 * @throws RangeError when no reading is given
 */
export function identifyProbe(readings: readonly ProbeReadingPoint[], parts: readonly ProbePart[]): ProbeIdentity {
  if (readings.length === 0) throw new Refused('readings', { must: 'other', says: 'are empty: at least one is needed' })
  const named = parts.map(({ name, title, curve }): Known => ({
    name: title,
    family: name,
    asked: { kind: 'named', name },
    curve,
  }))
  // A hundredth of a kelvin tells nothing: among equals the real part goes before its model.
  const rank = (worst: number) => Math.round(worst * 100)
  const ranked = [...named, ...common]
    .map((known) => ({ known, worst: worstErrorK(known.curve, readings) }))
    .filter(({ worst }) => Number.isFinite(worst))
    .sort((a, b) => rank(a.worst) - rank(b.worst))
    .filter(({ known }, i, all) => all.findIndex((other) => other.known.family === known.family) === i)
  const candidates = ranked.slice(0, AT_MOST).map(({ known, worst }) => ({
    name: known.name,
    probe: known.asked,
    worstErrorK: worst,
    fits: worst <= FITS_K,
  }))
  const fitting = ranked.filter(({ worst }) => worst <= FITS_K)
  const verdict = fitting.length === 0 ? 'none' : fitting.length === 1 ? 'one' : 'several'
  return { candidates, verdict, second: verdict === 'several' ? secondReading(fitting, readings) : null }
}

function secondReading(
  fitting: readonly { readonly known: Known }[],
  readings: readonly ProbeReadingPoint[],
): SecondReading {
  const [first, ...rest] = fitting.slice(0, 4).map(({ known }) => known)
  const fresh = easyC.filter((celsius) => readings.every(({ temperatureC }) => Math.abs(temperatureC - celsius) >= 10))
  const score = (celsius: number) => Math.min(...rest.map(({ curve }) => apartK(first!.curve, curve, celsius)))
  const temperatureC = (fresh.length > 0 ? fresh : easyC).reduce((best, celsius) =>
    score(celsius) > score(best) ? celsius : best,
  )
  return {
    temperatureC,
    expected: [first!, ...rest].map(({ name, curve }) => ({
      name,
      resistanceOhm: probeCurve(curve).resistance(temperatureC),
    })),
  }
}

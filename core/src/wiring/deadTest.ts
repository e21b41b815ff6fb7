import { Refused } from '../units/refused'
import { INSULATION } from '../units/peopleLimits'
import type { StepCode, StepFact } from '../words/stepWords'
export const deadTests = ['earth', 'continuity', 'separation', 'insulation', 'polarity', 'probe', 'supply'] as const
type DeadTest = (typeof deadTests)[number]

export interface DeadTestInput {
  readonly test: DeadTest
  /** Ohm for earth, continuity, separation, insulation and probe, volts for polarity and supply; null is the meter's over-range. */
  readonly reading: number | null
  readonly expected?: number | undefined
  readonly tolerance?: number | undefined
  readonly circuit?: 'extra-low' | 'mains' | undefined
  readonly testV?: number | undefined
  readonly electronicsConnected?: boolean | undefined
  readonly loadOhm?: number | undefined
}

/** Verdict of a reading before power, as a code and figures: what stands behind it and what to do next is told from them. */
export type DeadTestVerdict = StepFact & {
  readonly verdict: 'good' | 'look-again' | 'stop'
  /** True closes the first-live block. False never opens it: one test can forbid, none can permit. */
  readonly forbidsEnergising: boolean
  /** Not decided yet, and no failure: first live waits until it is. */
  readonly holds?: true
}

const MEG = 1e6
/** Earth over what its wire reckons to, ohm (field data pe.limit). */
const EARTH_OVER = 0.05
const EARTH_OVER_LOOSE = 0.1
/** Without a reckoned wire: an appliance lead of up to 5 m (field data pe.limit). */
const EARTH_UNKNOWN = 0.3
/** Under this two conductors are joined, ohm. */
const JOINED = 10

type Figures<C extends StepCode> = Extract<StepFact, { readonly code: C }>['figures']
const verdictOf = <C extends StepCode>(
  verdict: DeadTestVerdict['verdict'],
  code: C,
  figures: Figures<C>,
  forbidsEnergising: boolean,
) => ({ verdict, code, figures, forbidsEnergising }) as unknown as DeadTestVerdict
const good = <C extends StepCode>(code: C, figures: Figures<C>) => verdictOf('good', code, figures, false)
const look = <C extends StepCode>(code: C, figures: Figures<C>, forbidsEnergising = false) =>
  verdictOf('look-again', code, figures, forbidsEnergising)
/** What closes first live. */
export const stop = <C extends StepCode>(code: C, figures: Figures<C>) => verdictOf('stop', code, figures, true)

function earth({ reading, expected, tolerance }: DeadTestInput): DeadTestVerdict {
  const limit = expected === undefined ? (tolerance ?? EARTH_UNKNOWN) : expected + (tolerance ?? EARTH_OVER)
  if (reading === null) return stop('earth.none', {})
  if (reading <= limit + 1e-9) return good('earth.good', { reading, limit })
  const loose = expected !== undefined && tolerance === undefined && reading <= expected + EARTH_OVER_LOOSE
  if (loose) return look('earth.loose', { reading, limit }, true)
  return stop('earth.too-high', { reading, limit })
}

function continuity({ reading, expected = 0, tolerance }: DeadTestInput): DeadTestVerdict {
  const limit = tolerance === undefined ? 1.2 * expected + 0.3 : expected + tolerance
  if (reading === null || reading > 1000) return stop('row.open', { reading })
  if (reading <= limit + 1e-9) return good('row.through', { reading, limit })
  return look('row.too-high', { reading, limit })
}

function separation({ reading, expected, loadOhm, tolerance }: DeadTestInput): DeadTestVerdict {
  if (expected !== undefined && reading !== null && Math.abs(reading - expected) <= (tolerance ?? 0.2 * expected + 0.3))
    return good('apart.planned', { reading, expected })
  const reach = loadOhm === undefined ? 0 : (tolerance ?? Math.max(1, 0.2 * loadOhm))
  if (loadOhm !== undefined && reading !== null && Math.abs(reading - loadOhm) <= reach)
    return good('apart.load', { reading, loadOhm })
  if (reading === null || reading >= MEG) return good('apart.good', { reading })
  if (reading <= JOINED) return stop('apart.joined', { reading, loadOhm })
  return stop('apart.unexplained', { reading, loadOhm })
}

function insulationTest({ reading, circuit = 'mains', testV, electronicsConnected }: DeadTestInput): DeadTestVerdict {
  const limits = INSULATION[circuit]
  if (electronicsConnected) return stop('insulation.electronics', { testV: limits.testV })
  const usedV = testV ?? limits.testV
  if (reading !== null && reading < limits.least) return stop('insulation.too-low', { reading, least: limits.least })
  if (usedV < limits.testV) {
    const protectors = circuit === 'mains' && usedV >= INSULATION['extra-low'].testV
    return look('insulation.other-volts', { reading, usedV, circuit, testV: limits.testV, protectors }, !protectors)
  }
  if (reading !== null && reading < limits.good)
    return look('insulation.passes', { reading, least: limits.least, good: limits.good })
  return good('insulation.good', { reading, least: limits.least })
}

function voltageTest({ test, reading, expected, tolerance }: DeadTestInput): DeadTestVerdict {
  if (expected === undefined)
    throw new Refused('expected', { must: 'other', says: `is missing: ${test} needs the volts that are planned` })
  const reach = tolerance ?? 0.1 * Math.abs(expected)
  const what = test === 'polarity' ? 'Polarity' : 'Supply'
  if (reading === null) return stop('volts.over-range', { what })
  if (Math.abs(reading - expected) <= reach + 1e-9) return good('volts.right', { what, reading, expected })
  if (expected !== 0 && Math.abs(reading + expected) <= reach) return stop('volts.swapped', { reading })
  if (Math.abs(reading) < 0.1 * Math.abs(expected)) return look('volts.none', { reading, expected }, true)
  return stop('volts.wrong-supply', { reading, expected, lowV: expected - reach, highV: expected + reach })
}

function probeTest({ reading, expected, tolerance }: DeadTestInput): DeadTestVerdict {
  if (expected === undefined)
    throw new Refused('expected', {
      must: 'other',
      says: 'is missing: probe needs the ohms of its table at this temperature',
    })
  const reach = tolerance ?? 0.03 * expected
  if (reading === null || reading > 10 * expected) return look('probe.open', { reading })
  if (reading < expected / 10) return look('probe.shorted', { reading })
  if (Math.abs(reading - expected) <= reach + 1e-9) return good('probe.good', { reading, expected })
  return look('probe.off-table', { reading, expected, reach })
}

/**
 * Verdict of one test before first live. Each names what is behind the reading and what to do next; a failed one closes the first-live
 * block, a passed one alone never opens it.
 * Source: IEC 60364-6 (insulation), IEC 60228 and practice (earth, rows), field data pe.limit, cont.limit, ins.*.
 * @throws RangeError naming expected where the test needs it
 */
export function deadTestVerdict(input: DeadTestInput): DeadTestVerdict {
  switch (input.test) {
    case 'earth':
      return earth(input)
    case 'continuity':
      return continuity(input)
    case 'separation':
      return separation(input)
    case 'insulation':
      return insulationTest(input)
    case 'polarity':
    case 'supply':
      return voltageTest(input)
    case 'probe':
      return probeTest(input)
  }
}

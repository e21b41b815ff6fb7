import { INSULATION } from '../units/peopleLimits'
export const deadTests = ['earth', 'continuity', 'separation', 'insulation', 'polarity', 'probe', 'supply'] as const
export type DeadTest = (typeof deadTests)[number]

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

export interface DeadTestVerdict {
  readonly verdict: 'good' | 'look-again' | 'stop'
  /** What stands behind it, in a fitter's words. */
  readonly cause: string
  /** What to do next. */
  readonly next: string
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

const good = (cause: string, next = 'Next test.'): DeadTestVerdict => ({
  verdict: 'good',
  cause,
  next,
  forbidsEnergising: false,
})
const look = (cause: string, next: string, forbidsEnergising = false): DeadTestVerdict => ({
  verdict: 'look-again',
  cause,
  next,
  forbidsEnergising,
})
const stop = (cause: string, next: string): DeadTestVerdict => ({
  verdict: 'stop',
  cause,
  next,
  forbidsEnergising: true,
})

const NOT_PROVED = 'Not proved: do not energise.'

/** Ohms as a meter shows them. */
export function ohmWords(ohm: number | null): string {
  if (ohm === null) return 'over-range'
  const [scale, unit] = ohm >= MEG ? [MEG, 'Mohm'] : ohm >= 1000 ? [1000, 'kohm'] : [1, 'ohm']
  return `${Number((ohm / scale).toPrecision(3))} ${unit}`
}
const volts = (v: number | null) => (v === null ? 'over-range' : `${Number(v.toPrecision(4))} V`)

function earth({ reading, expected, tolerance }: DeadTestInput): DeadTestVerdict {
  const limit = expected === undefined ? (tolerance ?? EARTH_UNKNOWN) : expected + (tolerance ?? EARTH_OVER)
  const next = `${NOT_PROVED} Find the break: clamp by clamp from the earth bar, bare metal under each.`
  if (reading === null) return stop('No earth: the meter is over its range.', next)
  if (reading <= limit + 1e-9) return good(`Earth is ${ohmWords(reading)}, at most ${ohmWords(limit)} is right.`)
  const loose = expected !== undefined && tolerance === undefined && reading <= expected + EARTH_OVER_LOOSE
  if (loose)
    return look(
      `Earth is ${ohmWords(reading)}, a little over ${ohmWords(limit)}.`,
      'Null the meter leads, tighten the clamps, measure again before anything goes live.',
      true,
    )
  return stop(`Earth is ${ohmWords(reading)}, at most ${ohmWords(limit)} is right.`, next)
}

function continuity({ reading, expected = 0, tolerance }: DeadTestInput): DeadTestVerdict {
  const limit = tolerance === undefined ? 1.2 * expected + 0.3 : expected + tolerance
  if (reading === null || reading > 1000)
    return stop(
      `The row is open (${ohmWords(reading)}).`,
      `${NOT_PROVED} Check both landings and the label: a wire one terminal beside its place reads the same.`,
    )
  if (reading <= limit + 1e-9) return good(`The row is through: ${ohmWords(reading)}, at most ${ohmWords(limit)}.`)
  return look(
    `${ohmWords(reading)} is over ${ohmWords(limit)}: a loose clamp, a thin wire, or a load in the row.`,
    'Null the leads, tighten both ends, lift the load, measure again.',
  )
}

function separation({ reading, expected, loadOhm, tolerance }: DeadTestInput): DeadTestVerdict {
  if (expected !== undefined && reading !== null && Math.abs(reading - expected) <= (tolerance ?? 0.2 * expected + 0.3))
    return good(`${ohmWords(reading)} is planned here (${ohmWords(expected)}): an earthed common reads through.`)
  const reach = loadOhm === undefined ? 0 : (tolerance ?? Math.max(1, 0.2 * loadOhm))
  if (loadOhm !== undefined && reading !== null && Math.abs(reading - loadOhm) <= reach)
    return good(`${ohmWords(reading)} is the load itself (${ohmWords(loadOhm)} by its plate), no short.`)
  if (reading === null || reading >= MEG) return good(`Apart: ${ohmWords(reading)}.`)
  if (reading <= JOINED)
    return stop(
      `Joined: ${ohmWords(reading)}${loadOhm === undefined ? '' : `, the load alone would give ${ohmWords(loadOhm)}`}.`,
      `${NOT_PROVED} Halve the run: lift the middle clamp, measure both ways, go on with the half that is joined.`,
    )
  return stop(
    `${ohmWords(reading)} between conductors that have to be apart${loadOhm === undefined ? ' (no load is named that explains it)' : `, the load would give ${ohmWords(loadOhm)}`}.`,
    `${NOT_PROVED} Lift the load and measure again; name its ohms if it explains the reading. Damp dries, a nicked wire does not.`,
  )
}

function insulationTest({ reading, circuit = 'mains', testV, electronicsConnected }: DeadTestInput): DeadTestVerdict {
  const limits = INSULATION[circuit]
  if (electronicsConnected)
    return stop(
      `Electronics are still connected: ${limits.testV} V would break them and they would spoil the reading.`,
      'Lift controllers, drives and surge protectors, then measure. Never on the output of a drive.',
    )
  const usedV = testV ?? limits.testV
  if (reading !== null && reading < limits.least)
    return stop(
      `${ohmWords(reading)}: at least ${ohmWords(limits.least)} is asked for.`,
      `${NOT_PROVED} Halve the run. A damp element is dried out and tested again.`,
    )
  if (usedV < limits.testV) {
    const protectors = circuit === 'mains' && usedV >= INSULATION['extra-low'].testV
    return look(
      `${ohmWords(reading)} measured with ${volts(usedV)}: ${circuit === 'mains' ? 'a circuit up to 500 V' : 'an extra-low circuit'} is tested with ${volts(limits.testV)}.`,
      protectors
        ? 'It counts only where surge protectors cannot be lifted; write that down, or measure again with 500 V.'
        : `Measure again with ${volts(limits.testV)}.`,
      !protectors,
    )
  }
  if (reading !== null && reading < limits.good)
    return look(
      `${ohmWords(reading)} passes (${ohmWords(limits.least)}), but sound new wiring shows ${ohmWords(limits.good)} or more.`,
      'Look for damp and long parallel runs; note it. Discharge the circuit.',
    )
  return good(
    `Insulation is ${ohmWords(reading)}, at least ${ohmWords(limits.least)}.`,
    'Discharge the circuit, then the next test.',
  )
}

function voltageTest({ test, reading, expected, tolerance }: DeadTestInput): DeadTestVerdict {
  if (expected === undefined) throw new RangeError(`expected is missing: ${test} needs the volts that are planned`)
  const reach = tolerance ?? 0.1 * Math.abs(expected)
  const what = test === 'polarity' ? 'Polarity' : 'Supply'
  if (reading === null)
    return stop(`${what}: the meter is over its range.`, `${NOT_PROVED} Set the meter for the voltage that is planned.`)
  if (Math.abs(reading - expected) <= reach + 1e-9)
    return good(`${what} is right: ${volts(reading)}, ${volts(expected)} planned.`)
  if (expected !== 0 && Math.abs(reading + expected) <= reach)
    return stop(`${volts(reading)}: the two conductors are swapped.`, `${NOT_PROVED} Isolate, swap them, prove again.`)
  if (Math.abs(reading) < 0.1 * Math.abs(expected))
    return look(
      `${volts(reading)}: nothing arrives, ${volts(expected)} planned.`,
      'Isolate. Check fuse, isolator and the supply wire before the device is connected.',
      true,
    )
  return stop(
    `${volts(reading)} instead of ${volts(expected)}: the wrong supply or the wrong pair of terminals.`,
    `${NOT_PROVED} Do not connect the device: it takes ${volts(expected - reach)} to ${volts(expected + reach)}.`,
  )
}

function probeTest({ reading, expected, tolerance }: DeadTestInput): DeadTestVerdict {
  if (expected === undefined)
    throw new RangeError('expected is missing: probe needs the ohms of its table at this temperature')
  const reach = tolerance ?? 0.03 * expected
  if (reading === null || reading > 10 * expected)
    return look(
      `The probe is open (${ohmWords(reading)}).`,
      'Look for the break in cable or connections, both leads lifted.',
    )
  if (reading < expected / 10)
    return look(
      `The probe is shorted (${ohmWords(reading)}).`,
      'Look for a pinched cable or a connection that touches.',
    )
  if (Math.abs(reading - expected) <= reach + 1e-9)
    return good(`The probe gives ${ohmWords(reading)}, its table ${ohmWords(expected)}.`)
  return look(
    `The probe gives ${ohmWords(reading)}, its table ${ohmWords(expected)} ± ${ohmWords(reach)}.`,
    'Let it settle beside a reference thermometer and measure again; far off it is another kind of probe.',
  )
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

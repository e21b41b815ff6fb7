import { Refused } from '../units/refused'
import { signalSpan, signalValue } from '../signal/signal'
import type { LinearProbe, Probe, ProbeFault, ResistiveProbe, Thermocouple } from './probe'
import { probeCurve } from './probeCurve'
import { readProbe, readTransmitter } from './readProbe'
import { hotJunctionC, thermocoupleMv, thermocoupleRange } from './thermocouple'

/** What is on the terminals: ohms, millivolts of a thermocouple, or a signal. */
type Given =
  | { readonly kind: 'ohm'; readonly value: number }
  | { readonly kind: 'mv'; readonly value: number; readonly coldJunctionC: number }
  | { readonly kind: 'signal'; readonly unit: string; readonly value: number }

interface Mismatch {
  /** Resistance, millivolts or signal that the fitted probe gives. */
  readonly resistanceOhm?: number
  readonly emfMv?: number
  readonly value?: number
  /** What the display shows, or null when the input takes it for a broken probe. */
  readonly shownC: number | null
  readonly errorK: number | null
  readonly reason?: ProbeFault
}

interface MismatchOptions {
  /** Temperature of the terminals that the thermocouple ends on, °C; 25 unless given. */
  readonly coldJunctionC?: number | undefined
  /** The thermocouple's wires are swapped. */
  readonly reversed?: boolean | undefined
}

/**
 * Temperatures that a probe can be asked for, °C.
 * Source: the ends of the tables that `probeCurve` and `thermocoupleMv` are made from.
 * @example probeRange({ kind: 'rtd', r0Ohm: 100 }) // [-200, 850]
 */
export function probeRange(probe: Probe): readonly [number, number] {
  if (probe.kind === 'thermocouple') return thermocoupleRange(probe.type)
  if (probe.kind === 'linear') return [Math.min(probe.lowC, probe.highC), Math.max(probe.lowC, probe.highC)]
  const { lowC, highC } = probeCurve(probe)
  return [lowC, highC]
}

const isResistive = (probe: Probe): probe is ResistiveProbe => probe.kind !== 'thermocouple' && probe.kind !== 'linear'

function given(fitted: Probe, temperatureC: number, coldJunctionC: number, reversed: boolean): Given {
  if (fitted.kind === 'thermocouple') {
    const emf = thermocoupleMv(fitted.type, temperatureC) - thermocoupleMv(fitted.type, coldJunctionC)
    return { kind: 'mv', value: reversed ? -emf : emf, coldJunctionC }
  }
  if (fitted.kind === 'linear') {
    const span = signalSpan(fitted.signal)
    const percent = (100 * (temperatureC - fitted.lowC)) / (fitted.highC - fitted.lowC)
    return { kind: 'signal', unit: span.unit, value: signalValue(span, percent) }
  }
  return { kind: 'ohm', value: probeCurve(fitted).resistance(temperatureC) }
}

/** A thermocouple's input: a resistance gives no millivolts, so it shows the terminals' own temperature. */
function onThermocouple({ type }: Thermocouple, terminals: Given, coldJunctionC: number): number | null {
  if (terminals.kind === 'signal') return null
  return hotJunctionC(type, terminals.kind === 'mv' ? terminals.value : 0, coldJunctionC)
}

/** A transmitter's input gets nothing from a passive probe; a signal of the same unit it reads by its own span. */
function onTransmitter(expected: LinearProbe, terminals: Given) {
  const span = signalSpan(expected.signal)
  if (terminals.kind === 'signal' && terminals.unit !== span.unit) return readTransmitter(expected, null)
  if (span.unit === 'ohm' && terminals.kind === 'ohm') return readTransmitter(expected, terminals.value)
  return readTransmitter(expected, terminals.kind === 'signal' ? terminals.value : 0)
}

/** Reads what is on the terminals as the input was made to. */
function read(expected: Probe, terminals: Given, coldJunctionC: number) {
  if (expected.kind === 'thermocouple') {
    const shown = onThermocouple(expected, terminals, coldJunctionC)
    return shown === null
      ? ({ ok: false, reason: 'out-of-range' } as const)
      : ({ ok: true, temperatureC: shown } as const)
  }
  if (expected.kind === 'linear') return onTransmitter(expected, terminals)
  // A thermocouple is a few ohms of wire to a resistance input; a transmitter's output is no resistance at all.
  if (terminals.kind === 'mv') return { ok: false, reason: 'short' } as const
  return readProbe(expected, terminals.kind === 'ohm' ? terminals.value : null)
}

/**
 * What the display does when `fitted` hangs on an input made for `expected`, the probe being at `temperatureC`.
 * Formula: shown = curve of the expected probe, read backwards at what the fitted one gives. A thermocouple's emf is reckoned
 * between hot and cold junction, swapped when reversed, and the input adds its own cold junction by its own type.
 * @throws RangeError when the temperature is off the fitted probe's curve
 * @example mismatch({ kind: 'ntc', r25Ohm: 10000, betaK: 3977 }, { kind: 'ntc', r25Ohm: 10000, betaK: 3435 }, 60, [-40, 120]).shownC // 66.29
 */
export function mismatch(
  fitted: Probe,
  expected: Probe,
  temperatureC: number,
  [lowC, highC]: readonly [number, number],
  { coldJunctionC = 25, reversed = false }: MismatchOptions = {},
): Mismatch {
  const [from, to] = probeRange(fitted)
  if (!(temperatureC >= from && temperatureC <= to))
    throw new Refused('temperatureC', { must: 'between', value: temperatureC, low: from, high: to })
  const terminals = given(fitted, temperatureC, coldJunctionC, reversed)
  const told = isResistive(fitted)
    ? { resistanceOhm: terminals.value }
    : fitted.kind === 'thermocouple'
      ? { emfMv: terminals.value }
      : { value: terminals.value }
  const reading = read(expected, terminals, coldJunctionC)
  if (!reading.ok) return { ...told, shownC: null, errorK: null, reason: reading.reason }
  if (reading.temperatureC < lowC || reading.temperatureC > highC)
    return { ...told, shownC: null, errorK: null, reason: 'out-of-range' }
  return { ...told, shownC: reading.temperatureC, errorK: reading.temperatureC - temperatureC }
}

import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { diagnoseSignal } from './diagnoseSignal'
import { type Signal, signalPercent, signals, signalSpan, signalValue } from './signal'
import { acrossResistorV, loopCurrent } from './signalLoop'

const travelS = 140
const span = (signal: Signal) => signalSpan(signal, travelS)
const steps = [0, 25, 50, 75, 100]
const TOLERANCE = 1

/** A sweep of what a sound or faulty output gives, each reading off by less than the tolerance of the planned span. */
const sweep = (planned: Signal, value: (percent: number) => number, noise: readonly number[]) => {
  const { at0, at100 } = span(planned)
  return steps.map((percent, i) => ({
    percent,
    value: value(percent) + ((at100 - at0) * noise[i]! * TOLERANCE) / 100,
  }))
}
const noise = fc.array(fc.double({ min: -1, max: 1, noNaN: true }), { minLength: 5, maxLength: 5 })
const cause = (planned: Signal, value: (percent: number) => number, with_: readonly number[]) =>
  diagnoseSignal(planned, sweep(planned, value, with_), TOLERANCE, travelS)

describe('signals', () => {
  it.each(signals.map((signal) => [signal] as const))('%s goes from percent to value and back', (signal) => {
    for (const percent of [0, 12.5, 50, 100])
      expect(signalPercent(span(signal), signalValue(span(signal), percent))).toBeCloseTo(percent, 9)
  })
  it('three-point needs its travel time', () => expect(() => signalSpan('three-point')).toThrow('travelS is missing'))
})

describe('diagnoseSignal on readings with noise', () => {
  const everySignal = fc.constantFrom(...signals)
  it('never calls a sound output bad at its tolerance', () => {
    fc.assert(
      fc.property(everySignal, noise, (planned, off) => {
        expect(cause(planned, (p) => signalValue(span(planned), p), off).cause).toBe('matches')
      }),
    )
    // The whole tolerance at every reading is still sound.
    for (const planned of signals)
      for (const side of [-1, 1])
        expect(
          cause(
            planned,
            (p) => signalValue(span(planned), p),
            steps.map(() => side),
          ).cause,
        ).toBe('matches')
  })
  it('names reversed', () => {
    fc.assert(
      fc.property(everySignal, noise, (planned, off) => {
        expect(cause(planned, (p) => signalValue(span(planned), 100 - p), off).cause).toBe('reversed')
      }),
    )
  })
  it('names the other signal', () => {
    fc.assert(
      fc.property(everySignal, everySignal, noise, (planned, other, off) => {
        const [one, two] = [span(planned), span(other)]
        if (planned === other || other === 'three-point' || planned === 'three-point' || one.unit !== two.unit) return
        if (one.at0 === two.at100 && one.at100 === two.at0) return
        expect(cause(planned, (p) => signalValue(two, p), off)).toMatchObject({ cause: 'other-signal', signal: other })
      }),
    )
  })
  it('names stuck, at either end and between', () => {
    fc.assert(
      fc.property(everySignal, noise, fc.double({ min: 0, max: 100, noNaN: true }), (planned, off, at) => {
        const found = cause(planned, () => signalValue(span(planned), at), off).cause
        expect(['stuck-low', 'stuck-high']).toContain(found)
        if (at < 45) expect(found).toBe('stuck-low')
        if (at > 55) expect(found).toBe('stuck-high')
      }),
    )
  })
  it('names shifted, and by how much', () => {
    fc.assert(
      fc.property(
        everySignal,
        noise,
        fc.double({ min: 4, max: 15, noNaN: true }),
        fc.boolean(),
        (planned, off, by, down) => {
          const shift = down ? -by : by
          const found = cause(planned, (p) => signalValue(span(planned), p + shift), off)
          expect(found.cause).toBe('shifted')
          expect(Math.abs(found.shiftPercent! - shift)).toBeLessThanOrEqual(TOLERANCE + 1e-6)
        },
      ),
    )
  })
  it('names scaled: an output that its load pulls down', () => {
    fc.assert(
      fc.property(
        fc.constantFrom<Signal>('0-10V', '0-20mA', '4-20mA', '0-5V', 'pwm', '135-ohm'),
        noise,
        fc.double({ min: 0.55, max: 0.9, noNaN: true }),
        (planned, off, factor) => {
          const found = cause(planned, (p) => factor * signalValue(span(planned), p), off)
          // Where another signal of the same unit explains it too, that one is named first.
          if (found.cause === 'other-signal') return
          expect(found.cause).toBe('scaled')
          expect(Math.abs(found.scale! - factor)).toBeLessThan(0.03)
        },
      ),
    )
  })
  it('calls a zigzag unsteady', () => {
    const value = (p: number) => 5 + (p % 50 === 0 ? 4 : -4)
    expect(cause('0-10V', value, [0, 0, 0, 0, 0]).cause).toBe('unsteady')
  })
  it('refuses no reading at all', () => expect(() => diagnoseSignal('0-10V', [], 1)).toThrow('rows are empty'))
})

describe('loops', () => {
  it.each([
    [20, 250, 5],
    [4, 500, 2],
  ])('%d mA over %d ohm are %d V', (ma, ohm, volts) => expect(acrossResistorV(ma, ohm)).toBeCloseTo(volts, 12))
  it('reaches full scale exactly at its most resistance', () => {
    const { maximumLoopOhm } = loopCurrent(24, 10, 100)
    expect(loopCurrent(24, 10, maximumLoopOhm).enoughForFullScale).toBe(true)
    expect(loopCurrent(24, 10, maximumLoopOhm + 1).enoughForFullScale).toBe(false)
  })
})

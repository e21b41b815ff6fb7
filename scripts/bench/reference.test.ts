import { describe, expect, it } from '@jest/globals'
import { simulate } from '@nachtigal/core/simulate/simulate'
import { buildReference, scenarioOf, variants, whole } from './simulation'

const reference = buildReference()
if (!reference) console.warn('no gcc here: the reference of the bench is not held against the engines')

const maybe = reference ? describe : describe.skip
maybe('the reference of the bench is the same model', () => {
  it('a season: as many starts, and the same energy', () => {
    const [theirs] = reference!.run([whole]).runs
    for (const engine of ['events', 'steps'] as const) {
      const { summary } = simulate(scenarioOf(whole), { engine })
      expect(summary.starts['pump']).toBe(theirs!.starts)
      expect(Math.abs(summary.energyKwh['pump']! / theirs!.kwh - 1)).toBeLessThan(5e-4)
      expect(summary.meanC['room']).toBeCloseTo(theirs!.meanC, 2)
    }
  })
  it('variants of three days: the same energy, starts but for one that a run ends at', () => {
    const some = variants.filter((_, i) => i % 37 === 0)
    const { runs } = reference!.run(some)
    some.forEach((variant, i) => {
      const { summary } = simulate(scenarioOf(variant))
      expect(Math.abs(summary.starts['pump']! - runs[i]!.starts)).toBeLessThanOrEqual(1)
      expect(Math.abs(summary.energyKwh['pump']! - runs[i]!.kwh)).toBeLessThan(0.005 * runs[i]!.kwh + 0.05)
    })
  })
})

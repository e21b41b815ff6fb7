import { describe, expect, it } from '@jest/globals'
import type { ResetDrawing } from './resetDrawing'
import { resetLayout, resetReach } from './resetLayout'

const values: ResetDrawing = {
  design: [-14, 68],
  warm: [15, 32],
  minimum: 20,
  maximum: 73,
  shutdown: 16,
  line: [
    [-20, 73],
    [-14, 68],
    [15, 32],
    [16, 31],
  ],
  setback: [],
  need: [],
  returns: [
    [-14, 53],
    [15, 29],
  ],
  returnLimit: 55,
  condensing: true,
  fixed: 68,
  hours: [{ from: -20, to: -18, hours: 40 }],
}
const laid = (given: ResetDrawing = values) =>
  resetLayout({ values: given, span: resetReach(given), width: 760, height: 440, compact: false, step: 1 })

describe('resetReach', () => {
  it('has everything in sight: the line, what comes back, the limits, and two beyond the summer stop', () =>
    expect(resetReach(values)).toEqual({ x: [-20, 18], y: [16, 79] }))
  it('does without limits and without a summer stop', () => {
    const { minimum: _min, maximum: _max, shutdown: _stop, ...bare } = values
    expect(resetReach(bare)).toEqual({ x: [-20, 16], y: [25, 79] })
  })
})

describe('resetLayout', () => {
  it('colder stands left, warmer supply higher', () => {
    const { x, y } = laid()
    expect(x.at(-20)).toBeLessThan(x.at(15))
    expect(y.at(68)).toBeLessThan(y.at(32))
  })
  it('what a hand is at is what is drawn there', () => {
    const { x, y } = laid()
    expect(x.from(x.at(3))).toBeCloseTo(3)
    expect(y.from(y.at(47))).toBeCloseTo(47)
  })
  it('hatches what the line saves against the fixed supply, and nothing where it saves nothing', () => {
    expect(laid().gain).toMatch(/^M.*Z$/)
    expect(laid({ ...values, fixed: 31 }).gain).toBe('')
    expect(laid({ ...values, line: [[-14, 68]] }).gain).toBe('')
  })
  it('a controller of whole degrees shows whole degrees', () => expect(laid().say(-14)).toBe('−14'))
})

import { describe, expect, it } from '@jest/globals'
import { bandEnds } from './law/proportional'
import type { BandBehaviour } from '../behaviour'
import { anchored, moveBand } from './moveBand'

const band = (change: Partial<BandBehaviour> = {}): BandBehaviour => ({
  kind: 'band',
  order: 1,
  output: { device: 'a1', port: 'out1' },
  input: { device: 'a1', port: 'probe1' },
  action: 'heating',
  anchor: 'centred',
  setpointC: 21,
  bandK: 2,
  integralS: 0,
  minimumPercent: 10,
  maximumPercent: 90,
  offsetK: 0,
  probeFault: 'off',
  ...change,
})

describe('a band that is moved', () => {
  it.each([
    ['zero', 23, {}, 23, 20, 21.5],
    ['full', 19, {}, 22, 19, 20.5],
    ['zero', 15, {}, 20.1, 20, 20.05],
    ['full', 30, {}, 22, 21.9, 21.95],
    ['zero', 20, { action: 'cooling', anchor: 'from-setpoint' }, 20, 23, 20],
    ['full', 30, { action: 'cooling', anchor: 'from-setpoint' }, 21, 30, 21],
    ['set', 18, {}, 19, 17, 18],
  ] as const)('%s to %d of %j: nothing at %d, full at %d, set %d', (part, to, change, zero, full, set) => {
    const moved = moveBand(band(change), part, to, 0.1)
    const { zeroC, fullC } = bandEnds(moved)
    expect([zeroC, fullC, moved.setpointC].map((c) => Number(c.toFixed(6)))).toEqual([zero, full, set])
  })
  it('least and most do not cross', () => {
    expect(moveBand(band(), 'minimum', 95, 0.1).minimumPercent).toBe(90)
    expect(moveBand(band(), 'maximum', 5.4, 0.1).maximumPercent).toBe(10)
  })
  it('said from another point of it, its ends stay', () => {
    const other = anchored(band(), 'from-setpoint')
    expect(bandEnds(other)).toEqual(bandEnds(band()))
    expect(anchored(other, 'centred')).toEqual(band())
  })
})

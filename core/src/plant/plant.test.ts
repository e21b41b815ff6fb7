import { describe, expect, it } from '@jest/globals'
import { fieldData } from '../testing/fieldData'
import { coolDownK } from './coolDown'
import { builds, estimateSpace, insulations } from './estimate'
import { floorLimit, floorOutput, floorSurface } from './floorOutput'
import { floorPlant, type FloorFacts } from './floorPlant'
import { winterDay } from './winterDay'

const facts: FloorFacts = {
  targetC: 28,
  probePlace: 'screed',
  designOutdoorC: -10,
  areaM2: 38,
  lossWPerK: 68.4,
  quickCapacityJPerK: 1.52e6,
  screedM: 0.065,
  pitchMm: 150,
  supplyC: 40,
  dropK: 7,
}

describe('floor output after EN 1264', () => {
  it.each([
    [29, 20, 100.0],
    [35, 20, 175.4],
    [33, 24, 100.0],
    [20, 20, 0],
    [18, 20, 0],
  ])('surface %d, room %d: about %d W/m²', (surface, room, w) => {
    expect(Math.abs(floorOutput(surface, room) - w)).toBeLessThan(0.5)
  })
  it('turns round', () => expect(floorSurface(floorOutput(27.3, 20), 20)).toBeCloseTo(27.3, 9))
  it('has the limits of the zones', () =>
    expect([
      floorLimit('occupied', 20),
      floorLimit('edge', 20),
      floorLimit('bath', 24),
      floorLimit('timber', 20),
    ]).toEqual([29, 35, 33, 27]))
})

describe('estimateSpace', () => {
  it.each(insulations.flatMap((i) => builds.map((b) => [i, b] as const)))(
    '%s %s: low under typical under high',
    (insulation, build) => {
      const made = estimateSpace(50, insulation, build, fieldData)
      for (const key of ['lossWPerK', 'capacityJPerK', 'quickCapacityJPerK', 'timeConstantH'] as const) {
        expect(made.low[key]).toBeLessThan(made[key])
        expect(made.high[key]).toBeGreaterThan(made[key])
      }
    },
  )
  it('is the row times the area', () =>
    expect(estimateSpace(38, 'fair', 'medium', fieldData).lossWPerK).toBeCloseTo(1.8 * 38, 9))
  it('refuses no area', () =>
    expect(() => estimateSpace(0, 'fair', 'medium', fieldData)).toThrow('areaM2 0 must be over 0'))
})

describe('floorPlant', () => {
  it('rests where output equals loss', () => {
    const { designRoomC } = floorPlant(facts, fieldData)
    expect(floorOutput(28, designRoomC) * 38).toBeCloseTo(68.4 * (designRoomC + 10), 3)
  })
  it('water side and room side in series give K_H of the pitch', () => {
    const { waterToSlabWPerK: a, slabToRoomWPerK: b } = floorPlant(facts, fieldData)
    expect((a * b) / (a + b)).toBeCloseTo(4.3 * 38, 6)
  })
  it('takes an element by its power, alone or beside the water', () => {
    const { powerW } = floorPlant(facts, fieldData)
    expect(floorPlant({ ...facts, elementW: 3680, noWater: true }, fieldData).powerW).toBe(3680)
    expect(floorPlant({ ...facts, elementW: 900 }, fieldData).powerW).toBeCloseTo(powerW + 900, 9)
  })
  it('controls the room when the probe hangs there', () => {
    const plant = floorPlant({ ...facts, probePlace: 'room', targetC: 22 }, fieldData)
    expect(plant.designRoomC).toBe(22)
    expect(floorOutput(plant.designSlabC, 22) * 38).toBeCloseTo(68.4 * 32, 3)
    expect(plant.seen.capacityJPerK).toBe(1.52e6)
  })
  it('refuses a screed of nothing', () =>
    expect(() => floorPlant({ ...facts, screedM: 0 }, fieldData)).toThrow('screedM 0'))
})

describe('winter day and cool-down', () => {
  it('is coldest at seven and warmest at three', () => {
    const day = winterDay(-10, 6)
    expect(day.indexOf(Math.min(...day))).toBe(7)
    expect(day.indexOf(Math.max(...day))).toBe(15)
    expect([day[7], day[15]]).toEqual([-10, -4])
  })
  it('falls by 63 % in a time constant', () =>
    expect(coolDownK(30, 0, 100, 3.6e6, 36000)).toBeCloseTo(30 * (1 - Math.exp(-1)), 9))
})

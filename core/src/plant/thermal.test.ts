import { loopKinds } from '../kinds/kinds'
import { readFileSync } from 'node:fs'
import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { calcData } from '../testing/calcData'
import { batteryRuntime } from './batteryRuntime'
import { brineProperties, fluids } from './brine'
import { emitterModels, emitterNeed } from './emitterCurve'
import { enclosureAreaM2, enclosureHeat, mountings } from './enclosure'
import { insulations } from './estimate'
import { estimatePlant } from '../kinds/estimatePlant'
import { moistAir, saturationPa } from './moistAir'
import { poolEvaporation } from './poolEvaporation'
import { bufferVolumeL, storedJPerK, waterCoolDown, waterHeaterW, waterHeatUp } from './water'

const printed = JSON.parse(readFileSync(new URL('../testing/printedValues.json', import.meta.url), 'utf8')) as {
  values: { psychrometrics: { what: string; printed: number }[] }
}
const number = (min: number, max: number) => fc.double({ min, max, noNaN: true })

describe('saturation pressure against printed tables', () => {
  const table = printed.values.psychrometrics.map(
    ({ what, printed: pa }) => [Number(/at (-?\d+) C/.exec(what)![1]), pa] as const,
  )
  it('has the table', () => expect(table.length).toBeGreaterThan(10))
  it.each([...table, [60, 19_943.9], [80, 47_414.5], [100, 101_418], [-40, 12.85]] as const)(
    '%d °C is %d Pa',
    (celsius, pa) => {
      expect(Math.abs(saturationPa(celsius) / pa - 1)).toBeLessThan(6e-4)
    },
  )
  it('rises all the way, over the change from ice to water too', () => {
    for (let t = -100; t < 200; t += 0.5) expect(saturationPa(t + 0.5)).toBeGreaterThan(saturationPa(t))
  })
  it('the dew point goes back to the vapour pressure and never over the air', () => {
    fc.assert(
      fc.property(number(-60, 90), number(0.5, 100), (celsius, humidity) => {
        const { dewPointC, vapourPa, reason } = moistAir(celsius, humidity)
        if (dewPointC === null) {
          expect(reason).toBe('dry')
          return
        }
        expect(dewPointC).toBeLessThanOrEqual(celsius + 1e-9)
        // Ice and water leave a step of under a pascal at 0 °C.
        if (Math.abs(dewPointC) > 1e-6) expect(saturationPa(dewPointC) / vapourPa).toBeCloseTo(1, 6)
      }),
    )
  })
  it('steam is told as such', () => expect(moistAir(120, 100)).toMatchObject({ humidityRatio: null, reason: 'boils' }))
})

describe('water', () => {
  const body = fc.record({
    volumeM3: number(0.01, 500),
    fromC: number(0, 60),
    lossWPerK: number(0, 5000),
    ambientC: number(-20, 40),
  })
  it('a heater sized for a time gets there in that time', () => {
    fc.assert(
      fc.property(body, number(1, 40), number(0.1, 200), (given, rise, hours) => {
        const toC = given.fromC + rise
        const powerW = waterHeaterW({ ...given, toC, hours })
        if (powerW === 0) return
        if (given.lossWPerK < 1e-3) {
          expect(waterHeatUp({ ...given, toC, powerW }).hours! / hours).toBeCloseTo(1, 4)
          return
        }
        // Seen from where it would come to rest, warming up is cooling down.
        const rest = given.ambientC + powerW / given.lossWPerK
        const stood = waterCoolDown({ ...given, fromC: given.fromC - rest + given.ambientC, hours })
        expect(stood.temperatureC - given.ambientC + rest).toBeCloseTo(toC, 5)
      }),
    )
  })
  it('warming up agrees with steps of a thousandth of the time', () => {
    const given = { volumeM3: 2, fromC: 10, toC: 45, powerW: 6000, lossWPerK: 60, ambientC: 15, constantLossW: 300 }
    const { hours } = waterHeatUp(given)
    const steps = 20_000
    const dt = (hours! * 3600) / steps
    let t = given.fromC
    for (let i = 0; i < steps; i++)
      t += (dt * (given.powerW - given.constantLossW - given.lossWPerK * (t - given.ambientC))) / storedJPerK(2)
    expect(t).toBeCloseTo(45, 2)
  })
  it.each([
    ['the pool that stops short', { powerW: 10_000 }, 'stops-short'],
    ['the pool that gets just there and no further', { powerW: 21_000 }, 'stops-short'],
    ['a heater that is off, in the cold', { powerW: 0 }, 'never-warms'],
    ['a heater that evaporation eats up', { powerW: 10_000, constantLossW: 40_000 }, 'never-warms'],
  ])('%s: no hours, and why', (_, change, reason) => {
    const given = { volumeM3: 60, fromC: 15, toC: 26, powerW: 1, lossWPerK: 1500, ambientC: 12 }
    const found = waterHeatUp({ ...given, ...change })
    expect(found).toMatchObject({ hours: null, reason })
    expect(Number.isFinite(found.settlesC)).toBe(true)
  })
  it('a loss of nothing warms in a straight line, a loss of next to nothing almost so', () => {
    const given = { volumeM3: 1, fromC: 10, toC: 20, powerW: 1000, ambientC: 5 }
    const straight = waterHeatUp({ ...given, lossWPerK: 0 })
    expect(straight).toEqual({ hours: expect.closeTo(11.5957, 3), settlesC: null })
    expect(waterHeatUp({ ...given, lossWPerK: 1e-8 }).hours).toBeCloseTo(straight.hours!, 3)
  })
  it('is there already', () =>
    expect(waterHeatUp({ volumeM3: 1, fromC: 30, toC: 20, powerW: 0, lossWPerK: 1, ambientC: 5 }).hours).toBe(0))
  it('cools half way in the time constant times ln 2', () => {
    const hours = (storedJPerK(3) / 40 / 3600) * Math.log(2)
    expect(waterCoolDown({ volumeM3: 3, fromC: 60, hours, lossWPerK: 40, ambientC: 20 }).temperatureC).toBeCloseTo(
      40,
      9,
    )
  })
  it('a buffer takes up what the load leaves over', () => {
    const litres = bufferVolumeL(10_000, 2000, 600, 5)
    expect(((litres / 1000) * storedJPerK(1) * 5) / 8000).toBeCloseTo(600, 6)
    expect(bufferVolumeL(2000, 10_000, 600, 5)).toBe(0)
  })
})

describe('pool', () => {
  const still = { areaM2: 10, waterC: 26, airC: 26, humidityPercent: 50, windMPerS: 1 }
  it('loses heat also when the air is as warm as the water, and evaporation is never under nothing', () => {
    expect(poolEvaporation(still).totalW).toBeGreaterThan(1000)
    fc.assert(
      fc.property(
        number(5, 40),
        number(-10, 45),
        number(0, 100),
        number(0, 10),
        (waterC, airC, humidityPercent, windMPerS) => {
          const { kgPerH, evaporationW, convectionW, totalW } = poolEvaporation({
            areaM2: 1,
            waterC,
            airC,
            humidityPercent,
            windMPerS,
          })
          expect(kgPerH).toBeGreaterThanOrEqual(0)
          expect(totalW).toBeCloseTo(evaporationW + convectionW, 9)
        },
      ),
    )
  })
  it.each([
    [0.5, 270],
    [1, 350],
    [2, 520],
  ])('outdoors at %d m/s about %d W/m², as the field data say', (windMPerS, w) => {
    const { evaporationW } = poolEvaporation({ areaM2: 1, waterC: 26, airC: 18, humidityPercent: 60, windMPerS })
    expect(Math.abs(evaporationW / w - 1)).toBeLessThan(0.06)
  })
})

describe('brine', () => {
  it.each([
    ['propylene-glycol', 20, -7],
    ['propylene-glycol', 50, -33],
    ['ethylene-glycol', 20, -8],
    ['ethylene-glycol', 50, -36],
  ] as const)('%s of %d %% freezes at %d °C', (fluid, share, freezeC) =>
    expect(brineProperties(fluid, share, 20, calcData.fluids).freezeC).toBeCloseTo(freezeC, 9),
  )
  it.each(fluids.filter((fluid) => fluid !== 'water').map((fluid) => [fluid] as const))(
    '%s: more of it freezes later, is heavier and stores less',
    (fluid) => {
      for (let share = 0; share < 50; share += 2) {
        const [one, two] = [share, share + 2].map((each) => brineProperties(fluid, each, 20, calcData.fluids))
        expect(two!.freezeC).toBeLessThan(one!.freezeC)
        expect(two!.densityKgPerM3).toBeGreaterThan(one!.densityKgPerM3)
        expect(two!.specificHeatJPerKgK).toBeLessThan(one!.specificHeatJPerKgK)
      }
    },
  )
  it.each([
    ['water', 10, 20, 'must be 0 for water'],
    ['propylene-glycol', 60, 20, 'between 0 and 50'],
    ['propylene-glycol', 30, -20, '-20 must lie between -13 and 100'],
  ] as const)('refuses %s of %d %% at %d °C', (fluid, share, t, message) =>
    expect(() => brineProperties(fluid, share, t, calcData.fluids)).toThrow(message),
  )
})

describe('enclosure', () => {
  it('the freer it stands the more it gives off', () => {
    const area = Object.fromEntries(mountings.map((mounting) => [mounting, enclosureAreaM2(2, 0.8, 0.4, mounting)]))
    expect(area['single-free']).toBeGreaterThan(area['single-wall']!)
    expect(area['single-wall']).toBeGreaterThan(area['end-wall']!)
    expect(area['end-free']).toBeGreaterThan(area['middle-free']!)
    expect(area['middle-free']).toBeGreaterThan(area['middle-wall']!)
    expect(area['middle-wall']).toBeGreaterThan(area['middle-wall-covered']!)
    // A wall of one square metre each way: the sum of its faces by their factors.
    expect(enclosureAreaM2(1, 1, 1, 'single-free')).toBeCloseTo(0.9 * 4 + 1.4, 12)
    expect(enclosureAreaM2(1, 1, 1, 'middle-wall-covered')).toBeCloseTo(0.9 + 0.5 * 3 + 0.7, 12)
  })
  it('what the walls and the cooler take together is what is made inside', () => {
    fc.assert(
      fc.property(
        number(0, 5000),
        number(0.1, 20),
        number(0, 50),
        number(-20, 50),
        (dissipationW, areaM2, insideMaxC, outsideC) => {
          const { removeW, riseK, uncooledC } = enclosureHeat({ dissipationW, areaM2, insideMaxC, outsideC })
          expect(riseK * 5.5 * areaM2).toBeCloseTo(dissipationW, 6)
          if (removeW > 0) expect(removeW + 5.5 * areaM2 * (insideMaxC - outsideC)).toBeCloseTo(dissipationW, 6)
          else expect(uncooledC).toBeLessThanOrEqual(insideMaxC + 1e-9)
        },
      ),
    )
  })
})

describe('emitter', () => {
  const given = { designOutdoorC: -10, designSupplyC: 70, designDropK: 15, roomC: 20, exponent: 1.3 }
  it.each(emitterModels.map((model) => [model] as const))(
    '%s is the design at the design, and nothing at no load',
    (model) => {
      expect(emitterNeed({ ...given, outdoorC: -10, model })).toMatchObject({
        supplyC: expect.closeTo(70, 9),
        returnC: expect.closeTo(55, 9),
      })
      expect(emitterNeed({ ...given, outdoorC: 20, model })).toBeNull()
    },
  )
  it('bends over the straight line: half load needs more than half of the excess', () => {
    expect(emitterNeed({ ...given, outdoorC: 5 })!.meanC - 20).toBeGreaterThan(42.5 / 2)
  })
})

/** Kinds whose loss and store are seen from their size; a thermostat alone is known by how fast it rises and falls. */
const sizedKinds = loopKinds.filter((kind) => kind !== 'thermostat')

describe('estimates', () => {
  it.each(sizedKinds.flatMap((kind) => insulations.map((insulation) => [kind, insulation] as const)))(
    '%s, %s: low, typical and high in order, with a reason',
    (kind, insulation) => {
      const { low, high, why, ...typical } = estimatePlant(
        { kind, insulation, areaM2: 30, volumeM3: 40 },
        calcData.fields,
      )
      for (const name of ['lossWPerK', 'capacityJPerK', 'quickCapacityJPerK', 'timeConstantH'] as const) {
        expect(low[name]).toBeGreaterThan(0)
        expect(low[name]).toBeLessThanOrEqual(typical[name])
        expect(typical[name]).toBeLessThanOrEqual(high[name])
      }
      expect(typical.timeConstantH).toBeCloseTo(typical.capacityJPerK / typical.lossWPerK / 3600, 9)
      expect(why).toMatch(/practice|ISO|λ/)
    },
  )
  it.each(sizedKinds.map((kind) => [kind] as const))('%s: better insulation loses less', (kind) => {
    const losses = insulations.map(
      (insulation) => estimatePlant({ kind, insulation, areaM2: 30, volumeM3: 40 }, calcData.fields).lossWPerK,
    )
    expect(losses[0]).toBeGreaterThan(losses[1]!)
    expect(losses[1]).toBeGreaterThan(losses[2]!)
  })
  it.each([
    ['floor', 'areaM2 is missing'],
    ['pool', 'volumeM3 is missing'],
    ['chiller', 'volumeM3 is missing'],
    ['enclosure', 'areaM2 is missing'],
    ['thermostat', 'kind is a thermostat alone'],
  ] as const)('%s without a size: %s', (kind, message) =>
    expect(() => estimatePlant({ kind, insulation: 'fair' }, calcData.fields)).toThrow(message),
  )
})

describe('battery', () => {
  it('lasts as long as its charge', () => {
    fc.assert(
      fc.property(
        number(1, 500),
        number(10, 100),
        number(0.1, 20),
        number(0, 5),
        number(0, 3000),
        number(0, 20),
        number(0, 100),
        (capacityAh, usablePercent, runA, fanA, startAs, cyclesPerHour, dutyPercent) => {
          const { hours, averageA } = batteryRuntime({
            capacityAh,
            usablePercent,
            runA,
            fanA,
            startAs,
            cyclesPerHour,
            dutyPercent,
          })
          if (hours !== null) expect(hours * averageA).toBeCloseTo((capacityAh * usablePercent) / 100, 6)
        },
      ),
    )
  })
  it('that drives nothing lasts for ever, and says so', () =>
    expect(
      batteryRuntime({ capacityAh: 1, usablePercent: 50, runA: 0, startAs: 0, cyclesPerHour: 0, dutyPercent: 0 }),
    ).toMatchObject({ hours: null, reason: 'no-draw' }))
})

import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { dialTest } from './dialTest'
import { driveHz, fanDemand } from '../settings/fan/law/fanDemand'
import {
  anchors,
  droop,
  type DroopInput,
  proportionalPercent,
  proportionalTemperature,
} from '../settings/band/law/proportional'
import { resetLine, type ResetLine } from '../settings/reset/law/resetLine'
import { resetSaving } from '../settings/reset/law/resetSaving'
import { diagnoseStages, shiftStages, stagePoints, stagesEnergised } from '../settings/stages/law/stages'
import { switchingSequence } from '../settings/switching/law/switchingSequence'
import { conventions, switchingPoints } from '../settings/switching/law/switchingPoints'
import { type Action } from './action'
import { translate } from '../settings/switching/law/translate'

const action = fc.constantFrom<Action>('heating', 'cooling')
const number = (min: number, max: number) => fc.double({ min, max, noNaN: true })

describe('the seven conventions', () => {
  it('go there and back for every pair and both actions', () => {
    fc.assert(
      fc.property(
        action,
        fc.constantFrom(...conventions),
        fc.constantFrom(...conventions),
        number(-30, 90),
        number(0.1, 20),
        number(0, 1),
        (acts, from, to, low, width, share) => {
          const [onC, offC] = acts === 'heating' ? [low, low + width] : [low + width, low]
          const there = translate(onC, offC, acts, from, from === 'split' ? low + share * width : undefined)
          const keyed = { ...there, convention: from, ...(from === 'signed' ? {} : { action: acts }) }
          const points = switchingPoints(keyed)
          expect(points.action).toBe(acts)
          expect(points.onC).toBeCloseTo(onC, 9)
          expect(points.offC).toBeCloseTo(offC, 9)
          const again = translate(points.onC, points.offC, acts, to)
          const other = switchingPoints({ ...again, convention: to, ...(to === 'signed' ? {} : { action: acts }) })
          expect(other.onC).toBeCloseTo(onC, 9)
          expect(other.offC).toBeCloseTo(offC, 9)
        },
      ),
    )
  })
})

describe('switchingSequence', () => {
  it('never switches between the points, and always at them', () => {
    fc.assert(
      fc.property(
        action,
        number(-20, 60),
        number(0.1, 5),
        fc.array(number(-40, 90), { maxLength: 40 }),
        fc.boolean(),
        (acts, low, width, ts, at) => {
          const [onC, offC] = acts === 'heating' ? [low, low + width] : [low + width, low]
          let before = at
          switchingSequence(onC, offC, acts, ts, at).forEach((on, i) => {
            const t = ts[i]!
            const heats = acts === 'heating'
            if (heats ? t <= onC : t >= onC) expect(on).toBe(true)
            else if (heats ? t >= offC : t <= offC) expect(on).toBe(false)
            else expect(on).toBe(before)
            before = on
          })
        },
      ),
    )
  })
  it('refuses points the wrong way round', () =>
    expect(() => switchingSequence(21, 20, 'heating', [])).toThrow('onC 21 must be under'))
})

describe('stages', () => {
  const points = stagePoints({
    action: 'cooling',
    count: 4,
    firstSetpointC: 5,
    spacingK: 1,
    swingK: 2,
    convention: 'cut-out',
  })
  it('energised agrees with each stage run through its readings from far away', () => {
    fc.assert(
      fc.property(
        action,
        number(-10, 30),
        number(0.1, 3),
        number(0.1, 4),
        fc.constantFrom('rising' as const, 'falling' as const),
        number(-20, 40),
        (acts, first, spacing, swing, direction, t) => {
          const stages = stagePoints({
            action: acts,
            count: 3,
            firstSetpointC: first,
            spacingK: spacing,
            swingK: swing,
            convention: 'centred',
          })
          const from = direction === 'rising' ? -200 : 200
          const path = [...Array.from({ length: 21 }, (_, i) => from + ((t - from) * i) / 20), t]
          const byRunning = stages.flatMap(({ stage, onC, offC }) =>
            switchingSequence(onC, offC, acts, path).at(-1) ? [stage] : [],
          )
          expect(stagesEnergised(stages, acts, t, direction)).toEqual(byRunning)
        },
      ),
    )
  })
  it('move all alike', () => {
    const { setpointsC, deltaK } = shiftStages(
      points.map(({ setpointC }) => setpointC),
      7,
    )
    expect([setpointsC, deltaK]).toEqual([[7, 8, 9, 10], 2])
  })
  it('sound patterns are just the ones that climb', () => {
    for (let bits = 0; bits < 16; bits++) {
      const on = [1, 2, 3, 4].filter((stage) => bits & (1 << (stage - 1)))
      const climbs = on.every((stage, i) => stage === i + 1)
      expect(diagnoseStages(4, on).inSequence).toBe(climbs)
    }
  })
  it.each([
    [3, [4], undefined, 'energised holds 4'],
    [3, [1], [1, 2], 'order 1, 2 must hold each stage'],
    [3, [1], [1, 2, 2], 'must hold each stage'],
  ])('%d stages, %j, order %j: %s', (count, on, order, message) =>
    expect(() => diagnoseStages(count, on, order)).toThrow(message),
  )
})

describe('dialTest', () => {
  it('finds the swing and the error of a thermostat that was made up, whichever way it is marked', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('opens-on-rise' as const, 'closes-on-rise' as const),
        fc.constantFrom('cut-in' as const, 'cut-out' as const, 'centre' as const),
        number(5, 40),
        number(0.2, 5),
        number(-4, 4),
        (contact, dialMarks, ambientC, swing, error) => {
          // The bulb is at the ambient. Turned to its mark, a right dial acts just there; a wrong one acts `error` further on.
          const heats = contact === 'opens-on-rise'
          const closed = { 'cut-in': 0, 'cut-out': heats ? swing : -swing, centre: heats ? swing / 2 : -swing / 2 }[
            dialMarks
          ]
          const closedAtDialC = ambientC + error + closed
          const openedAtDialC = closedAtDialC - (heats ? swing : -swing)
          const found = dialTest({
            ambientC,
            contact,
            closedAtDialC,
            openedAtDialC,
            dialMarks,
            toleranceK: 1,
            adjustLimitK: 3,
          })
          expect(found.swingK).toBeCloseTo(swing, 9)
          expect(found.dialErrorK).toBeCloseTo(error, 9)
          if (Math.abs(Math.abs(error) - 1) > 1e-6 && Math.abs(Math.abs(error) - 3) > 1e-6)
            expect(found.verdict).toBe(Math.abs(error) <= 1 ? 'good' : Math.abs(error) > 3 ? 'replace' : 'adjust')
        },
      ),
    )
  })
  it('without a limit never asks for a new one', () =>
    expect(
      dialTest({
        ambientC: 20,
        contact: 'opens-on-rise',
        closedAtDialC: 41,
        openedAtDialC: 40,
        dialMarks: 'cut-out',
        toleranceK: 1,
      }).verdict,
    ).toBe('adjust'))
})

describe('proportional', () => {
  const band = fc.record({
    action,
    anchor: fc.constantFrom(...anchors),
    setpointC: number(-20, 80),
    bandK: number(0.1, 30),
  })
  it('is 0 and 100 % at its ends, half in the middle, and goes back', () => {
    fc.assert(
      fc.property(band, number(0, 100), (b, percent) => {
        const t = proportionalTemperature(b, percent)
        expect(proportionalPercent(b, t)).toBeCloseTo(percent, 6)
        const towards = b.action === 'cooling' ? 1 : -1
        expect(proportionalPercent(b, t + towards * 2 * b.bandK)).toBe(100)
        expect(proportionalPercent(b, t - towards * 2 * b.bandK)).toBe(0)
        if (b.anchor === 'centred') expect(proportionalPercent(b, b.setpointC)).toBeCloseTo(50, 9)
        else expect(proportionalPercent(b, b.setpointC)).toBeCloseTo(0, 9)
      }),
    )
  })
  it('droop rests where the output covers the loss, saturated or not', () => {
    fc.assert(
      fc.property(band, number(10, 1e5), number(0, 5000), number(-40, 50), (b, powerW, lossWPerK, outdoorC) => {
        const input: DroopInput = { ...b, powerW, lossWPerK, outdoorC }
        const { settlesC, offsetK, percent, saturated } = droop(input)
        const sign = b.action === 'heating' ? 1 : -1
        const given = (sign * powerW * percent) / 100
        expect(Math.abs(given - lossWPerK * (settlesC - outdoorC))).toBeLessThan(1e-6 * (powerW + lossWPerK * 100))
        expect(offsetK).toBeCloseTo(settlesC - b.setpointC, 9)
        expect(percent).toBeCloseTo(proportionalPercent(b, settlesC), 4)
        if (saturated) expect(percent).toBe(saturated === 'full' ? 100 : 0)
      }),
    )
  })
})

describe('fanDemand', () => {
  const given = { temperatureSetC: 24, temperatureBandK: 4, humiditySetPercent: 60, humidityBandPercent: 10 }
  it('never falls as either reading rises, and keeps its minimum', () => {
    fc.assert(
      fc.property(
        number(10, 40),
        number(0, 100),
        number(0, 5),
        number(0, 100),
        fc.constantFrom('floor' as const, 'scaled' as const),
        (t, h, more, least, minimumMode) => {
          const at = (temperatureC: number, humidityPercent: number) =>
            fanDemand({ ...given, temperatureC, humidityPercent, minimumPercent: least, minimumMode }).percent
          expect(at(t + more, h)).toBeGreaterThanOrEqual(at(t, h) - 1e-9)
          expect(at(t, Math.min(100, h + more))).toBeGreaterThanOrEqual(at(t, h) - 1e-9)
          expect(at(t, h)).toBeGreaterThanOrEqual(least - 1e-9)
          expect(at(t, h)).toBeLessThanOrEqual(100 + 1e-9)
        },
      ),
    )
  })
  it('gives a tie to temperature', () =>
    expect(fanDemand({ ...given, temperatureC: 26, humidityPercent: 65 })).toMatchObject({
      percent: 50,
      command: 'temperature',
    }))
  it.each([
    [{ humidityPercent: 60 }, 'humiditySetPercent is missing'],
    [{ temperatureBandK: 0 }, 'temperatureBandK 0 must be over 0'],
  ])('%j: %s', (change, message) =>
    expect(() => fanDemand({ temperatureC: 20, temperatureSetC: 24, temperatureBandK: 4, ...change })).toThrow(message),
  )
  it('a drive runs straight between its ends', () =>
    expect([0, 50, 100].map((p) => driveHz(p, 20, 50))).toEqual([20, 35, 50]))
})

describe('resetLine', () => {
  const line: ResetLine = { designOutdoorC: -10, designSupplyC: 70, warmOutdoorC: 20, warmSupplyC: 25 }
  it.each([
    [-30, 70],
    [-10, 70],
    [5, 47.5],
    [20, 25],
    [40, 25],
  ])('at %d outside the supply is %d', (outdoor, supply) => expect(resetLine(line)(outdoor)).toBeCloseTo(supply, 9))
  it('frost stands above the shut-down, the maximum above all', () => {
    const at = resetLine({ ...line, shutdownAboveC: -20, frostBelowC: 3, frostSupplyC: 80, maximumSupplyC: 75 })
    expect([at(2.9), at(3), at(10)]).toEqual([75, null, null])
  })
  it('shuts down above its limit, not at it', () => {
    const at = resetLine({ ...line, shutdownAboveC: 16 })
    expect(at(16)).toBeCloseTo(31, 9)
    expect(at(16.01)).toBeNull()
  })
  it.each([
    [{ warmOutdoorC: -10 }, 'warmOutdoorC -10 must be over'],
    [{ minimumSupplyC: 60, maximumSupplyC: 50 }, 'minimumSupplyC 60 must not be over'],
    [{ frostBelowC: 2 }, 'frostSupplyC is missing'],
  ])('%j: %s', (change, message) => expect(() => resetLine({ ...line, ...change })).toThrow(message))
  it('saves nothing against a fixed supply that is the line itself', () => {
    const flat = { ...line, warmSupplyC: 70 }
    const { savingPercent } = resetSaving({
      ...flat,
      hourlyOutdoorC: [-5, 0, 5],
      roomC: 20,
      lossWPerK: 100,
      fixedSupplyC: 70,
      pipeLossWPerK: 5,
      pipeAmbientC: 10,
      efficiency: [
        [30, 95],
        [60, 85],
      ],
      dropK: 10,
    })
    expect(savingPercent).toBeCloseTo(0, 9)
  })
})

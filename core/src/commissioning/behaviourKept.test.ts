import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { conventions, switchingPoints } from '../settings/switching/law/switchingPoints'
import { loopContext } from '../loop/context'
import {
  fromPoints,
  keyedSwingK,
  plansOf,
  type SwitchingWords,
  switchingOf,
  withSwitching,
} from '../settings/behaviour'
import { loopKinds } from '../kinds/kinds'
import { inConvention } from '../settings/switching/replan'
import { parameterView } from '../device/parameterView'
import { withDefaultPlans } from '../survey/defaultPlans'
import { chained, idOf, swapped } from '../testing/chains'
import { fieldData } from '../testing/fieldData'
import { onOff, pointsOf } from '../testing/plans'
import { shelf } from '../testing/loops'
import { roundToStep } from '../units/displayRound'
import { quantityView } from '../units/quantity'
import { keyingSheet } from './keyingSheet'
import { plannedValues } from '../settings/plannedValues'

/** What a controller does that was keyed these words, as its display rounds them. */
function asKeyed(words: SwitchingWords, stepK: number) {
  const shown = (value: number) => roundToStep(value, stepK)
  const { action, convention, setpointC, aboveK, belowK, swingIs } = words
  const keyed = shown(keyedSwingK(words))
  return switchingPoints({
    action,
    convention,
    setpointC: shown(setpointC),
    ...(convention === 'split'
      ? { aboveK: shown(aboveK!), belowK: shown(belowK!) }
      : { swingK: swingIs === 'each-side' ? keyed * 2 : keyed }),
  })
}

describe('behaviour survives translation', () => {
  const behaviour = fc.record({
    action: fc.constantFrom('heating' as const, 'cooling' as const),
    lowC: fc.double({ min: -40, max: 200, noNaN: true }),
    swingK: fc.double({ min: 1, max: 20, noNaN: true }),
    convention: fc.constantFrom(...conventions),
    swingIs: fc.constantFrom('total' as const, 'each-side' as const),
    stepK: fc.constantFrom(0.1, 0.5, 1, 5 / 9, 0.5 / 9),
  })
  it('to every convention and back, within one step of the display', () => {
    fc.assert(
      fc.property(behaviour, ({ action, lowC, swingK, convention, swingIs, stepK }) => {
        const [onC, offC] = action === 'heating' ? [lowC, lowC + swingK] : [lowC + swingK, lowC]
        const words = fromPoints(onC, offC, action, convention, swingIs)
        const does = asKeyed(words, stepK)
        expect(Math.abs(does.onC - onC)).toBeLessThanOrEqual(stepK + 1e-9)
        expect(Math.abs(does.offC - offC)).toBeLessThanOrEqual(stepK + 1e-9)
      }),
    )
  })
  it('through any chain of conventions, to the last digit while nothing is keyed', () => {
    const plan = onOff(Object.values(chained('floor').loop.settings.planned)[0])
    fc.assert(
      fc.property(fc.array(fc.constantFrom(...conventions), { maxLength: 10 }), (through) => {
        const last = through.reduce((each, convention) => inConvention(each, convention), plan)
        expect(switchingOf(last).onC).toBeCloseTo(switchingOf(plan).onC, 9)
        expect(switchingOf(last).offC).toBeCloseTo(switchingOf(plan).offC, 9)
      }),
    )
  })
  it('a controller changed under a plan rewrites its numbers and never its points', () => {
    const others = shelf.filter(
      ({ controller, kinds, ports }) =>
        controller !== undefined &&
        Object.keys(controller.conventions).length > 0 &&
        !controller.controls?.['time-proportioned'] &&
        kinds === undefined &&
        Object.values(ports).some(({ kind }) => kind === 'contact'),
    )
    expect(others.length).toBeGreaterThan(3)
    const floor = chained('floor')
    const before = pointsOf(Object.values(floor.loop.settings.planned)[0])
    for (const other of others) {
      const after = onOff(plansOf(swapped(floor, 'dipper', other.id).loop.settings.planned)[0])
      const points = switchingOf(after)
      expect([points.onC, points.offC].map((c) => c.toFixed(9))).toEqual(
        [before.onC, before.offC].map((c) => c.toFixed(9)),
      )
      const offered = Object.values(other.controller!.conventions).map(({ convention }) => convention)
      expect(offered).toContain(after.convention)
    }
  })
})

describe('the unit changed midway', () => {
  it.each(loopKinds)('%s: no plan changes, and the keys say the same within a step', (kind) => {
    const celsius = chained(kind)
    const fahrenheit = withDefaultPlans(
      { ...celsius, job: { ...celsius.job, temperatureUnit: 'F', system: 'us' } },
      fieldData,
      () => 'never',
    )
    expect(fahrenheit.loop.settings).toEqual(celsius.loop.settings)
    const sheets = [celsius, fahrenheit].map(({ job, loop }) => keyingSheet(loopContext(job, loop, fieldData)))
    for (const [i, { device, rows }] of sheets[0]!.entries()) {
      const facts = device.facts.controller!
      const values = plannedValues(loopContext(celsius.job, celsius.loop, fieldData), device)
      const inF = new Map(sheets[1]![i]!.rows.map((row) => [row.code, row]))
      for (const { code, quantity, beyond } of rows) {
        if (quantity !== 'temperature' && quantity !== 'difference') continue
        const row = inF.get(code)!
        if (beyond || row.beyond) continue
        const { toSi } = quantityView(quantity, { temperatureUnit: 'F', system: 'us' })
        const view = parameterView(facts.parameters[code]!, facts, fahrenheit.job)!
        const stepK = toSi(view.step) - toSi(0)
        const keyed = toSi(Number(row.planned.replace('\u2212', '-')))
        expect(Math.abs(keyed - Number(values.get(code)))).toBeLessThanOrEqual(stepK / 2 + 1e-9)
      }
    }
  })
})

describe('one new set', () => {
  it('of four stages gives a whole sheet of changes, and nothing else', () => {
    const edited = chained('chiller', {}, [
      'mains-230-20',
      'curlew',
      'pocket-pt1000',
      ...Array.from({ length: 4 }, () => 'compressor-call'),
    ])
    const id = idOf(edited, 'curlew')
    const sheet = (made: typeof edited) => keyingSheet(loopContext(made.job, made.loop, fieldData))[0]!
    const asLeft = Object.fromEntries(
      sheet(edited).rows.map((row) => [
        row.code,
        {
          text: row.planned,
          unit: row.unit,
          state: 'value' as const,
          ...(row.quantity ? { value: Number(row.planned.replace('\u2212', '-')) } : {}),
          at: '2026-01-05T08:00:00Z',
          by: 'Ann',
        },
      ]),
    )
    const keyed = {
      ...edited,
      loop: { ...edited.loop, settings: { ...edited.loop.settings, asLeft: { [id]: asLeft } } },
    }
    expect(sheet(keyed).rows.filter(({ agrees }) => !agrees)).toEqual([])
    const planned = Object.fromEntries(
      Object.entries(keyed.loop.settings.planned).map(([plan, each]) => [
        plan,
        withSwitching(onOff(each), fromPoints(pointsOf(each).onC + 1, pointsOf(each).offC + 1, 'cooling', 'cut-out')),
      ]),
    )
    const moved = { ...keyed, loop: { ...keyed.loop, settings: { ...keyed.loop.settings, planned } } }
    expect(
      sheet(moved)
        .rows.filter(({ agrees }) => agrees === false)
        .map(({ code, planned: text }) => [code, text]),
    ).toEqual([
      ['s1', '\u22121.0'],
      ['s2', '0.0'],
      ['s3', '1.0'],
      ['s4', '2.0'],
    ])
  })
})

import { describe, expect, it } from '@jest/globals'
import { fromSetpoint } from '../settings/behaviour'
import { plannedFloor } from '../testing/warmFloor'
import { wordChange } from './wordChange'
import { onOff } from '../testing/plans'
import { changesBetween } from '../document/changesBetween'
import { chained } from '../testing/chains'

const metric = { temperatureUnit: 'C', system: 'metric' } as const
const us = { temperatureUnit: 'F', system: 'us' } as const
const reading = { text: '0.2', unit: 'ohm', state: 'value', at: '', by: '' }
const say = (path: string[], from: unknown, to: unknown, preferences: typeof metric | typeof us = metric) => {
  const { what, before, after } = wordChange({ path, from, to }, preferences, (id) => (id === 'a~b' ? '3' : undefined))
  return `${what}: ${before} / ${after}`.replace(/\u00a0/g, ' ')
}

describe('wordChange', () => {
  it.each([
    [['survey', 'answers', 'target'], null, 28, 'Survey: target: nothing / 28.0 °C'],
    [['survey', 'answers', 'insulation'], 'poor', 'fair', 'Survey: insulation: Poor / Fair'],
    [['survey', 'hazards', 'mains'], null, true, 'Hazard: mains in the box or at the load: not ticked / ticked'],
    [['survey', 'complaint'], null, 'cold', 'Complaint: nothing / cold'],
    [['wiring', 'rows', 'a~b', 'landed'], null, true, 'Wire 3 landed: nothing / yes'],
    [['wiring', 'rows', 'a~b', 'tested'], null, reading, 'Wire 3 tested: no reading / 0.2 ohm'],
    [['wiring', 'rows', 'gone', 'lengthM'], null, 6, 'Wire length: nothing / 6.0 m'],
    [
      ['settings', 'asLeft', 'd', 'goal'],
      reading,
      { ...reading, state: 'over-range' },
      'As-left goal: 0.2 ohm / over-range',
    ],
    [['settings', 'asFound', 'd', 'goal'], null, reading, 'As-found goal: no reading / 0.2 ohm'],
    [
      ['proof', 'readings', 'r'],
      null,
      { ...reading, test: 'rise-and-fall/plan-1', step: 'rise-2' },
      'Rise and fall, rise again: no reading / 0.2 ohm',
    ],
    [['proof', 'readings', 'r'], null, { ...reading, test: undefined }, 'Reading: no reading / 0.2 ohm'],
    [
      ['proof', 'skipped', 'alarm/p'],
      null,
      { reason: 'no siren yet' },
      'Test left out: Alarm: to be made / no siren yet',
    ],
    [
      ['proof', 'attempts', 'sweep/p'],
      null,
      { attempt: 2 },
      'Test begun anew: Modulating sweep: attempt 1 / attempt 2',
    ],
    [
      ['proof', 'past', 'x'],
      null,
      { test: 'dial/p', head: 'Adjust the dial' },
      'Earlier attempt: Dial test: nothing / Adjust the dial',
    ],
    [
      ['handover', 'ticks', 'spareFuses'],
      null,
      { by: 'Ann' },
      'Hand-over: spare fuses are in the panel: not ticked / ticked',
    ],
    [['handover', 'reopened'], null, { why: 'cooler' }, 'Hand-over: locked / opened again: cooler'],
    [['handover', 'retest'], null, '2027-09-30', 'Next test: nothing / 2027-09-30'],
    [['kit', '2026-03-01', 'm'], null, true, 'Measured with on 2026-03-01: not taken out / taken out'],
    [['notes', 'n'], null, { text: 'Relay', photo: 'ab' }, 'Photo: nothing / Relay'],
    [
      ['proof', 'readings', 'r'],
      null,
      { ...reading, test: 'dead', step: 'apart:X1:L-PE:abc' },
      'Dead test: separation X1 L-PE: no reading / 0.2 ohm',
    ],
    [['proof', 'readings', 'r'], null, { ...reading, test: 'hunt/x', step: 'a' }, 'Short finder: no reading / 0.2 ohm'],
    [['wiring', 'done', 'isolate/off:x'], null, { answer: 'yes' }, 'Isolate: off and locked: open / done'],
    [['wiring', 'done', 'mount/d/drill'], { answer: 'yes' }, null, 'Mechanical step: done / open'],
    [['wiring', 'changed', 'a~b'], { says: '4: A1 5 to K1 A1' }, null, 'List of wires: 4: A1 5 to K1 A1 / seen'],
    [['wiring', 'box', 'heightM'], null, 0.4, 'Box: height: nothing / 400 mm'],
    [['proof', 'answers', 'commanded'], null, 'yes', 'Question: commanded: nothing / yes'],
    [['waivers', 'k'], null, { by: 'Ann', reason: 'long lead' }, 'Finding closed: open / long lead'],
    [['temporary', 't'], { what: 'bridge' }, null, 'Temporary: bridge / nothing'],
    [['handover', 'signed'], null, { by: 'Ann' }, 'Hand-over: not signed / signed by Ann'],
    [['chain', 'connections', 'c'], null, {}, 'Connection: open / joined'],
    [['chain', 'devices', 'd'], { name: 'Wren' }, { name: 'Dipper' }, 'Device: Wren / Dipper'],
    [['chain', 'devices', 'd', 'dialC'], 50, 45, 'Dial of a limiter: 50.0 °C / 45.0 °C'],
    [['devices', 'd', 'place'], null, 'cellar', 'Device: place: nothing / cellar'],
    [['temperatureUnit'], 'C', 'F', 'Temperature unit: °C / °F'],
    [['profiles', 'dipper'], null, { name: 'Dipper' }, 'Copy of profile dipper: nothing / Dipper'],
    [[], null, { type: 'loop', name: 'Floor' }, 'Loop: nothing / Floor'],
    [[], null, { type: 'job', name: 'Job' }, 'Job: nothing / Job'],
    [['name'], 'Old', 'New', 'Name: Old / New'],
  ] as [string[], unknown, unknown, string][])('%j', (path, from, to, words) => {
    expect(say(path, from, to)).toBe(words)
  })
  it('speaks the units that are asked for, differences as differences', () => {
    expect(say(['survey', 'answers', 'target'], 20, 28, us)).toBe('Survey: target: 68.0 °F / 82.4 °F')
    expect(say(['survey', 'answers', 'tolerance'], null, 25 / 9, us)).toBe('Survey: may stray by: nothing / 5.0 °F')
    expect(say(['survey', 'answers', 'floorArea'], null, 38, us)).toBe('Survey: floor area: nothing / 409 ft²')
  })
  it('tells of a plan what moved, of a new one everything', () => {
    const plan = onOff(plannedFloor().loop.settings.planned['plan-1'])
    const words = say(['settings', 'planned', 'p'], plan, { ...plan, ...fromSetpoint('heating', 'cut-out', 27, 2) })
    expect(words).toBe(
      'Plan: setpoint 28.0 °C, swing 1.0 K, on 27.0 °C, off 28.0 °C / setpoint 27.0 °C, swing 2.0 K, on 25.0 °C, off 27.0 °C',
    )
    expect(say(['settings', 'planned', 'p'], plan, { ...plan, offsetK: 0.5 })).toBe('Plan: offset 0.0 K / offset 0.5 K')
    expect(say(['settings', 'planned', 'p'], null, plan)).toMatch(
      /^Plan: nothing \/ .*setpoint 28.0 °C, .*setpoint cuts out, .*on 27.0 °C, off 28.0 °C/,
    )
  })
})

describe('what was planned besides switching points', () => {
  const metric = { temperatureUnit: 'C', system: 'metric' } as const
  const us = { temperatureUnit: 'F', system: 'us' } as const
  const reset = { designOutdoorC: -14, designSupplyC: 68, averageH: 3, setbackK: 0 }
  it('a controller\u2019s part tells only what moved, in the units that are read', () => {
    const path = ['settings', 'controllers', 'a1', 'reset']
    const to = { ...reset, designSupplyC: 60, setbackK: 5 }
    expect(wordChange({ path, from: reset, to }, metric)).toEqual({
      what: 'Reset curve',
      before: 'design supply 68.0\u00a0°C, set-back 0.0\u00a0K',
      after: 'design supply 60.0\u00a0°C, set-back 5.0\u00a0K',
    })
    expect(wordChange({ path, from: reset, to }, us).after).toBe('design supply 140.0\u00a0°F, set-back 9.0\u00a0°F')
  })
  it.each(['room', 'fan', 'boiler', 'cold-room', 'cabin', 'cabinet'] as const)(
    '%s: whatever is planned can be told',
    (kind) => {
      const steps = kind === 'room' ? ['safety-24', 'plover', 'room-ni1000', 'valve-y010'] : undefined
      const { loop } = chained(kind, {}, steps)
      const changes = changesBetween(loop.id, null, loop)
      for (const [id, plan] of Object.entries(loop.settings.planned)) {
        const moved = wordChange(
          { path: ['settings', 'planned', id], from: plan, to: { ...plan, setpointC: plan.setpointC + 1 } },
          metric,
        )
        expect(moved.after).not.toMatch(/undefined|NaN|object/)
        expect(moved.after).not.toBe(moved.before)
        const made = wordChange({ path: ['settings', 'planned', id], from: null, to: plan }, metric)
        expect(made.after).not.toMatch(/undefined|NaN|object/)
      }
      for (const change of changes) expect(wordChange(change, metric).after).not.toMatch(/undefined|NaN|\[object/)
      for (const [device, whole] of Object.entries(loop.settings.controllers ?? {}))
        for (const [part, held] of Object.entries(whole)) {
          const made = wordChange({ path: ['settings', 'controllers', device, part], from: null, to: held }, metric)
          expect(made.after).not.toMatch(/undefined|NaN|\[object/)
        }
    },
  )
})

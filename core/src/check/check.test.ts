import { describe, expect, it } from '@jest/globals'
import type { OnOffBehaviour } from '../settings/behaviour'
import { fromSetpoint } from '../settings/behaviour'
import { fieldData } from '../testing/fieldData'
import { plannedFloor, profile, surveyedFloor, twoOutputs } from '../testing/warmFloor'
import { type Edited, replaceDevice } from '../wiring/chainEdit'
import { runCalculation, findCalculation } from '../calc/registry'
import { calcData } from '../testing/calcData'
import { checkLoop } from './checkLoop'
import { consequences, probeFailures } from '../settings/consequences'
import { loopContext } from '../loop/context'
import { nextThing, signingBlockedBy, stepStatus } from '../progress/stepStatus'
import { onOff } from '../testing/plans'

const context = ({ job, loop }: Edited) => loopContext(job, loop, fieldData)
const codes = (edited: Edited) => checkLoop(context(edited)).open.map(({ code, severity }) => `${code} ${severity}`)
const replan = (edited: Edited, changes: Partial<OnOffBehaviour>): Edited => ({
  ...edited,
  loop: {
    ...edited.loop,
    settings: {
      ...edited.loop.settings,
      planned: { 'plan-1': { ...onOff(edited.loop.settings.planned['plan-1']), ...changes } },
    },
  },
})

describe('judgedConnections', () => {
  it('all fit on the demo chain, each with a reason', () => {
    const { judgedConnections } = context(plannedFloor())
    expect(judgedConnections.map(({ verdict }) => verdict)).toEqual(Array(judgedConnections.length).fill('fits'))
    expect(judgedConnections.length).toBe(5)
    for (const { reason } of judgedConnections) expect(reason.length).toBeGreaterThan(20)
  })
  it('a Pt1000 on an NTC input does not fit and says what the display would read', () => {
    const { judgedConnections } = context(replaceDevice(plannedFloor(), 'device-1', profile('probes/cable-pt1000')))
    expect(judgedConnections[0]).toMatchObject({ verdict: 'does-not-fit', passes: '1078\u00a0ohm' })
    expect(judgedConnections[0]!.reason).toContain('shows 96.0\u00a0°C')
  })
  it('speaks Fahrenheit to whom it belongs', () => {
    const edited = replaceDevice(
      plannedFloor(undefined, surveyedFloor({ temperatureUnit: 'F', system: 'us' })),
      'device-1',
      profile('probes/cable-pt1000'),
    )
    expect(context(edited).judgedConnections[0]!.reason).toContain('At 68\u00a0°F')
  })
  it('16 A on a 10 A contact does not fit and proposes a contactor', () => {
    const { judgedConnections } = context(
      plannedFloor([
        'probes/floor-ntc10k',
        'controllers/dipper',
        'loads/floor-heater-3680',
        'limiters/fieldfare',
        'supplies/mains-230-20',
      ]),
    )
    const connection = judgedConnections.find(({ verdict }) => verdict === 'does-not-fit')!
    expect(connection).toMatchObject({
      fix: { do: 'insert', wants: { category: 'relay' } },
      remedy: 'Put a contactor rated over 20 A between.',
    })
    expect(connection.reason).toContain('16.00\u00a0A')
  })
  it('a 24 V supply does not feed a 230 V pump', () => {
    const { judgedConnections } = context(
      plannedFloor([
        'probes/floor-ntc10k',
        'controllers/dipper',
        'loads/circulator-45',
        'limiters/shrike',
        'supplies/safety-24',
      ]),
    )
    expect(judgedConnections.filter(({ verdict }) => verdict === 'does-not-fit').map(({ reason }) => reason)).toEqual([
      expect.stringContaining('the load wants 230'),
    ])
  })
})

describe('findings', () => {
  it('has none on the demo loop', () => expect(codes(plannedFloor())).toEqual([]))
  it.each([
    [
      'setpoint over its limit',
      { ...fromSetpoint('heating', 'cut-out', 34, 1) },
      'C020_SETPOINT_OUTSIDE_LIMITS look-again',
    ],
    [
      'setpoint under its limit',
      { ...fromSetpoint('heating', 'cut-out', 5, 1) },
      'C020_SETPOINT_OUTSIDE_LIMITS look-again',
    ],
    [
      'swing wider than the limits',
      { ...fromSetpoint('heating', 'cut-out', 28, 25) },
      'C021_SWING_WIDER_THAN_LIMITS look-again',
    ],
    ['alarm inside the band', { alarmHighC: 27.9 }, 'C022_ALARM_INSIDE_BAND look-again'],
    [
      'swing under the display step',
      { ...fromSetpoint('heating', 'cut-out', 28, 0.1) },
      'C023_SWING_UNDER_RESOLUTION look-again',
    ],
    [
      'surface over its limit',
      { ...fromSetpoint('heating', 'cut-out', 36, 1), highestC: 40, alarmHighC: 45 },
      'C025_SURFACE_OVER_LIMIT stop',
    ],
    [
      'a convention this controller lacks',
      { ...fromSetpoint('heating', 'above', 27, 1) },
      'C027_CONVENTION_NOT_ON_CONTROLLER look-again',
    ],
    ['a large offset', { offsetK: 2.1 }, 'C040_OFFSET_LARGE look-again'],
    [
      'heat left on when the probe breaks, its limiter not proved',
      { probeFault: 'on' },
      'C041_HEATS_ON_PROBE_FAULT stop',
    ],
  ] as [string, Partial<OnOffBehaviour>, string][])('%s', (_, changes, code) =>
    expect(codes(replan(plannedFloor(), changes))).toContain(code),
  )

  it('no limiter is a stop, and makes heat left on a stop too', () => {
    const bare = plannedFloor([
      'probes/floor-ntc10k',
      'controllers/dipper',
      'loads/circulator-45',
      'supplies/mains-230-10',
    ])
    expect(codes(bare)).toContain('C013_NO_LIMITER stop')
    expect(codes(replan(bare, { probeFault: 'on' }))).toContain('C041_HEATS_ON_PROBE_FAULT stop')
  })
  it('a limiter over the screed\u2019s limit is a stop', () => {
    const edited = plannedFloor()
    const devices = {
      ...edited.loop.chain.devices,
      'device-4': { ...edited.loop.chain.devices['device-4']!, dialC: 60 },
    }
    expect(codes({ ...edited, loop: { ...edited.loop, chain: { ...edited.loop.chain, devices } } })).toContain(
      'C014_LIMITER_TOO_HIGH stop',
    )
  })
  it('a limiter whose dial nobody wrote down is a stop', () => {
    const edited = plannedFloor()
    const { dialC: _dial, ...limiter } = edited.loop.chain.devices['device-4']!
    const devices = { ...edited.loop.chain.devices, 'device-4': limiter }
    expect(codes({ ...edited, loop: { ...edited.loop, chain: { ...edited.loop.chain, devices } } })).toContain(
      'C016_LIMITER_NOT_SET stop',
    )
  })
  it.each([
    ['fair', 22, 35, []],
    ['poor', 24, 29, ['C025_SURFACE_OVER_LIMIT stop']],
  ] as const)(
    'a probe in the air, %s insulation, %d °C: the floor that the room needs is held against %d °C',
    (insulation, target, limit, expected) => {
      const edited = surveyedFloor()
      const asked = { probePlace: 'room', target, insulation, zone: limit === 29 ? 'occupied' : 'edge' }
      const inAir = plannedFloor(undefined, {
        ...edited,
        loop: {
          ...edited.loop,
          survey: { ...edited.loop.survey, answers: { ...edited.loop.survey.answers, ...asked } },
        },
      })
      expect(codes(inAir).filter((code) => code.includes('SURFACE'))).toEqual(expected)
    },
  )
  it('a loop without a probe is a finding, not an error', () => {
    expect(
      codes(plannedFloor(['controllers/dipper', 'loads/circulator-45', 'limiters/shrike', 'supplies/mains-230-10'])),
    ).toContain('C001_NO_PROBE look-again')
  })
  it('says when the power is not enough, with the numbers', () => {
    const edited = surveyedFloor()
    const cold = plannedFloor(undefined, {
      ...edited,
      loop: {
        ...edited.loop,
        survey: { ...edited.loop.survey, answers: { ...edited.loop.survey.answers, supplyWater: 34 } },
      },
    })
    const [finding] = checkLoop(context(cold)).open
    expect(finding).toMatchObject({ code: 'C060_NEVER_REACHES', step: 'set' })
    expect(finding!.reason).toMatch(/^\d+\sW in; the design day asks for \d+\sW\.$/)
  })
  it('closes a plain finding with a reason, never a safety stop', () => {
    const bare = replan(
      plannedFloor(['probes/floor-ntc10k', 'controllers/dipper', 'loads/circulator-45', 'supplies/mains-230-10']),
      { offsetK: 2.5 },
    )
    const waivers = {
      'C040_OFFSET_LARGE/plan-1': { by: 'Ann', reason: 'long lead' },
      'C013_NO_LIMITER/device-3': { by: 'Ann', reason: 'trust me' },
    }
    const result = checkLoop(context({ ...bare, loop: { ...bare.loop, waivers } }))
    expect(result.closed.map(({ code }) => code)).toEqual(['C040_OFFSET_LARGE'])
    expect(result.open.map(({ code }) => code)).toContain('C013_NO_LIMITER')
  })
})

it('a failed test cannot be reasoned away either', () => {
  const edited = plannedFloor()
  const reading = (order: number, step: string, value: number) => ({
    ...{ order, step, value, test: 'rise-and-fall/plan-1', text: String(value), unit: '°C', state: 'value' as const },
    ...{ at: '2026-01-05T08:00:00Z', by: 'Ann' },
  })
  const readings = {
    a: reading(1, 'rise-1', 28.8),
    b: reading(2, 'fall-1', 27.8),
    c: reading(3, 'rise-2', 28.8),
    d: reading(4, 'fall-2', 27.8),
  }
  const waivers = { 'C050_TEST_FAILED/plan-1': { by: 'Ann', reason: 'good enough' } }
  const made = context({ ...edited, loop: { ...edited.loop, proof: { ...edited.loop.proof, readings }, waivers } })
  expect(checkLoop(made).open.map(({ code }) => code)).toEqual(['C050_TEST_FAILED'])
  expect(signingBlockedBy(made).join(' ')).toContain('adjust the offset by 0.8')
})

describe('consequences', () => {
  const made = context(plannedFloor())
  const lines = consequences(onOff(made.loop.settings.planned['plan-1']), made)
  it('tells all of them', () =>
    expect(lines.map(({ id }) => id)).toEqual([
      'on',
      'off',
      'design',
      'worst',
      'allowed',
      'life',
      'settles',
      'display',
    ]))
  it('says in words where it settles and what the display shows', () => {
    const said = Object.fromEntries(lines.map(({ id, text }) => [id, text]))
    // Wider than the points by the late probe: the pool cools and warms while the probe follows
    expect(said['settles']).toMatch(/^about 26\.6\s°C to 28\.1\s°C$/)
    expect(said['display']).toMatch(/^27\.0 on, 28\.0 off; the probe is \d\.\d\sK late$/)
  })
  it.each(lines.flatMap(({ worked, ...line }) => (worked ? [[line.id, { ...line, worked }] as const] : [])))(
    '%s is what its calculation answers',
    (_, { value, worked }) => {
      const outcome = runCalculation(findCalculation(worked.calc)!, JSON.parse(JSON.stringify(worked.input)), calcData)
      expect(outcome.ok && outcome.output[worked.output]).toBeCloseTo(value!, 9)
    },
  )
  it('gives a reason where the floor never gets there', () => {
    const plan = { ...onOff(made.loop.settings.planned['plan-1']), ...fromSetpoint('heating', 'cut-out', 60, 1) }
    expect(consequences(plan, made).find(({ id }) => id === 'design')).toMatchObject({
      value: null,
      reason: 'stays on',
    })
  })
  it('says what a failed probe does', () => {
    expect(probeFailures(onOff(made.loop.settings.planned['plan-1']), made.chain, made.survey)).toEqual([
      { which: 'open', display: 'brk', output: 'off', fallsK: expect.any(Number) },
      { which: 'short', display: 'shr', output: 'off', fallsK: expect.any(Number) },
    ])
  })
})

describe('stages', () => {
  it('an empty loop waits everywhere and says what is next', () => {
    const empty = surveyedFloor()
    const bare = context({ ...empty, loop: { ...empty.loop, survey: { answers: {}, hazards: {} } } })
    expect(stepStatus(bare).map(({ state }) => state)).toEqual(Array(7).fill('waiting'))
    expect(nextThing(bare)).toMatchObject({ step: 'survey', what: 'Survey: target' })
  })
  it('a planned loop is surveyed and matched, and hand-over says what is missing', () => {
    const made = context(plannedFloor())
    expect(
      stepStatus(made)
        .slice(0, 4)
        .map(({ state, says }) => [state, says]),
    ).toEqual([
      ['done', 'done'],
      ['done', 'all connections fit'],
      ['waiting', '0 of 10 landed'],
      ['open', 'planned, not keyed'],
    ])
    expect(signingBlockedBy(made).length).toBeGreaterThan(1)
  })
  it('temporary work keeps the hand-over shut', () => {
    const edited = plannedFloor()
    const temporary = { t: { order: 1, what: 'Bridge on F1', by: 'Ann', at: '2026-01-01T00:00:00Z' } }
    expect(signingBlockedBy(context({ ...edited, loop: { ...edited.loop, temporary } }))).toContain(
      'Temporary: Bridge on F1. Take it off first.',
    )
  })
})

describe('the documents are those of every later loop', () => {
  const two = plannedFloor(twoOutputs)
  it('two probes, two outputs and limiters: each output its own line and plan', () => {
    expect(Object.keys(two.loop.settings.planned)).toEqual(['plan-1', 'plan-2'])
    expect(codes(two).filter((code) => code.includes('stop'))).toEqual([])
    expect(context(two).rows.length).toBe(18)
  })
})

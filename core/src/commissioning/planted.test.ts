import { describe, expect, it } from '@jest/globals'
import { loopContext } from '../loop/context'
import { bandEnds } from '../settings/band/law/proportional'
import { fanDemand } from '../settings/fan/law/fanDemand'
import {
  fromSetpoint,
  plansOf,
  switchingPlans,
  type BandBehaviour,
  type FanBehaviour,
  type OnOffBehaviour,
  type PlanOf,
  type SwitchingWords,
  switchingOf,
} from '../settings/behaviour'
import { faultyProbe } from '../probes/faultyProbe'
import { mismatch } from '../probes/mismatch'
import { probeCurve } from '../probes/probeCurve'
import type { Control, Fault } from '../simulate/scenario'
import { signalSpan, type Signal } from '../signal/signal'
import { controllerPlanOf } from '../survey/controllerPlanOf'
import { judged, testOf } from '../testing/answered'
import { chained, idOf, replanned, step } from '../testing/chains'
import { fieldData } from '../testing/fieldData'
import { type Read, soundReadings } from '../testing/soundReadings'
import { runBench, throughC } from '../testing/plantedBench'
import type { Edited } from '../wiring/edited'
import { metered } from './procedures/sweepTest'

const contextOf = ({ job, loop }: Edited) => loopContext(job, loop, fieldData)
/** A cause by its own name, without the test's. */
const nameOf = (code: string | undefined) => code?.split('.')[1]
const first = <T>(test: {
  readonly result: { readonly causes: readonly { readonly code: string }[]; readonly verdict: T }
}) => nameOf(test.result.causes[0]?.code)
const switching = (edited: Edited) => switchingPlans(edited.loop.settings.planned)[0]!

const floor = chained('floor')
const floorPlan = switching(floor)

/** Where an output switches, and which way. */
type Keyed = Pick<PlanOf<OnOffBehaviour>, 'action' | 'onC' | 'offC'>

/** On/off control as the plan says, or as somebody keyed it. */
const onOffOf = (plan: Keyed, keyed: Partial<Keyed> = {}): Control => {
  const { action, onC, offC } = { ...plan, ...keyed }
  return { id: 'c', kind: 'on-off', probe: 'probe', drives: 'load', action, onC, offC, probeFault: 'off' }
}

/** The rise-and-fall test made on a bench: bath up and down twice, the bath read where the load went on or off. */
function riseAndFall(
  edited: Edited,
  keyed: Partial<Keyed> = {},
  { faults = [], offsetK = 0, display = true }: { faults?: readonly Fault[]; offsetK?: number; display?: boolean } = {},
) {
  const plan = switching(edited)
  const middle = (plan.onC + plan.offC) / 2
  const reach = 4 * plan.swingK + 6
  const { hourlyC } = throughC([middle - reach, middle + reach, middle - reach, middle + reach, middle - reach], 1, 20)
  const run = runBench({ hourlyC, controls: [onOffOf(plan, keyed)], drives: ['load'], faults, offsetK })
  const read: Record<string, Read> = {}
  for (const [i, id] of ['rise-1', 'fall-1', 'rise-2', 'fall-2'].entries()) {
    // Each leg takes 20 hours and an hour of rest.
    const from = i * 21 * 3600 + 1
    const here = run.switchings('load').find(({ atS }) => atS > from && atS <= from + 21 * 3600)
    read[id] = here ? here.bathC : null
    if (here) read[`${id}/went`] = here.what
    if (here && display) read[`${id}/display`] = run.shownC(here.atS / 3600)
  }
  return judged(edited, 'rise-and-fall', read)
}

/** What another swing, convention or set does to the points. */
const wordedAs = (plan: PlanOf<OnOffBehaviour>, change: Partial<OnOffBehaviour>): SwitchingWords => {
  const next = { ...plan, ...change }
  return fromSetpoint(next.action, next.convention, next.setpointC, next.swingK)
}
const keyedAs = (plan: PlanOf<OnOffBehaviour>, change: Partial<OnOffBehaviour>): Partial<Keyed> =>
  switchingOf(wordedAs(plan, change))

describe('rise and fall on the bench', () => {
  it('is good when nothing is planted', () => {
    expect(riseAndFall(floor).result.verdict).toBe('good')
  })
  it.each<[string, Partial<Keyed>, Parameters<typeof riseAndFall>[2]]>([
    ['swing-doubled', keyedAs(floorPlan, { swingK: 2 * floorPlan.swingK }), {}],
    ['swing-not-as-planned', keyedAs(floorPlan, { swingK: 3.2 * floorPlan.swingK }), {}],
    ['set-not-as-planned', keyedAs(floorPlan, { setpointC: floorPlan.setpointC + 1.5 }), {}],
    ['other-convention', keyedAs(floorPlan, { convention: 'above' }), {}],
    ['action-reversed', { action: 'cooling', onC: floorPlan.offC, offC: floorPlan.onC }, {}],
    ['reads-off', {}, { faults: [{ kind: 'drifted', probe: 'probe', byK: 1, atS: 0 }] }],
    ['reads-off', {}, { offsetK: -0.7, display: false }],
    ['probe-or-lead', {}, { faults: [{ kind: 'drifted', probe: 'probe', byK: -4, atS: 0 }] }],
    ['no-switching', {}, { faults: [{ kind: 'dead', actuator: 'load', atS: 0 }] }],
    ['no-switching', {}, { faults: [{ kind: 'welded', actuator: 'load', atS: 0 }] }],
  ])('%s, planted by %j %j', (id, keyed, planted) => {
    expect(first(riseAndFall(floor, keyed, planted))).toBe(id)
  })
  it('swing halved: the total was meant, each side was keyed', () => {
    const wide = replanned(floor, wordedAs(floorPlan, { swingK: 4 }))
    expect(first(riseAndFall(wide, keyedAs(switching(wide), { swingK: 2 })))).toBe('swing-halved')
  })
  it('does not repeat: a connection that comes and goes', () => {
    const read = {
      'rise-1': floorPlan.offC,
      'fall-1': floorPlan.onC,
      'rise-2': floorPlan.offC + 1.4,
      'fall-2': floorPlan.onC,
    }
    expect(first(judged(floor, 'rise-and-fall', read))).toBe('does-not-repeat')
  })
})

/** A chiller of four stages, one controller. */
const chiller = ['compressor-call', 'compressor-call', 'compressor-call'].reduce(step, chained('chiller'))
const stagePlans = switchingPlans(chiller.loop.settings.planned)

interface PlantedStages {
  readonly keyed?: Readonly<Record<number, Partial<OnOffBehaviour>>>
  readonly faults?: readonly Fault[]
  /** What each output's wire really goes to. */
  readonly wired?: Readonly<Record<string, string>>
  readonly lamps?: boolean
}

/** The stage sequence made on the bench: the bath led through every temperature of the sheet, loads and lamps looked at. */
function stageSequence({ keyed = {}, faults = [], wired = {}, lamps = false }: PlantedStages = {}) {
  const test = testOf(contextOf(chiller), 'stages')
  const drives = stagePlans.map((_, i) => `s${i + 1}`)
  const { hourlyC, atH } = throughC(test.steps.map(({ at }) => at!.temperatureC!))
  const control: Control = {
    id: 'c',
    kind: 'staged',
    probe: 'probe',
    action: 'cooling',
    probeFault: 'off',
    stages: stagePlans.map((plan, i) => {
      const { onC, offC } = { ...plan, ...keyed[i + 1] }
      return { drives: drives[i]!, onC, offC }
    }),
  }
  // The lamps follow the command: they are looked at on a bench whose loads are sound.
  const commands = runBench({
    hourlyC,
    controls: [control],
    drives,
    faults: faults.filter(({ kind }) => kind === 'stage-missing'),
  })
  const loads = runBench({ hourlyC, controls: [control], drives, faults })
  const read: Record<string, Read> = {}
  for (const [i, { id }] of test.steps.entries()) {
    read[id] = drives
      .flatMap((drive, n) => (loads.share(drive, atH[i]!) > 0.5 ? [wired[`${n + 1}`] ?? `${n + 1}`] : []))
      .sort()
    if (lamps)
      read[`${id}/lamps`] = drives.flatMap((drive, n) => (commands.share(drive, atH[i]!) > 0.5 ? [`${n + 1}`] : []))
  }
  return judged(chiller, 'stages', read)
}

describe('stage sequence on the bench', () => {
  it('four stages, each asked for in both directions', () => {
    expect(stagePlans).toHaveLength(4)
    expect(testOf(contextOf(chiller), 'stages').steps).toHaveLength(10)
    expect(stageSequence({ lamps: true }).result.verdict).toBe('good')
  })
  it.each<[string, PlantedStages]>([
    ['stage-not-keyed', { faults: [{ kind: 'stage-missing', control: 'c', stage: 2, atS: 0 }] }],
    ['stage-not-keyed', { faults: [{ kind: 'stage-missing', control: 'c', stage: 2, atS: 0 }], lamps: true }],
    ['stage-wire', { faults: [{ kind: 'dead', actuator: 's2', atS: 0 }], lamps: true }],
    ['stage-welded', { faults: [{ kind: 'welded', actuator: 's3', atS: 0 }] }],
    ['stages-crossed', { wired: { 1: '2', 2: '1' } }],
    ['stage-set', { keyed: { 3: keyedAs(stagePlans[2]!, { setpointC: stagePlans[3]!.setpointC }) } }],
    ['stage-swing-otherwise', { keyed: { 2: keyedAs(stagePlans[1]!, { swingK: 1.6 * stagePlans[1]!.swingK }) } }],
  ])('%s, planted by %j', (id, planted) => {
    expect(first(stageSequence(planted))).toBe(id)
  })
  it('names the stage and what to check in order of effort', () => {
    const { result } = stageSequence({ faults: [{ kind: 'stage-missing', control: 'c', stage: 2, atS: 0 }] })
    expect(result.head).toBe('Stage 2 is dead')
    expect(result.causes.map(({ code }) => nameOf(code))).toEqual(['stage-not-keyed', 'stage-relay', 'stage-wire'])
  })
})

/** A boiler whose controller gives a signal to a mixing valve. */
const withSignal = (): Edited =>
  chained('room', {}, ['mains-230-10', 'safety-24', 'plover', 'room-ni1000', 'valve-y010'])
const bandPlan = (edited: Edited) =>
  plansOf(edited.loop.settings.planned).find((plan): plan is PlanOf<BandBehaviour> => plan.kind === 'band')!

interface PlantedSweep {
  readonly keyed?: Partial<BandBehaviour>
  /** What the meter is given for a share, in the unit of the signal. */
  readonly meter?: (percent: number, i: number) => number
}

/** The sweep made on the bench: the bath led through the sheet's temperatures, display and meter read at each. */
function sweep(edited: Edited, { keyed = {}, meter }: PlantedSweep = {}) {
  const plan = bandPlan(edited)
  const context = contextOf(edited)
  const scale = metered(context, plan)
  const test = testOf(context, 'sweep')
  const steps = test.steps.filter(({ at }) => at?.temperatureC !== undefined)
  const as = { ...plan, ...keyed }
  const { zeroC, fullC } = bandEnds(as)
  const { hourlyC, atH } = throughC(steps.map(({ at }) => at!.temperatureC!))
  const control: Control = {
    id: 'c',
    kind: 'proportional',
    probe: 'probe',
    drives: 'load',
    action: as.action,
    zeroC,
    fullC,
    leastShare: as.minimumPercent / 100,
    probeFault: 'off',
  }
  const run = runBench({ hourlyC, controls: [control], drives: ['load'] })
  const read: Record<string, Read> = { joined: 'yes' }
  for (const [i, { id }] of steps.entries()) {
    const percent = 100 * run.share('load', atH[i]!)
    read[`${id}/display`] = percent
    read[id] = meter ? meter(percent, i) : scale.at(percent)
  }
  return judged(edited, 'sweep', read)
}

const span = (signal: Signal) => signalSpan(signal)
const valueOf = (signal: Signal) => (percent: number) =>
  span(signal).at0 + ((span(signal).at100 - span(signal).at0) * percent) / 100

describe('modulating sweep on the bench', () => {
  const valve = withSignal()
  const plan = bandPlan(valve)
  const own = metered(contextOf(valve), plan).signal!
  const volts = valueOf(own)
  it('is a plan of 0 to 10 V, and good when nothing is planted', () => {
    expect(own).toBe('0-10V')
    expect(sweep(valve).result.verdict).toBe('good')
  })
  it.each<[string, PlantedSweep]>([
    ['other-signal', { meter: valueOf('2-10V') }],
    ['reversed', { meter: (percent) => volts(100 - percent) }],
    ['loaded', { meter: (percent) => 0.93 * volts(percent) }],
    ['shifted', { meter: (percent) => volts(percent) + 0.6 }],
    ['no-signal', { meter: () => 0.02 }],
    ['stuck-high', { meter: () => 10.1 }],
    ['unsteady', { meter: (percent, i) => volts(percent) + (i % 2 === 0 ? 0.8 : -0.7) }],
    ['beyond-range', { meter: (percent) => volts(percent) + (percent > 95 ? 0.6 : 0) }],
    ['band-not-as-planned', { keyed: { bandK: 1.8 * plan.bandK } }],
    ['set-not-as-planned', { keyed: { setpointC: plan.setpointC + 0.25 * plan.bandK } }],
    [
      'action-reversed',
      {
        keyed: { action: plan.action === 'heating' ? 'cooling' : 'heating' },
      },
    ],
  ])('%s', (id, planted) => {
    expect(first(sweep(valve, planted))).toBe(id)
  })
  it('says what the other signal is and how far the load pulls it down', () => {
    expect(sweep(valve, { meter: valueOf('2-10V') }).result.head).toContain('2\u201310 V')
    expect(sweep(valve, { meter: (percent) => 0.93 * volts(percent) }).result.reason).toContain('7.0\u00a0%')
  })
  it('names a reading that no such signal gives, from the first one on', () => {
    const { steps } = testOf(contextOf(valve), 'sweep')
    const { result } = judged(valve, 'sweep', { [steps[0]!.id]: 10.3 })
    expect(`${result.head}. ${result.reason}`).toMatch(
      /beyond its range\. 10\.30\sV; the signal goes from 0\sV to 10\sV/,
    )
    expect(judged(valve, 'sweep', { [steps[0]!.id]: 10.04 }).result.head).not.toContain('beyond')
  })
  it('draws readings against the line once there is one', () => {
    expect(sweep(valve).chart!.points.every(({ read, low, high }) => read! >= low && read! <= high)).toBe(true)
    expect(testOf(contextOf(valve), 'sweep').chart).toBeUndefined()
  })
})

const fan = chained('fan')
const fanPlan = plansOf(fan.loop.settings.planned).find((plan): plan is PlanOf<FanBehaviour> => plan.kind === 'fan')!

/** The fan's four points with what a controller keyed so, and sensors that are felt so, give. */
function fanTest(
  keyed: Partial<FanBehaviour>,
  felt: { readonly warm?: boolean; readonly damp?: boolean } = {},
  turns: (percent: number) => boolean = (percent) => percent > 0,
) {
  const context = contextOf(fan)
  const scale = metered(context, fanPlan)
  const as = { ...fanPlan, ...keyed }
  const read: Record<string, Read> = {}
  for (const { id, at } of testOf(context, 'fan/').steps) {
    const { percent } = fanDemand({
      temperatureC: felt.warm === false ? as.setpointC - as.bandK : at!.temperatureC!,
      temperatureSetC: as.setpointC,
      temperatureBandK: as.bandK,
      humidityPercent: felt.damp === false ? 10 : at!.humidityPercent!,
      humiditySetPercent: as.humidityPercent!,
      humidityBandPercent: as.humidityBandPercent!,
      minimumPercent: as.minimumPercent,
      minimumMode: as.minimumMode,
    })
    read[id] = scale.at(percent)
    read[`${id}/turns`] = turns(percent) ? 'turns' : 'stands'
  }
  return judged(fan, 'fan/', read)
}

describe('fan at minimum and at both demands', () => {
  it('is good when nothing is planted', () => expect(fanTest({}).result.verdict).toBe('good'))
  it.each<[string, Parameters<typeof fanTest>]>([
    ['least-otherwise', [{ minimumPercent: 5 }]],
    ['least-too-low', [{}, {}, (percent) => percent > 40]],
    ['humidity-not-felt', [{}, { damp: false }]],
    ['temperature-not-felt', [{}, { warm: false }]],
  ])('%s', (id, planted) => {
    expect(first(fanTest(...planted))).toBe(id)
  })
  it('a fan that stands at its minimum is a stop: living things breathe it', () => {
    expect(fanTest({}, {}, (percent) => percent > 40).result.verdict).toBe('stop')
  })
})

const boiler = chained('boiler')
const boilerDevice = contextOf(boiler).chain.devices.find(({ id }) => id === idOf(boiler, 'martin'))!
const resetPlan = controllerPlanOf(contextOf(boiler), boilerDevice).reset!

/** The reset test on the bench: the outdoor box led through the sheet's temperatures, the line that the controller asks for read. */
function reset(
  keyed: Partial<typeof resetPlan>,
  { shownAs = (c: number) => c, fixedC }: { shownAs?: (outdoorC: number) => number; fixedC?: number } = {},
) {
  const steps = testOf(contextOf(boiler), 'reset').steps.filter(({ at }) => at?.temperatureC !== undefined)
  const { averageH: _a, shiftK, setbackK: _s, ...line } = { ...resetPlan, ...keyed }
  const { hourlyC, atH } = throughC(steps.map(({ at }) => shownAs(at!.temperatureC!)))
  const run = runBench({ hourlyC, controls: [{ id: 'line', kind: 'reset', probe: 'probe', line, shiftK }], drives: [] })
  const read: Record<string, Read> = {}
  for (const [i, { id, at }] of steps.entries()) {
    const supply = fixedC ?? run.lineC('line', atH[i]!)
    read[id] = Number.isNaN(supply) ? null : supply
    read[`${id}/outdoor`] = shownAs(at!.temperatureC!)
  }
  const airC = 0
  read['now-outdoor'] = airC
  read['now-outdoor/display'] = airC
  const straight =
    resetPlan.designSupplyC +
    ((resetPlan.warmSupplyC - resetPlan.designSupplyC) * (airC - resetPlan.designOutdoorC)) /
      (resetPlan.warmOutdoorC - resetPlan.designOutdoorC)
  read['now'] = straight
  return judged(boiler, 'reset', read)
}

describe('reset line on the bench', () => {
  it('is good when nothing is planted', () => expect(reset({}).result.verdict).toBe('good'))
  it.each<[string, Parameters<typeof reset>]>([
    ['line-cold-end', [{ designSupplyC: resetPlan.designSupplyC + 8 }]],
    ['line-mild-end', [{ warmSupplyC: resetPlan.warmSupplyC - 9 }]],
    ['line-shifted', [{ shiftK: resetPlan.shiftK + 5 }]],
    ['fixed-supply', [{}, { fixedC: 60 }]],
    [
      'outdoor-kind',
      [
        {},
        {
          shownAs: (c) =>
            mismatch(
              { kind: 'ntc', r25Ohm: 10_000, betaK: 3435 },
              { kind: 'ntc', r25Ohm: 10_000, betaK: 3977 },
              c,
              [-60, 80],
            ).shownC!,
        },
      ],
    ],
  ])('%s', (id, planted) => {
    expect(first(reset(...planted))).toBe(id)
  })
})

/** Sound readings of a test with what is planted put over them. */
const over = (edited: Edited, start: string, planted: Readonly<Record<string, Read>>) =>
  judged(edited, start, { ...soundReadings(testOf(contextOf(edited), start)), ...planted })

const pool = chained('pool')
const cabinet = chained('cabinet')
const cabin = chained('cabin')
const coldRoom = chained('cold-room')
const enclosure = chained('enclosure')
const bimetal = chained('room', {}, ['mains-230-10', 'bunting', 'panel-heater-1500'])
const withHand = step(chained('pool'), 'flow-reed>pool-gas:hand-switch')
const clockwork = (edited: Edited, a: number, b: number): Edited => {
  const device = contextOf(edited).chain.devices.find(({ facts }) => facts.controller?.controls?.timer)!
  const whole = controllerPlanOf(contextOf(edited), device)
  const timer = { mode: 'repeat', aS: a, bS: b, from: 'key', counts: 'down' } as const
  return {
    ...edited,
    loop: { ...edited.loop, settings: { ...edited.loop.settings, controllers: { [device.id]: { ...whole, timer } } } },
  }
}
const drier = clockwork(
  chained('cabinet', {}, [
    'mains-230-20',
    'wheatear',
    'oven-k',
    'oven-element-2000',
    'goshawk',
    'wheatear>goshawk:ssr-25',
  ]),
  120,
  40,
)

describe('what is wired, keyed or worn: the readings alone name it first', () => {
  it.each([
    ['minimum-off', floor],
    ['probe-fault', floor],
    ['limiter', floor],
    ['before', floor],
    ['permissive', pool],
    ['limiter', cabinet],
    ['battery', cabin],
    ['defrost', coldRoom],
    ['cooler', enclosure],
    ['alarm', coldRoom],
    ['backup', fan],
    ['restart', chiller],
    ['timer', drier],
  ] as const)('%s is good with sound readings', (start, edited) => {
    expect(over(edited, start, {}).result).toMatchObject({ verdict: 'good' })
  })
  it.each<[string, Edited, string, Readonly<Record<string, Read>>]>([
    ['minimum-off-shorter', floor, 'minimum-off', { off: 0.8 }],
    ['both-time-it', floor, 'minimum-off', { off: floorPlan.minimumOffS + 95 }],
    ['unit-mixed', floor, 'minimum-off', { off: floorPlan.minimumOffS / 60 }],
    ['other-probe-read', floor, 'probe-fault', { open: 'number' }],
    ['fault-action', floor, 'probe-fault', { 'open-output': 'on', 'short-output': 'on' }],
    ['input-kind', floor, 'probe-fault', { short: 'number' }],
    ['code-differs', floor, 'probe-fault', { open: 'other' }],
    ['no-return', floor, 'probe-fault', { back: 'stuck' }],
    ['limiter-late', floor, 'limiter', { trip: 52 }],
    ['limiter-dead', floor, 'limiter', { trip: null }],
    ['limiter-on-command', cabinet, 'limiter', { opened: 'on' }],
    ['resets-itself', cabinet, 'limiter', { reset: 'returns' }],
    ['permissive-bypassed', pool, 'permissive', { opened: 'runs' }],
    ['drops-late', pool, 'permissive', { within: 40 }],
    ['does-not-return', pool, 'permissive', { closed: 'no' }],
    ['contact-or-fuse', floor, 'before', { answered: 'no', current: 0 }],
    ['plant', floor, 'before', { answered: 'no', current: 0.3 }],
    ['runs-uncommanded', floor, 'before', { commanded: 'no', answered: 'yes' }],
    ['not-commanded', floor, 'before', { commanded: 'no', answered: 'no', current: 0 }],
    ['element-open', cabinet, 'before', { current: 4.3 }],
    ['system-volts', cabin, 'battery', { off: 2 * batteryOf(cabin).cutOffV }],
    ['hold-keyed', cabin, 'battery', { hold: 1 }],
    ['cut-off-not-keyed', cabin, 'battery', { off: null }],
    ['restart-keyed', cabin, 'battery', { back: batteryOf(cabin).restartV + 0.8 }],
    ['supply-cut', cabin, 'battery', { after: 'cut-short' }],
    ['end-probe', coldRoom, 'defrost', { took: 0.3 }],
    ['probe-off-coil', coldRoom, 'defrost', { end: null }],
    ['defrost-heater', coldRoom, 'defrost', { starts: 'no-heat' }],
    ['drip-keyed', coldRoom, 'defrost', { drip: 0 }],
    ['fan-early', coldRoom, 'defrost', { fan: 9 }],
    ['alarm-not-keyed', coldRoom, 'alarm', { high: null }],
    ['alarm-wire', coldRoom, 'alarm', { heard: 'no' }],
    ['valve-coil', enclosure, 'cooler', { opens: 'no' }],
    ['cooler-weak', enclosure, 'cooler', { drop: 3 }],
    ['backup-dead', fan, 'backup', { backup: 'no' }],
    ['alarm-supply', fan, 'backup', { alarm: 'no' }],
    ['no-restart', fan, 'backup', { restart: null }],
    ['no-stagger', chiller, 'restart', { apart: null }],
    ['values-lost', chiller, 'restart', { kept: 'no' }],
    ['timer-parallel', drier, 'timer', { over: 'on' }],
    ['timer-mode', drier, 'timer', { over: 'off' }],
    ['unit-mixed', drier, 'timer', { a: 2 }],
    ['times-swapped', drier, 'timer', { a: 40 }],
  ])('%s', (id, edited, start, planted) => {
    expect(first(over(edited, start, planted))).toBe(id)
  })
  it('an override that by-passes a flow switch is a stop', () => {
    const id = testOf(contextOf(withHand), 'permissive').steps.find((each) => each.id.startsWith('override-'))!.id
    const { result } = over(withHand, 'permissive', { [id]: 'runs' })
    expect(result).toMatchObject({ verdict: 'stop' })
    expect(nameOf(result.causes[0]!.code)).toBe('override-bypasses')
  })
})

function batteryOf(edited: Edited) {
  const context = contextOf(edited)
  return context.chain.devices
    .map((device) => controllerPlanOf(context, device).battery)
    .find((each) => each !== undefined)!
}

describe('dial test', () => {
  const plan = switching(bimetal)
  const read = (closes: number | null, opens: number | null, more: Record<string, Read> = {}) =>
    judged(bimetal, 'dial', {
      ambient: 21,
      closes,
      opens,
      'other-opens': closes,
      'other-closes': opens,
      ohm: 0.2,
      ...more,
    })
  it('is the test of a mechanical thermostat', () => expect(plan.output.device).toBe(idOf(bimetal, 'bunting')))
  it.each<[string, ReturnType<typeof read>, string | undefined]>([
    ['good', read(21.8, 20.4), undefined],
    ['adjust', read(24, 22.6), 'dial-slipped'],
    ['replace', read(26.5, 25.1), 'dial-far-off'],
    ['wrong terminals', read(20.4, 21.8), 'wrong-terminals'],
    ['a differential of its own', read(23.5, 18.7), 'other-differential'],
    ['never opens', read(22, null), 'contact-welded'],
    ['never closes', read(null, 20), 'contact-never-closes'],
    ['worn', read(21.8, 20.4, { ohm: 6 }), 'contact-worn'],
    ['apart', read(21.8, 20.4, { 'other-opens': 24.5 }), 'contacts-apart'],
  ])('%s', (_, test, id) => {
    expect(first(test)).toBe(id)
    expect(test.result.verdict === 'good').toBe(id === undefined)
  })
})

describe('a box in place of the probe, and the probe against a reference', () => {
  const wanted = { kind: 'ntc', r25Ohm: 10_000, betaK: 3435 } as const
  const steps = testOf(contextOf(floor), 'substitute').steps
  const shown = (as: (c: number) => number | null) =>
    judged(floor, 'substitute', Object.fromEntries(steps.map(({ id, at }) => [id, as(at!.temperatureC!)])))
  it('prints the ohms to dial', () => {
    const middle = steps[1]!
    expect(middle.dial).toMatch(/^\d[\d\u202f]* ?\u00a0ohm$/)
    const ohm = Number(middle.dial!.replace(/[^\d]/g, ''))
    expect(Math.abs(ohm - probeCurve(curveOf(floor)).resistance(middle.at!.temperatureC!))).toBeLessThan(1)
  })
  it.each<[string, (c: number) => number | null]>([
    ['offset-left', (c) => c + 1.2],
    ['input-kind-known', (c) => mismatch(wanted, { kind: 'ntc', r25Ohm: 10_000, betaK: 3977 }, c, [-60, 120]).shownC],
    ['input-kind', () => null],
  ])('%s', (id, as) => expect(first(shown(as))).toBe(id))

  const compared = (as: (c: number) => number) =>
    judged(floor, 'offset', {
      here: 21,
      'here/display': as(21),
      cold: 2,
      'cold/display': as(2),
      warm: 40,
      'warm/display': as(40),
    })
  it.each<[string, (c: number) => number]>([
    ['offset', (c) => c - 0.9],
    ['lead-resistance', (c) => c + 3.4],
    ['other-kind', (c) => mismatch({ kind: 'ntc', r25Ohm: 10_000, betaK: 3977 }, wanted, c, [-60, 120]).shownC!],
    ['other-kind', (c) => faultyProbe(wanted, c, { parallelOhm: 60_000 }).shownC!],
  ])('%s', (id, as) => expect(first(compared(as))).toBe(id))
  it('leaves what is right', () =>
    expect(compared((c) => c + 0.2).result).toMatchObject({ verdict: 'good', head: 'Leave it' }))
  it('puts the offset that is to be keyed into the plan', () => {
    expect(compared((c) => c - 0.9).result.fix).toMatchObject({ plan: floorPlan.id, change: { offsetK: 0.9 } })
  })
})

const curveOf = (edited: Edited) => {
  const port = contextOf(edited)
    .chain.devices.flatMap(({ facts }) => Object.values(facts.ports))
    .find(({ kind }) => kind === 'probe-in')
  if (port?.kind !== 'probe-in' || port.accepts.kind === 'thermocouple') throw new RangeError('no resistive input')
  return port.accepts
}

describe('warm-up watch, simulated', () => {
  const heated = chained('room')
  /** A loop watched from cold at full output: its plant in the simulator, with a fault or another loss. */
  function watch(edited: Edited, fault: Fault | undefined, loss = 1) {
    const context = contextOf(edited)
    const { seen } = context.survey!
    const startC = seen.restC
    const timed = testOf(context, 'warm-up').steps.filter(({ at }) => at?.afterS !== undefined)
    const hoursOf = (i: number) => timed[i]!.at!.afterS! / 3600
    const run = runBench({
      hourlyC: Array.from({ length: Math.ceil(hoursOf(timed.length - 1)) + 2 }, () => startC),
      controls: [onOffOf(floorPlan, { action: 'heating', onC: 1900, offC: 2000 })],
      drives: ['load'],
      more: {
        network: {
          nodes: [{ id: 'place', capacityJPerK: seen.capacityJPerK, startC }],
          links: [{ from: 'place', to: 'bath', wPerK: loss * seen.lossWPerK }],
          boundaries: { bath: { constantC: startC } },
        },
        probes: [{ id: 'probe', node: 'place', lagS: 1 }],
        actuators: [{ id: 'load', node: 'place', powerW: seen.fullPowerW ?? seen.powerW }],
        ...(fault ? { faults: [fault] } : {}),
      },
    })
    return judged(edited, 'warm-up', {
      around: edited.loop.survey.answers['designOutdoor'] as number,
      ...Object.fromEntries(timed.map(({ id }, i) => [id, run.shownC(hoursOf(i))])),
    })
  }
  it.each([
    ['room', heated],
    ['cabinet', cabinet],
  ] as const)('%s is good with the plant of the survey', (_, edited) =>
    expect(watch(edited, undefined).result.verdict).toBe('good'),
  )
  it.each<[string, Edited, Fault | undefined, number]>([
    // At 70 % of the volts there is half the power.
    ['power-low', heated, { kind: 'supply-low', share: 0.7, atS: 0 }, 1],
    ['power-low', cabinet, { kind: 'supply-low', share: 0.7, atS: 0 }, 1],
    ['no-power', heated, { kind: 'dead', actuator: 'load', atS: 0 }, 1],
    ['loss-high', heated, undefined, 2.2],
  ])('%s', (id, edited, fault, loss) => {
    expect(first(watch(edited, fault, loss))).toBe(id)
  })
  it('says so from the first reading on', () => {
    const { seen } = contextOf(cabinet).survey!
    const around = cabinet.loop.survey.answers['designOutdoor'] as number
    expect(first(judged(cabinet, 'warm-up', { around, 't-1': seen.restC, 't-2': seen.restC + 0.4 }))).toBe('no-power')
  })
})

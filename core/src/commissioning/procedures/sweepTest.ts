import { fanAt } from '../../settings/fan/fanView'
import { outputScale } from '../../settings/band/bandView'
import { spell } from '../../time/spell'
import type { LoopContext } from '../../loop/context'
import { proportionalPercent } from '../../settings/band/law/proportional'
import { type BandBehaviour, type FanBehaviour, givesBetween, type PlanOf } from '../../settings/behaviour'
import { fieldValue } from '../../plant/fieldValue'
import { type Quantity, quantityView } from '../../units/quantity'
import { diagnoseSignal, type SignalDiagnosis } from '../../signal/diagnoseSignal'
import { type Signal, signalSpan } from '../../signal/signal'
import { signalTitle } from '../../signal/signalTitle'
import { outputPath } from '../../wiring/outputPath'
import type { CauseFact, Found, Judged, StepSpec, TestSpec } from '../proofTest'
import {
  around,
  cause,
  deviceOf,
  lookAmong,
  nameOf,
  outputName,
  parameterName,
  settleS,
  sourceOfRow,
  spec,
  standIn,
  substitute,
  toKeying,
  toSet,
  toWires,
} from './parts'

type Plan = PlanOf<BandBehaviour> | PlanOf<FanBehaviour>

/** How the output of a plan is measured: its signal, or what a drive makes of it. */
interface Metered {
  readonly quantity: Quantity
  readonly decimals: number
  readonly at: (percent: number) => number
  readonly tolerance: (percent: number) => number
  readonly row: string
  /** The signal, where that is what is metered. */
  readonly signal?: Signal
  readonly where: string
}

const POSITION_ROW = 'tol.position'

/** What is read while an output is swept, where, and what it should be at each percent. */
export function metered(context: LoopContext, plan: Plan): Metered {
  const { data } = context
  const device = deviceOf(context, plan.output.device)
  const port = device?.facts.ports[plan.output.port]
  const travelS = plan.kind === 'band' ? plan.travelS : undefined
  if (port?.kind === 'signal-out' && port.signal !== 'three-point') {
    const span = signalSpan(port.signal, travelS)
    const terminal = (id: string) => device?.facts.terminals[id]?.label ?? id
    const row = span.unit === 'V' ? 'tol.ao.v' : span.unit === 'mA' ? 'tol.ao.ma' : POSITION_ROW
    const quantity = ({ V: 'voltage', mA: 'milliamps', '%': 'percent', ohm: 'resistance', s: 'seconds' } as const)[
      span.unit
    ]
    const amount = fieldValue(data, row).typical
    return {
      quantity,
      decimals: span.unit === 'V' || span.unit === 'mA' ? 2 : 0,
      at: (percent) => span.at0 + ((span.at100 - span.at0) * percent) / 100,
      tolerance: () => (row === POSITION_ROW ? (amount / 100) * Math.abs(span.at100 - span.at0) : amount),
      row,
      signal: port.signal,
      where: `${terminal(port.plus)} and ${terminal(port.minus)}, ${span.unit === 'V' ? 'direct volts' : span.unit === 'mA' ? 'milliamps in series' : signalTitle(port.signal)}`,
    }
  }
  const scale = outputScale(context, plan)
  const row =
    port?.kind === 'signal-out' || (plan.kind === 'band' && plan.travelS !== undefined) ? 'tol.travel' : POSITION_ROW
  const share = fieldValue(data, row).typical / 100
  return {
    quantity: scale.unit === 'Hz' ? 'frequency' : 'seconds',
    decimals: 1,
    at: scale.at,
    tolerance: () => Math.max(share * Math.abs(scale.at(100) - scale.at(0)), scale.unit === 's' ? 0.3 : 0.1),
    row,
    where: scale.unit === 's' ? 'the output, with a stopwatch: seconds on in one cycle' : scale.title,
  }
}

/** Output that the plan asks for at a temperature, %. */
function percentAt(plan: Plan, temperatureC: number): number {
  if (plan.kind === 'fan') return fanAt(plan, temperatureC, dryPercent(plan)).percent
  const percent = proportionalPercent(plan, temperatureC, plan.minimumPercent)
  return Math.min(plan.maximumPercent, percent)
}

/** Humidity that asks for nothing. */
export const dryPercent = ({
  humidityPercent = 50,
  humidityBandPercent = 20,
}: Pick<FanBehaviour, 'humidityPercent' | 'humidityBandPercent'>) => Math.max(0, humidityPercent - humidityBandPercent)

/** A point of the sweep: a share of the band, and whether it is reached on the way back. */
interface Point {
  readonly id: string
  readonly share: number
  readonly back: boolean
}

/** How far outside the band nothing is asked for, share of it. */
const OUTSIDE = -0.25

/**
 * Where it is read: outside the band, then where the line leaves its least and in quarters from there to full, and two on the way back.
 * Where the least is nothing, the foot of the band is one of them.
 */
function pointsOf(plan: Plan): Point[] {
  const least = percentAt(plan, temperatureAt(plan, OUTSIDE))
  const scaled = plan.kind === 'fan' && plan.minimumMode === 'scaled'
  const foot = scaled ? 0 : Math.min(0.9, least / 100)
  const up = [OUTSIDE, ...[0, 0.25, 0.5, 0.75, 1].map((part) => foot + (1 - foot) * part)].filter(
    (share, i) => i !== 1 || foot === 0,
  )
  return [
    ...up.map((share, i) => ({ id: `up-${i + 1}`, share, back: false })),
    { id: 'back-1', share: foot + (1 - foot) / 2, back: true },
    { id: 'back-2', share: OUTSIDE, back: true },
  ]
}

const temperatureAt = (plan: Plan, share: number) => {
  const { zeroC, fullC } = givesBetween(plan)
  return zeroC + (fullC - zeroC) * share
}

/** A reading on the display that is off by this share of full is not the plan's, %. */
const DISPLAY_PERCENT = 3

/**
 * Modulating sweep: a box in place of the probe, and at each temperature of the band display and meter side by side. Expected: the plan's
 * line. The display's pattern tells a wrong setting; where it agrees, the meter's pattern names what is wrong with the signal
 * (`diagnoseSignal`).
 */
export function sweepTest(context: LoopContext, plan: Plan): TestSpec {
  const { words } = context
  const { say } = words
  const meter = metered(context, plan)
  const { zeroC, fullC } = givesBetween(plan)
  const source = sourceOfRow(context, meter.row)
  const box = standIn(context, plan.input)
  const step = ({ id, share, back }: Point): StepSpec => {
    const temperatureC = temperatureAt(plan, share)
    const percent = percentAt(plan, temperatureC)
    const dial = substitute(context, plan.input, temperatureC)
    return {
      id,
      title: `${say(temperatureC, 'temperature')}, ${say(percent, 'percent')}${back ? ', back' : ''}`,
      does: `Set the ${box} to ${say(temperatureC, 'temperature')}${dial ? ` (${dial})` : ''}. Wait until the display stands at ${say(percent, 'percent')}. Read the meter at ${meter.where}.`,
      main: around('Meter reads', meter.quantity, meter.at(percent), meter.tolerance(percent), source, {
        decimals: meter.decimals,
        nothing: 'nothing',
      }),
      asides: {
        display: around(
          'Display shows',
          'percent',
          percent,
          DISPLAY_PERCENT,
          `the plan\u2019s line, within ${DISPLAY_PERCENT} %`,
        ),
      },
      ...(dial ? { dial } : {}),
      at: { input: plan.input, temperatureC, way: back === (plan.action === 'cooling') ? 'falling' : 'rising' },
    }
  }
  return spec(context, {
    id: `sweep/${plan.id}`,
    kind: 'sweep',
    title: 'Modulating sweep',
    about: outputName(context, plan),
    purpose: `The output over its band, ${say(zeroC, 'temperature')} to ${say(fullC, 'temperature')}: display and meter against the plan.`,
    have: [meter.quantity === 'seconds' ? 'stopwatch' : 'meter', box],
    how: `Lift the probe, put the ${box} in its place. Integral off while you test, or wait only until the display moves. ${plan.kind === 'fan' ? `Humidity under ${say(dryPercent(plan), 'percent')}, so that temperature leads.` : ''}`,
    rule: `Every reading within what may stray (${source}); the pattern of those that are not names the cause.`,
    safety: ['Lifting the probe: extra-low voltage side only, cover of the mains side on.'],
    steps: [
      ...pointsOf(plan).map(step),
      {
        id: 'joined',
        title: 'Probe joined again',
        does: `Take the ${box} off, land the probe again. The display shows the temperature of the place within ${spell(settleS(context, plan.input))}.`,
        main: { kind: 'choice', label: 'Display', choices: { yes: 'Shows the place', no: 'Does not' }, wants: 'yes' },
        at: { input: plan.input, probe: 'joined' },
      },
    ],
    judge: (found, wrong) => judge(context, plan, meter, found, wrong),
    chart: (found) => ({
      xTitle: 'planned, %',
      yTitle: quantityView(meter.quantity, context.job).label,
      points: rowsOf(plan, found).map(({ percent, display, value }) => ({
        x: percent,
        should: meter.at(percent),
        low: meter.at(percent) - meter.tolerance(percent),
        high: meter.at(percent) + meter.tolerance(percent),
        ...(value === undefined ? {} : { read: value }),
        ...(display === undefined ? {} : { display: meter.at(display) }),
      })),
    }),
  })
}

interface Row {
  readonly temperatureC: number
  readonly percent: number
  readonly display?: number
  readonly value?: number
}

/** The readings so far, each with the percentage that was planned for it. */
function rowsOf(plan: Plan, found: Found): readonly Row[] {
  const at = ({ id, share }: Point): Row => {
    const display = found.value(`${id}/display`)
    const value = found.value(id)
    return {
      temperatureC: temperatureAt(plan, share),
      percent: percentAt(plan, temperatureAt(plan, share)),
      ...(typeof display === 'number' ? { display } : {}),
      ...(typeof value === 'number' ? { value } : value === null ? { value: 0 } : {}),
    }
  }
  return pointsOf(plan).map(at)
}

/** Fewest readings from which a pattern is named. */
const FEWEST = 3

function judge(
  context: LoopContext,
  plan: Plan,
  meter: Metered,
  found: Found,
  wrong: readonly string[],
): Judged | undefined {
  if (wrong.length === 0 || wrong.every((id) => id === 'joined')) return undefined
  const rows = rowsOf(plan, found)
  const shown = rows.filter(({ display }) => display !== undefined)
  const read = rows.filter(({ value }) => value !== undefined)
  const off = shown.filter(({ percent, display }) => Math.abs(display! - percent) > DISPLAY_PERCENT)
  if (off.length > 0 && shown.length >= FEWEST) return displayOff(context, plan, shown)
  const beyond = beyondRange(meter, read)
  if (beyond && read.length < FEWEST)
    return lookAmong('sweep.beyond-range', beyond, [cause('sweep.beyond-range', beyond, toWires)])
  const varies = new Set(read.map(({ percent }) => Math.round(percent))).size
  if (read.length < FEWEST || varies < 2) return undefined
  // What the display says is what the output was asked for: the meter is held against that.
  const asked = read.map(({ percent, display, value }) => ({ percent: display ?? percent, value: value! }))
  const span = Math.abs(meter.at(100) - meter.at(0))
  const tolerancePercent = (100 * meter.tolerance(50)) / span
  if (!meter.signal) {
    const worst = asked.reduce((a, b) =>
      Math.abs(b.value - meter.at(b.percent)) > Math.abs(a.value - meter.at(a.percent)) ? b : a,
    )
    return lookAmong(
      'sweep.the-output-does-not-follow',
      {
        value: worst.value,
        quantity: meter.quantity,
        decimals: meter.decimals,
        percent: worst.percent,
        meter: meter.at(worst.percent),
      },
      cycleOrDrive(context, plan, meter, asked),
    )
  }
  const diagnosis = diagnoseSignal(
    meter.signal,
    asked,
    tolerancePercent,
    plan.kind === 'band' ? plan.travelS : undefined,
  )
  if (diagnosis.cause === 'matches') return undefined
  const causes = signalCauses(context, plan, meter, diagnosis)
  // Where no pattern explains it, what is beyond the range is what to look at first.
  if (beyond && diagnosis.cause === 'unsteady')
    return lookAmong('sweep.beyond-range', beyond, [cause('sweep.beyond-range', beyond, toWires), ...causes])
  return lookAmong(
    'sweep.signal',
    {
      found: diagnosis.cause,
      gives: diagnosis.signal && signalTitle(diagnosis.signal),
      shift: ((diagnosis.shiftPercent ?? 0) / 100) * span,
      quantity: meter.quantity,
      scale: diagnosis.scale ?? 1,
      worstPercent: diagnosis.worstPercent,
    },
    causes,
  )
}

/**
 * The reading that lies furthest beyond what the signal can be, by more than its tolerance. Nothing where readings within the range are off
 * as well: then it is the pattern that tells.
 */
function beyondRange(meter: Metered, read: readonly Row[]) {
  if (!meter.signal) return undefined
  const [low, high] = [meter.at(0), meter.at(100)].sort((a, b) => a - b) as [number, number]
  const over = ({ value }: Row) => Math.max(low - value!, value! - high)
  const off = read.filter(
    ({ percent, display, value }) => Math.abs(value! - meter.at(display ?? percent)) > meter.tolerance(percent) + 1e-9,
  )
  const [worst] = [...off].sort((a, b) => over(b) - over(a))
  if (!worst || off.some((row) => over(row) <= meter.tolerance(row.percent) + 1e-9)) return undefined
  return { value: worst.value!, low, high, quantity: meter.quantity, decimals: meter.decimals }
}

function displayOff(context: LoopContext, plan: Plan, shown: readonly Row[]): Judged {
  const part = plan.kind === 'fan' ? 'fan' : 'band'
  const within = (value: (row: Row) => number) =>
    shown.every((row) => Math.abs(row.display! - Math.max(0, Math.min(100, value(row)))) <= DISPLAY_PERCENT)
  const turned =
    plan.kind === 'band' ? ({ ...plan, action: plan.action === 'heating' ? 'cooling' : 'heating' } as const) : undefined
  if (
    within(({ percent }) => 100 - percent) ||
    (turned && within(({ temperatureC }) => percentAt(turned, temperatureC)))
  )
    return lookAmong('sweep.action-reversed', {}, [
      cause(
        'sweep.action-reversed',
        { action: plan.action, actionParameter: parameterName(context, plan, 'action') },
        toKeying,
      ),
    ])
  // In the middle of the band the line is straight: its place there is the setpoint, its slope the band.
  const { zeroC, fullC } = givesBetween(plan)
  const inside = shown.filter(({ display }) => display! > 1 && display! < 99)
  if (inside.length >= 2) {
    const [first, last] = [
      inside[0]!,
      inside.reduce((a, b) =>
        Math.abs(b.percent - inside[0]!.percent) > Math.abs(a.percent - inside[0]!.percent) ? b : a,
      ),
    ]
    const slope = (last.display! - first.display!) / (last.percent - first.percent)
    if (Number.isFinite(slope) && Math.abs(slope - 1) > 0.12)
      return lookAmong(
        'sweep.band-not-as-planned',
        { difference: Math.abs(fullC - zeroC) / Math.abs(slope), bandK: plan.bandK },
        [
          cause(
            'sweep.band-not-as-planned',
            {
              bandK: plan.bandK / Math.abs(slope),
              bandParameter: parameterName(context, plan, 'band'),
              planBandK: plan.bandK,
            },
            toKeying,
          ),
          cause('sweep.integral-runs', {}, toSet(plan, part, 'Open the band')),
        ],
      )
    const shift = inside.reduce((sum, { display, percent }) => sum + display! - percent, 0) / inside.length
    const byK = (-shift / 100) * (fullC - zeroC)
    return lookAmong('sweep.set-not-as-planned', { shift, byK }, [
      cause(
        'sweep.set-not-as-planned',
        {
          setpointC: plan.setpointC,
          setpointParameter: parameterName(context, plan, 'setpoint'),
          anchorParameter: parameterName(context, plan, 'anchor'),
          offsetParameter: parameterName(context, plan, 'offset'),
        },
        toKeying,
      ),
    ])
  }
  const least = Math.min(...shown.map(({ display }) => display!))
  const most = Math.max(...shown.map(({ display }) => display!))
  return lookAmong('sweep.input-not-followed', { least, most }, [cause('sweep.input-not-followed', {}, toKeying)])
}

function signalCauses(
  context: LoopContext,
  plan: Plan,
  meter: Metered,
  { cause: found, signal, scale = 1 }: SignalDiagnosis,
): readonly CauseFact[] {
  const { load } = outputPath(context.chain, plan)
  const what = load ? nameOf(load) : 'the device'
  const planned = signalTitle(meter.signal!)
  switch (found) {
    case 'other-signal':
      return [
        cause(
          'sweep.other-signal',
          { signalTitle: signalTitle(signal!), planned, what },
          { step: 'match', part: 'controller', says: 'Open the controller' },
        ),
      ]
    case 'reversed':
      return [cause('sweep.reversed', {}, toKeying)]
    case 'shifted':
      return [cause('sweep.shifted', {}, toWires)]
    case 'scaled':
      return scale < 1
        ? [cause('sweep.loaded', { what }, toWires), cause('sweep.wrong-resistor', {}, toWires)]
        : [cause('sweep.wrong-loop-resistor', {}, toWires)]
    case 'stuck-low':
      return [cause('sweep.no-signal', {}, toWires)]
    case 'stuck-high':
      return [cause('sweep.stuck-high', {}, toWires)]
    default:
      return [cause('sweep.unsteady', {}, toWires)]
  }
}

function cycleOrDrive(
  context: LoopContext,
  plan: Plan,
  meter: Metered,
  rows: readonly { percent: number; value: number }[],
): readonly CauseFact[] {
  const drive = meter.quantity === 'frequency'
  const values = rows.map(({ value }) => value)
  const still = Math.max(...values) - Math.min(...values) < meter.tolerance(50)
  const ratio = rows.filter(({ percent }) => percent > 10).map(({ percent, value }) => value / meter.at(percent))
  const scaled = ratio.length > 1 && Math.max(...ratio) - Math.min(...ratio) < 0.15 && Math.abs(ratio[0]! - 1) > 0.1
  if (still) return [drive ? cause('sweep.drive-not-following', {}, toWires) : cause('sweep.stuck-output', {}, toWires)]
  if (scaled)
    return [
      drive
        ? cause('sweep.drive-limits', {}, toKeying)
        : cause('sweep.cycle-not-as-planned', { cycleParameter: parameterName(context, plan, 'cycle') }, toKeying),
    ]
  return [drive ? cause('sweep.drive-limits-or-signal', {}, toKeying) : cause('sweep.cycle-or-minimum', {}, toKeying)]
}

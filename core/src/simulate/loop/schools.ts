import { usualSwing } from '../../kinds/usualSwing'
import { answersOf } from '../../kinds/answersOf'
import { fieldValue } from '../../plant/fieldValue'
import type { OnOffBehaviour, PlanOf } from '../../settings/behaviour'
import { plansOf } from '../../settings/behaviour'
import { fromSetpoint } from '../../settings/behaviour'
import type { LoopDocument } from '../../document/documents'
import { controllerPlanOf, withControllerPlan } from '../../survey/controllerPlanOf'
import { factsOfKind } from '../../kinds/kinds'
import type { Scenario } from '../scenario'
import { stageIds } from '../../settings/stages/stageIds'
import { withLoopSetting } from './sweep'
import type { LoopContext } from '../../loop/context'
import { boundTo } from '../../device/bound'
import { displayStepK } from '../../settings/displayStep'
import { bearsModulation, canModulate, canSwitch, cycleAsItComes } from '../../settings/possibleControl'

/** One side of a comparison: the loop as it would be planned, and what a plan cannot say. */
export interface SchoolSide {
  readonly title: string
  readonly loop: LoopDocument
  readonly change?: (scenario: Scenario) => Scenario
  /** This controller cannot be keyed so: it shows what another one would do. */
  readonly elsewhere?: true
}

/** Two ways of doing the same thing, between which fitters disagree. */
export interface School {
  readonly id: 'way' | 'width' | 'reset' | 'probe' | 'defrost' | 'override'
  readonly title: string
  /** What is compared in the first place: over which stretch it shows. */
  readonly over: 'week' | 'season'
  readonly sides: readonly [SchoolSide, SchoolSide]
  readonly cautions?: readonly string[]
}

/** Narrow and wide, as shares of the swing that is planned. */
const [NARROW, WIDE] = [0.5, 2]

/** An on/off plan as a band from its set, and a band as a swing: what the other school would key. */
function otherWay(
  plan: PlanOf,
  bandK: number,
  swingK: number,
  cycleS: number | undefined,
): LoopDocument['settings']['planned'][string] {
  const { id: _, ...stored } = plan
  if (stored.kind === 'on-off') {
    const { order, output, input, action, offsetK, lowestC, highestC, alarmHighC, alarmLowC, probeFault, dutyPercent } =
      stored
    return {
      ...{ kind: 'band', order, output, input, action, offsetK, probeFault, anchor: 'centred', bandK },
      setpointC: (stored.onC + stored.offC) / 2,
      integralS: 0,
      minimumPercent: 0,
      maximumPercent: 100,
      ...(cycleS === undefined ? {} : { cycleS }),
      ...(lowestC === undefined ? {} : { lowestC }),
      ...(highestC === undefined ? {} : { highestC }),
      ...(alarmHighC === undefined ? {} : { alarmHighC }),
      ...(alarmLowC === undefined ? {} : { alarmLowC }),
      ...(dutyPercent === undefined ? {} : { dutyPercent }),
    }
  }
  const { order, output, input, action, offsetK, probeFault, setpointC } = stored
  const made: OnOffBehaviour = {
    ...{ kind: 'on-off', order, output, input, offsetK, probeFault, minimumOffS: 0 },
    ...fromSetpoint(action, 'centred', setpointC, swingK),
  }
  return made
}

type Given = Pick<LoopContext, 'job' | 'loop' | 'chain' | 'data'>

/** Half and twice as wide as planned, or as far as the controller can be keyed; undefined where that is no difference. */
function widths({ job, loop, chain, data }: Given, plan: PlanOf): readonly [SchoolSide, SchoolSide] | undefined {
  if (plan.kind === 'fan') return undefined
  const setting = plan.kind === 'on-off' ? 'swingK' : 'bandK'
  const width = plan.kind === 'on-off' ? plan.swingK : plan.bandK
  const controller = chain.devices.find(({ id }) => id === plan.output.device)?.facts.controller
  const bound = controller && boundTo(controller, plan.kind === 'on-off' ? 'swing' : 'band')
  if (!controller || !bound) return undefined
  const stepK = displayStepK(controller, job)
  const onStep = (value: number) => Number((Math.round(value / stepK) * stepK).toPrecision(9))
  const leastK = Math.max(bound.low ?? 0, fieldValue(data, 'resolve.swing').low * stepK, stepK)
  const [narrow, wide] = [
    Math.max(leastK, onStep(width * NARROW)),
    Math.min(bound.high ?? Infinity, onStep(width * WIDE)),
  ]
  if (!(narrow < wide)) return undefined
  const side = (value: number, share: number, named: string, end: string): SchoolSide =>
    Math.abs(value - width) < 1e-9
      ? { title: 'As planned', loop }
      : {
          title: Math.abs(value - width * share) <= stepK ? named : end,
          loop: withLoopSetting(loop, plan.id, setting, value),
        }
  return [
    side(Math.min(narrow, width), NARROW, 'Half as wide', 'As narrow as it goes'),
    side(Math.max(wide, width), WIDE, 'Twice as wide', 'As wide as it goes'),
  ]
}

/**
 * The comparisons that mean something for a loop, by what is planned, what its survey says, and what its controller and its load can do.
 * @returns none where nothing is planned
 */
export function schools(given: Given): readonly School[] {
  const { loop, chain, data } = given
  const plans = plansOf(loop.settings.planned)
  const [plan] = plans
  if (!plan) return []
  const facts = factsOfKind(loop.kind)
  const answers = answersOf(loop)
  const own = facts.compares?.(answers) ?? []
  const made: School[] = []
  const swingK = usualSwing(loop, data).typical
  const ids = stageIds(loop.settings.planned, plan.id)
  if (plan.kind === 'on-off' && ids.length === 1 && own.includes('way') && bearsModulation(chain, plan.output)) {
    const here = canModulate(chain, plan.output)
    const bandK = Math.max(plan.swingK, fieldValue(data, 'band.valve.room').typical)
    const band = otherWay(
      plan,
      bandK,
      swingK,
      cycleAsItComes(chain, plan.output) ?? fieldValue(data, 'cycle.contactor').typical,
    )
    made.push({
      id: 'way',
      title: 'Swing or proportional',
      over: 'week',
      sides: [
        { title: 'Swing, as planned', loop },
        {
          title: here ? 'Proportional' : 'Proportional, by another controller',
          ...(here ? {} : { elsewhere: true as const }),
          loop: { ...loop, settings: { ...loop.settings, planned: { ...loop.settings.planned, [plan.id]: band } } },
        },
      ],
    })
  }
  if (plan.kind === 'band') {
    const here = canSwitch(chain, plan.output)
    const swing = otherWay(plan, plan.bandK, swingK, undefined)
    made.push({
      id: 'way',
      title: 'Proportional or swing',
      over: 'week',
      sides: [
        { title: 'Proportional, as planned', loop },
        {
          title: here ? 'Swing' : 'Swing, by another controller',
          ...(here ? {} : { elsewhere: true as const }),
          loop: { ...loop, settings: { ...loop.settings, planned: { ...loop.settings.planned, [plan.id]: swing } } },
        },
      ],
    })
  }
  const sides = widths(given, plan)
  if (sides)
    made.push({
      id: 'width',
      title: plan.kind === 'on-off' ? 'Narrow or wide swing' : 'Narrow or wide band',
      over: 'week',
      sides,
    })
  const device = chain.devices.find(({ id }) => id === plan.output.device)
  const whole = device ? controllerPlanOf(given, device) : {}
  if (device && whole.reset && own.includes('reset')) {
    const { reset } = whole
    const fixed = withControllerPlan(given, device, {
      reset: { ...reset, warmSupplyC: reset.designSupplyC, setbackK: 0 },
    })
    made.push({
      id: 'reset',
      title: 'Reset or fixed supply',
      over: 'season',
      sides: [
        { title: 'By the weather', loop },
        { title: 'Fixed supply', loop: fixed },
      ],
    })
  }
  if (own.includes('probe')) {
    const lag = (lagS: number, deadS: number) => (scenario: Scenario) => ({
      ...scenario,
      probes: scenario.probes.map((probe) =>
        probe.id === 'probe 1' ? { ...probe, lagS, ...(deadS > 0 ? { deadS } : {}) } : probe,
      ),
    })
    made.push({
      id: 'probe',
      title: 'Return air or room probe',
      over: 'week',
      sides: [
        { title: 'Return air', loop, change: lag(fieldValue(data, 'lag.duct').typical, 0) },
        { title: 'Wall of the room', loop, change: lag(fieldValue(data, 'lag.room').typical * 60, 60) },
      ],
    })
  }
  if (device && whole.defrost) {
    const { defrost } = whole
    const by = (how: 'time' | 'coil') =>
      withControllerPlan(given, device, {
        defrost: { ...defrost, by: how, ...(how === 'coil' ? { coilC: defrost.coilC ?? -12 } : {}) },
      })
    made.push({
      id: 'defrost',
      title: 'Defrost by the clock or by the coil',
      over: 'week',
      sides: [
        { title: 'By the clock', loop: by('time') },
        { title: 'By the coil, else by the clock', loop: by('coil') },
      ],
    })
  }
  if (own.includes('override')) {
    const told = (override: 'warm' | 'split') => ({
      ...loop,
      survey: { ...loop.survey, answers: { ...loop.survey.answers, override } },
    })
    made.push({
      id: 'override',
      title: 'Warmed sensor or split compressor wire',
      over: 'week',
      sides: [
        { title: 'Warmed built-in sensor', loop: told('warm') },
        { title: 'Compressor wire through a relay', loop: told('split') },
      ],
      cautions: [
        'Warmer: ready-made, at the sensor only, never at the coil\u2019s freeze sensor, never near foil or foam.',
        'Split wire: plain on/off units only, never inverter, never flammable refrigerant; the minimum off time is yours to keep. A licensed refrigeration fitter cuts it, dead and locked.',
      ],
    })
  }
  return made
}

import { answersOf } from '../../kinds/answersOf'
import { displayStepK } from '../../settings/displayStep'
import { rungsOf } from '../../settings/stages/stageGroup'
import { fieldValue } from '../../plant/fieldValue'
import { floorLimit } from '../../plant/floorOutput'
import { limitersOf } from '../../wiring/protections'
import { lineOfOutput } from '../../wiring/outputPath'
import { translate } from '../../settings/switching/law/translate'
import { type PlanOf, plansOf } from '../../settings/behaviour'
import type { Fix } from '../../shapes/fix'
import type { LoopContext } from '../../loop/context'
import { consequences } from '../../settings/consequences'
import { workingRange } from '../../settings/workingRange'
import { type Found, TEST_FAILED } from '../finding'
import { eachPlan, eachSwitching, lookAgain, type Rule, stop } from './rule'
import type { Outcome } from '../../commissioning/proofTest'
import { failed, proofTests } from '../../commissioning/proofTests'

/** An alarm is planned so far from where it works, K: what a display and a probe may err by together. */
const ALARM_CLEAR_K = 2

/** Up or down to a whole step of a display. */
const upTo = (value: number, stepK: number) => Number((Math.ceil(value / stepK - 1e-6) * stepK).toPrecision(9))
const downTo = (value: number, stepK: number) => Number((Math.floor(value / stepK + 1e-6) * stepK).toPrecision(9))

/** A remedy that moves one setting of a plan. */
const setTo = ({ id }: PlanOf, value: number, { say }: LoopContext['words']): Fix => ({
  ...{ do: 'setting', plan: id, setting: 'setpointC', value },
  say: `Plan a set of ${say(value, 'temperature')}`,
})
const swingTo = ({ id }: PlanOf, value: number, { say, term }: LoopContext['words']): Fix => ({
  ...{ do: 'setting', plan: id, setting: 'swingK', value },
  say: `Plan a ${term('differential')} of ${say(value, 'difference')}`,
})

/** The step in which the controller of a plan is keyed, K. */
const stepOf = (chain: LoopContext['chain'], { output }: PlanOf, job: LoopContext['job']): number => {
  const controller = chain.devices.find(({ id }) => id === output.device)?.facts.controller
  return controller ? displayStepK(controller, job) : 0.1
}

const surfaceLimit = eachSwitching((plan, { survey, words, chain, job }) => {
  if (!survey?.floor) return []
  const { facts, plant, zone } = survey.floor
  const inScreed = facts.probePlace === 'screed'
  const limitC = floorLimit(zone, plant.designRoomC)
  // A probe in the air does not hold the floor: on the design day it gets as warm as the room needs it.
  const hottestC = inScreed ? Math.max(plan.onC, plan.offC) : plant.designSlabC
  if (hottestC <= limitC) return []
  return [
    stop(
      'C025_SURFACE_OVER_LIMIT',
      {
        about: plan.id,
        figures: { inScreed, hottestC, limitC },
        ...(inScreed
          ? { fix: setTo(plan, downTo(plan.setpointC - (hottestC - limitC), stepOf(chain, plan, job)), words) }
          : {}),
      },
      'set',
    ),
  ]
})

const setpointInLimits = eachPlan((plan, {}) => {
  const { setpointC, lowestC, highestC } = plan
  const over = highestC !== undefined && setpointC > highestC
  const under = lowestC !== undefined && setpointC < lowestC
  if (!over && !under) return []
  return [
    lookAgain(
      'C020_SETPOINT_OUTSIDE_LIMITS',
      { about: plan.id, figures: { setpointC, over, limitC: (over ? highestC : lowestC)! } },
      'set',
    ),
  ]
})

const swingInLimits = eachSwitching((plan, {}) => {
  const { swingK, lowestC, highestC } = plan
  if (lowestC === undefined || highestC === undefined || swingK <= highestC - lowestC) return []
  return [
    lookAgain(
      'C021_SWING_WIDER_THAN_LIMITS',
      { about: plan.id, figures: { swingK, betweenK: Math.max(0, highestC - lowestC) } },
      'set',
    ),
  ]
})

/** An alarm that comes while everything works as planned, high or low, whatever way the output is controlled. */
const alarmOutsideBand: Rule = (context) => {
  const { loop } = context
  const seen = new Set<string>()
  return plansOf(loop.settings.planned).flatMap((plan): Found[] => {
    if (seen.has(plan.id)) return []
    // Stages of one controller by one probe have one alarm and work over all of their scale.
    const rungs = rungsOf(loop.settings.planned, plan.id)
    for (const { id } of rungs) seen.add(id)
    const alarms = rungs.length > 0 ? rungs : [plan]
    const highs = alarms.flatMap(({ alarmHighC }) => alarmHighC ?? [])
    const lows = alarms.flatMap(({ alarmLowC }) => alarmLowC ?? [])
    const [bottomC, topC] = workingRange(context, plan)
    const highC = highs.length > 0 ? Math.max(...highs) : undefined
    const lowC = lows.length > 0 ? Math.min(...lows) : undefined
    const high = highC !== undefined && highC <= topC
    const low = lowC !== undefined && lowC >= bottomC
    if (!high && !low) return []
    return [
      lookAgain(
        'C022_ALARM_INSIDE_BAND',
        {
          about: plan.id,
          figures: { highC: high ? highC : undefined, topC, lowC: low ? lowC : undefined, bottomC },
          fix: {
            ...{ do: 'plan', plan: plan.id },
            change: {
              ...(high ? { alarmHighC: topC + ALARM_CLEAR_K } : {}),
              ...(low ? { alarmLowC: bottomC - ALARM_CLEAR_K } : {}),
            },
            say: high
              ? `Plan the alarm at ${context.words.say(topC + ALARM_CLEAR_K, 'temperature')}`
              : `Plan the low alarm at ${context.words.say(bottomC - ALARM_CLEAR_K, 'temperature')}`,
          },
        },
        'set',
      ),
    ]
  })
}

const swingResolved = eachSwitching((plan, { chain, words, data }) => {
  const display = chain.devices.find(({ id }) => id === plan.output.device)?.facts.controller?.display
  if (!display) return []
  const stepK = displayStepK({ display }, words.preferences)
  const leastK = fieldValue(data, 'resolve.swing').low * stepK
  if (plan.swingK >= leastK - 1e-9) return []
  return [
    lookAgain(
      'C023_SWING_UNDER_RESOLUTION',
      {
        about: plan.id,
        figures: { swingK: plan.swingK, stepK },
        fix: swingTo(plan, upTo(leastK, stepK), words),
      },
      'set',
    ),
  ]
})

const conventionFits = eachSwitching((plan, { chain }) => {
  const device = chain.devices.find(({ id }) => id === plan.output.device)
  const offered = Object.values(device?.facts.controller?.conventions ?? {}).sort((a, b) => a.order - b.order)
  const [own] = offered
  if (!device || !own || offered.some(({ convention }) => convention === plan.convention)) return []
  const same = translate(plan.onC, plan.offC, plan.action, own.convention)
  return [
    lookAgain(
      'C027_CONVENTION_NOT_ON_CONTROLLER',
      {
        about: plan.id,
        figures: {
          name: device.name,
          planned: plan.convention,
          offered: own.convention,
          setpointC: same.setpointC,
          swingK: Math.abs(same.swingK ?? plan.swingK),
        },
      },
      'set',
    ),
  ]
})

/** A place that may stray less than its control's display tells apart, or than its own swing. */
const toleranceKept = eachSwitching((plan, { loop, chain, job, survey, words }) => {
  const { tolerance } = answersOf(loop)
  const device = chain.devices.find(({ id }) => id === plan.output.device)
  const display = device?.facts.controller?.display
  // What a boiler is set for is its water, what may stray its rooms.
  if (!device || !display || typeof tolerance !== 'number' || survey?.boiler) return []
  const stepK = displayStepK({ display }, job)
  const { tag, name } = device
  if (tolerance < stepK - 1e-9)
    return [lookAgain('C151_TOLERANCE_UNDER_STEP', { about: plan.id, figures: { tag, name, tolerance, stepK } }, 'set')]
  // Stages follow one another: the swing of one is not what the place goes through.
  if (rungsOf(loop.settings.planned, plan.id).length > 1 || plan.swingK <= 2 * tolerance + stepK / 2) return []
  return [
    lookAgain(
      'C152_SWING_OVER_TOLERANCE',
      {
        about: plan.id,
        figures: { tolerance, swingK: plan.swingK },
        fix: swingTo(plan, downTo(2 * tolerance, stepK), words),
      },
      'set',
    ),
  ]
})

const offsetSmall = eachPlan((plan, { data }) => {
  const limit = fieldValue(data, 'tol.offset.limit').typical
  if (Math.abs(plan.offsetK) <= limit) return []
  return [lookAgain('C040_OFFSET_LARGE', { about: plan.id, figures: { offsetK: plan.offsetK, mostK: limit } }, 'set')]
})

/** Whether the trip of a limiter was tested and good. */
const limiterProved = (context: LoopContext, limiter: string): boolean =>
  Object.values(context.loop.proof.readings).some(({ test }) => test === `limiter/${limiter}`) &&
  proofTests(context).some(({ id, result }) => id === `limiter/${limiter}` && result.verdict === 'good')

const probeFaultSafe = eachPlan((plan, context) => {
  const { chain } = context
  // A fixed duty is no more than what the plant needs on average; on and the last value are.
  if (plan.probeFault === 'off' || plan.probeFault === 'duty' || plan.action !== 'heating') return []
  const line = lineOfOutput(chain, plan.output)
  const limiters = line ? limitersOf(chain, line) : []
  const guarded = limiters.length > 0
  // What the limiter was proved to hold it may hold.
  if (guarded && limiters.every(({ device }) => limiterProved(context, device.id))) return []
  return [
    stop(
      'C041_HEATS_ON_PROBE_FAULT',
      {
        about: plan.id,
        figures: { guarded },
        fix: { do: 'plan', plan: plan.id, change: { probeFault: 'off' }, say: 'Set probe fault to off' },
      },
      'set',
    ),
  ]
})

const powerEnough = eachSwitching((plan, context) => {
  const { survey } = context
  if (!survey || survey.seen.action !== plan.action) return []
  // Of several stages only the last tells: with it everything runs.
  const stages = rungsOf(context.loop.settings.planned, plan.id).filter(({ action }) => action === plan.action)
  if (stages.length > 1 && stages.at(-1)?.id !== plan.id) return []
  const design = consequences(plan, context).find(({ id }) => id === 'design')
  const { lossWPerK, restC, fullPowerW } = survey.seen
  const powerW = fullPowerW ?? survey.seen.powerW
  if (powerW > 0 && design?.reason !== 'stays on') return []
  const heats = plan.action === 'heating'
  const reachesC = heats ? restC + powerW / lossWPerK : restC - powerW / lossWPerK
  // A burner that can go over its least fire holds what its least fire alone would not.
  if (
    powerW > 0 &&
    (fullPowerW !== undefined || stages.length > 1) &&
    (heats ? reachesC > plan.offC : reachesC < plan.offC)
  )
    return []
  return [
    lookAgain(
      'C060_NEVER_REACHES',
      {
        about: plan.id,
        figures: {
          ...{ offC: plan.offC, powerW, heats, reachesC, floor: survey.floor !== undefined },
          needsW: Math.abs(lossWPerK * (plan.offC - restC)),
        },
      },
      'set',
    ),
  ]
})

/** What came of a test, and its likeliest cause, without their sentences. */
const factsOf = ({ code, figures, causes: [first] }: Outcome) => ({
  found: { code, figures },
  cause: first && { code: first.code, figures: first.figures },
})

const testsPassed: Rule = (context) => {
  // What was never read has not failed; a chain that is only being tried has no readings, and is judged many times.
  if (Object.keys(context.loop.proof.readings).length === 0) return []
  return proofTests(context).flatMap((test): Found[] => {
    if (!failed(test)) return []
    const { result, about, title, id } = test
    const worst = result.verdict === 'stop'
    return [
      (worst ? stop : lookAgain)(TEST_FAILED, { about: id, figures: { title, about, ...factsOf(result) } }, 'prove'),
    ]
  })
}

/** Rules about what is planned and proved. */
export const planRules: readonly Rule[] = [
  setpointInLimits,
  swingInLimits,
  surfaceLimit,
  alarmOutsideBand,
  swingResolved,
  conventionFits,
  toleranceKept,
  offsetSmall,
  probeFaultSafe,
  powerEnough,
  testsPassed,
]

import { rungsOf } from '../../document/stageGroup'
import { fieldValue } from '../../plant/fieldValue'
import { floorLimit } from '../../plant/floorOutput'
import { convert } from '../../units/convert'
import { limitersOf } from '../../wiring/protections'
import { lineOfOutput } from '../../wiring/outputPath'
import { conventionWords } from '../../control/conventionWords'
import { translate } from '../../control/translate'
import { plansOf } from '../../document/behaviour'
import type { LoopContext } from '../context'
import { consequences } from '../consequences'
import { workingRange } from '../settings/workingRange'
import { type Finding, TEST_FAILED } from '../finding'
import { eachPlan, eachSwitching, type Rule } from './rule'
import { failed, proofTests } from '../../commissioning/proofTests'

const surfaceLimit = eachSwitching((plan, { survey, words }) => {
  if (!survey?.floor) return []
  const { facts, plant, zone } = survey.floor
  const inScreed = facts.probePlace === 'screed'
  const limitC = floorLimit(zone, plant.designRoomC)
  // A probe in the air does not hold the floor: on the design day it gets as warm as the room needs it.
  const hottestC = inScreed ? Math.max(plan.onC, plan.offC) : plant.designSlabC
  if (hottestC <= limitC) return []
  const may = `this floor may reach ${words.say(limitC, 'temperature')} (EN 1264, covering).`
  return [
    {
      code: 'C025_SURFACE_OVER_LIMIT',
      severity: 'stop',
      safety: true,
      step: 'set',
      about: plan.id,
      head: 'Floor goes over its surface limit.',
      reason: inScreed
        ? `Cuts out at ${words.say(hottestC, 'temperature')}; ${may}`
        : `Holding the room at design takes a floor of ${words.say(hottestC, 'temperature')}; ${may}`,
      remedy: inScreed
        ? `Bring the cut-out to ${words.say(limitC, 'temperature')} or under.`
        : 'Lower the target, insulate, or give what heat is missing by other means.',
    },
  ]
})

const setpointInLimits = eachPlan((plan, { words }) => {
  const { setpointC, lowestC, highestC } = plan
  const over = highestC !== undefined && setpointC > highestC
  const under = lowestC !== undefined && setpointC < lowestC
  if (!over && !under) return []
  return [
    {
      code: 'C020_SETPOINT_OUTSIDE_LIMITS',
      severity: 'look-again',
      safety: false,
      step: 'set',
      about: plan.id,
      head: 'Set lies outside its limits.',
      reason: `${words.say(setpointC, 'temperature')} is ${over ? 'over the highest' : 'under the lowest'} the keys allow, ${words.say((over ? highestC : lowestC)!, 'temperature')}.`,
      remedy: over ? 'Lower the set or raise the limit.' : 'Raise the set or lower the limit.',
    },
  ]
})

const swingInLimits = eachSwitching((plan, { words }) => {
  const { swingK, lowestC, highestC } = plan
  if (lowestC === undefined || highestC === undefined || swingK <= highestC - lowestC) return []
  return [
    {
      code: 'C021_SWING_WIDER_THAN_LIMITS',
      severity: 'look-again',
      safety: false,
      step: 'set',
      about: plan.id,
      head: 'Swing is wider than the limits.',
      reason: `${words.say(swingK, 'difference')} of swing in ${words.say(Math.max(0, highestC - lowestC), 'difference')} between lowest and highest.`,
      remedy: 'Narrow the swing or open the limits.',
    },
  ]
})

/** An alarm that comes while everything works as planned, high or low, whatever way the output is controlled. */
const alarmOutsideBand: Rule = (context) => {
  const { words, loop } = context
  const seen = new Set<string>()
  return plansOf(loop.settings.planned).flatMap((plan): Finding[] => {
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
      {
        code: 'C022_ALARM_INSIDE_BAND',
        severity: 'look-again',
        safety: false,
        step: 'set',
        about: plan.id,
        head: 'Alarm inside the working band.',
        reason: high
          ? `Alarm at ${words.say(highC, 'temperature')}, the output works up to ${words.say(topC, 'temperature')}.`
          : `Low alarm at ${words.say(lowC!, 'temperature')}, the output works down to ${words.say(bottomC, 'temperature')}.`,
        remedy: high
          ? `Raise the alarm over ${words.say(topC, 'temperature')}.`
          : `Bring the low alarm under ${words.say(bottomC, 'temperature')}.`,
      },
    ]
  })
}

const swingResolved = eachSwitching((plan, { chain, words, data }) => {
  const display = chain.devices.find(({ id }) => id === plan.output.device)?.facts.controller?.display
  if (!display) return []
  const inF = words.preferences.temperatureUnit === 'F'
  const stepK = inF ? convert(display.stepF, 'F', 'K', true) : display.stepC
  const leastK = fieldValue(data, 'resolve.swing').low * stepK
  if (plan.swingK >= leastK - 1e-9) return []
  return [
    {
      code: 'C023_SWING_UNDER_RESOLUTION',
      severity: 'look-again',
      safety: false,
      step: 'set',
      about: plan.id,
      head: 'Swing is narrower than the display resolves.',
      reason: `${words.say(plan.swingK, 'difference', 2)} of swing, display step ${words.say(stepK, 'difference', 2)}.`,
      remedy: `Widen it to ${words.say(leastK, 'difference', 2)} or more.`,
    },
  ]
})

const conventionFits = eachSwitching((plan, { chain, words }) => {
  const device = chain.devices.find(({ id }) => id === plan.output.device)
  const offered = Object.values(device?.facts.controller?.conventions ?? {}).sort((a, b) => a.order - b.order)
  const [own] = offered
  if (!device || !own || offered.some(({ convention }) => convention === plan.convention)) return []
  const same = translate(plan.onC, plan.offC, plan.action, own.convention)
  return [
    {
      code: 'C027_CONVENTION_NOT_ON_CONTROLLER',
      severity: 'look-again',
      safety: false,
      step: 'set',
      about: plan.id,
      head: `On ${device.name} no set ${conventionWords[plan.convention]}.`,
      reason: `There it ${conventionWords[own.convention]}; the same points are set ${words.say(same.setpointC, 'temperature')}, swing ${words.say(Math.abs(same.swingK ?? plan.swingK), 'difference')}.`,
      remedy: `Choose \u201c${conventionWords[own.convention]}\u201d; the points stay.`,
    },
  ]
})

const offsetSmall = eachPlan((plan, { words, data }) => {
  const limit = fieldValue(data, 'tol.offset.limit').typical
  if (Math.abs(plan.offsetK) <= limit) return []
  return [
    {
      code: 'C040_OFFSET_LARGE',
      severity: 'look-again',
      safety: false,
      step: 'set',
      about: plan.id,
      head: 'Offset is large.',
      reason: `${words.say(plan.offsetK, 'difference')}; over ${words.say(limit, 'difference')} look for the cause.`,
      remedy: 'Check kind, lead and place of the probe.',
    },
  ]
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
    {
      code: 'C041_HEATS_ON_PROBE_FAULT',
      severity: 'stop',
      safety: true,
      step: 'set',
      about: plan.id,
      head: 'A broken probe leaves the heat on.',
      reason: guarded
        ? 'Only the limiter then holds it, and its trip is not proved.'
        : 'Nothing but this probe holds it.',
      remedy: guarded ? 'Choose off on probe fault, or prove the limiter first.' : 'Choose off on probe fault.',
      fix: { do: 'plan', plan: plan.id, change: { probeFault: 'off' }, say: 'Set probe fault to off' },
    },
  ]
})

const powerEnough = eachSwitching((plan, context) => {
  const { survey, words } = context
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
    {
      code: 'C060_NEVER_REACHES',
      severity: 'look-again',
      safety: false,
      step: 'set',
      about: plan.id,
      head: `Does not reach ${words.say(plan.offC, 'temperature')} at design.`,
      reason: `${words.say(powerW, 'power')} ${heats ? 'in' : 'out'} settles at ${words.say(reachesC, 'temperature')} on the design day.`,
      remedy: survey.floor
        ? 'Warmer water, closer pipes, better insulation, or a lower set.'
        : `More power, better insulation, or a ${heats ? 'lower' : 'higher'} set.`,
    },
  ]
})

const testsPassed: Rule = (context) =>
  proofTests(context).flatMap((test): Finding[] => {
    if (!failed(test)) return []
    const { result, about, title, id } = test
    const worst = result.verdict === 'stop'
    return [
      {
        code: TEST_FAILED,
        severity: worst ? 'stop' : 'look-again',
        safety: worst,
        step: 'prove',
        about: id,
        head: `${title}, ${about}: ${result.head[0]!.toLowerCase()}${result.head.slice(1)}.`,
        reason: result.reason,
        remedy: result.next,
      },
    ]
  })

/** Rules about what is planned and proved. */
export const planRules: readonly Rule[] = [
  setpointInLimits,
  swingInLimits,
  surfaceLimit,
  alarmOutsideBand,
  swingResolved,
  conventionFits,
  offsetSmall,
  probeFaultSafe,
  powerEnough,
  testsPassed,
]

import { ordered } from '../job/chain'
import type { OnOffBehaviour } from '../job/behaviour'
import { fieldValue } from '../plant/fieldValue'
import { floorLimit } from '../plant/floorOutput'
import { convert } from '../units/convert'
import { factsOfKind } from '../survey/kindFacts'
import { lineOfOutput } from '../wiring/outputPath'
import { powerPaths } from '../wiring/powerPath'
import { conventionWords } from '../control/conventionWords'
import { translate } from '../control/translate'
import { consequences } from './consequences'
import type { LoopContext } from './context'
import { type Finding, TEST_FAILED } from './finding'
import { riseAndFall } from '../proof/riseAndFall'

/** A rule looks at a loop and tells what it finds; rules are a list, in the order of the stages. */
type Rule = (context: LoopContext) => Finding[]

type Plan = OnOffBehaviour & { readonly id: string }

const eachPlan =
  (find: (plan: Plan, context: LoopContext) => Finding[]): Rule =>
  (context) =>
    ordered(context.loop.settings.planned).flatMap((plan) => find(plan, context))

const chainComplete: Rule = ({ chain }) => {
  const has = (category: string) => chain.devices.some(({ facts }) => facts.category === category)
  const missing = (code: string, what: string, remedy: string): Finding => ({
    code,
    severity: 'look-again',
    safety: false,
    stage: 'match',
    about: 'chain',
    head: `No ${what} yet.`,
    reason: `The chain has no ${what}.`,
    remedy,
  })
  const findings: Finding[] = []
  if (!has('probe')) findings.push(missing('C001_NO_PROBE', 'probe', 'Choose one from the shelf.'))
  if (!has('controller')) findings.push(missing('C002_NO_CONTROLLER', 'controller', 'Choose one from the shelf.'))
  if (!has('load')) findings.push(missing('C003_NO_LOAD', 'load', 'Choose what the output drives.'))
  if (has('controller') && !chain.connections.some(({ toPort }) => toPort.kind === 'supply-in'))
    findings.push(missing('C004_NO_SUPPLY', 'supply', 'Choose the circuit that feeds it.'))
  return findings
}

const jointsFit: Rule = ({ joints, chain }) =>
  joints.flatMap((joint): Finding[] => {
    if (joint.verdict === 'fits') return []
    const connection = chain.connections.find(({ id }) => id === joint.connection)
    const stop = joint.verdict === 'does-not-fit'
    return [
      {
        code: stop ? 'C010_DOES_NOT_FIT' : 'C011_JOINT_LOOK',
        severity: stop ? 'stop' : 'look-again',
        safety: stop,
        stage: 'match',
        about: joint.connection,
        head: `${connection?.fromDevice.tag ?? ''} to ${connection?.toDevice.tag ?? ''}: ${stop ? 'does not fit' : 'look again'}.`,
        reason: joint.reason,
        remedy: joint.remedy ?? 'Choose another device.',
      },
    ]
  })

const limiterPresent: Rule = ({ loop, chain }) => {
  if (!factsOfKind(loop.kind).needsLimiter) return []
  return powerPaths(chain)
    .filter(
      ({ loadPort, contacts }) => loadPort.heat !== 'none' && !contacts.some(({ device }) => device.facts.limiter),
    )
    .map(({ load }) => ({
      code: 'C013_NO_LIMITER',
      severity: 'stop',
      safety: true,
      stage: 'match',
      about: load.id,
      head: `No independent limiter before ${load.tag}.`,
      reason: 'A contact that welds heats on. The controller\u2019s own contact does not count as its limit.',
      remedy: 'Put a limiter with its own probe and its own contact into this line.',
    }))
}

const limiterSetting: Rule = ({ loop, chain, words, data }) =>
  chain.devices.flatMap((device): Finding[] => {
    if (!device.facts.limiter || !factsOfKind(loop.kind).needsLimiter) return []
    const highest = fieldValue(data, 'screed.max.cement').high
    const usual = words.say(fieldValue(data, 'floor.limiter').typical, 'temperature', 0)
    if (device.dialC === undefined)
      return [
        {
          code: 'C016_LIMITER_NOT_SET',
          severity: 'stop',
          safety: true,
          stage: 'match',
          about: device.id,
          head: `Nobody wrote down what ${device.tag} is set to.`,
          reason: 'A limiter that is not set to the floor does not guard it.',
          remedy: `Read its dial, set it to ${usual} or lower, write it down.`,
        },
      ]
    if (device.dialC <= highest) return []
    return [
      {
        code: 'C014_LIMITER_TOO_HIGH',
        severity: 'stop',
        safety: true,
        stage: 'match',
        about: device.id,
        head: `${device.tag} is set over the screed\u2019s limit.`,
        reason: `${words.say(device.dialC, 'temperature', 0)} at the pipe; cement screed takes ${words.say(highest, 'temperature', 0)}, calcium sulphate ${words.say(fieldValue(data, 'screed.max.casulphate').high, 'temperature', 0)} (EN 1264-4).`,
        remedy: `Set it to ${usual} or lower.`,
      },
    ]
  })

const surfaceLimit = eachPlan((plan, { survey, words }) => {
  if (!survey) return []
  const { facts, plant } = survey
  const inScreed = facts.probePlace === 'screed'
  const limitC = floorLimit(survey.zone, plant.designRoomC)
  // A probe in the air does not hold the floor: on the design day it gets as warm as the room needs it.
  const hottestC = inScreed ? Math.max(plan.onC, plan.offC) : plant.designSlabC
  if (hottestC <= limitC) return []
  const may = `this floor may reach ${words.say(limitC, 'temperature')} (EN 1264, covering).`
  return [
    {
      code: 'C025_SURFACE_OVER_LIMIT',
      severity: 'stop',
      safety: true,
      stage: 'set',
      about: plan.id,
      head: 'Floor goes over its surface limit.',
      reason: inScreed
        ? `Cuts out at ${words.say(hottestC, 'temperature')}; ${may}`
        : `Holding the room at design takes a floor of ${words.say(hottestC, 'temperature')}; ${may}`,
      remedy: inScreed
        ? `Bring the cut-out to ${words.say(limitC, 'temperature')} or under.`
        : 'Lower the target, insulate, or give the rest of the heat by other means.',
    },
  ]
})

const supplyUnderLimiter: Rule = ({ survey, chain, words }) => {
  if (!survey) return []
  const limiter = chain.devices.find(({ facts, dialC }) => facts.limiter && dialC !== undefined)
  if (!limiter || survey.facts.noWater || survey.facts.supplyC < limiter.dialC!) return []
  return [
    {
      code: 'C015_SUPPLY_OVER_LIMITER',
      severity: 'look-again',
      safety: false,
      stage: 'match',
      about: limiter.id,
      head: `${limiter.tag} will trip at the design supply.`,
      reason: `Supply ${words.say(survey.facts.supplyC, 'temperature')}, limiter ${words.say(limiter.dialC!, 'temperature')}.`,
      remedy: 'Lower the supply water. The limiter stays.',
    },
  ]
}

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
      stage: 'set',
      about: plan.id,
      head: 'Set lies outside its limits.',
      reason: `${words.say(setpointC, 'temperature')} is ${over ? 'over the highest' : 'under the lowest'} the keys allow, ${words.say((over ? highestC : lowestC)!, 'temperature')}.`,
      remedy: over ? 'Lower the set or raise the limit.' : 'Raise the set or lower the limit.',
    },
  ]
})

const swingInLimits = eachPlan((plan, { words }) => {
  const { swingK, lowestC, highestC } = plan
  if (lowestC === undefined || highestC === undefined || swingK <= highestC - lowestC) return []
  return [
    {
      code: 'C021_SWING_WIDER_THAN_LIMITS',
      severity: 'look-again',
      safety: false,
      stage: 'set',
      about: plan.id,
      head: 'Swing is wider than the limits.',
      reason: `${words.say(swingK, 'difference')} of swing in ${words.say(Math.max(0, highestC - lowestC), 'difference')} between lowest and highest.`,
      remedy: 'Narrow the swing or open the limits.',
    },
  ]
})

const alarmOutsideBand = eachPlan((plan, { words }) => {
  const top = Math.max(plan.onC, plan.offC)
  if (plan.alarmHighC === undefined || plan.alarmHighC > top) return []
  return [
    {
      code: 'C022_ALARM_INSIDE_BAND',
      severity: 'look-again',
      safety: false,
      stage: 'set',
      about: plan.id,
      head: 'Alarm inside the working band.',
      reason: `Alarm at ${words.say(plan.alarmHighC, 'temperature')}, the output works up to ${words.say(top, 'temperature')}.`,
      remedy: `Raise the alarm over ${words.say(top, 'temperature')}.`,
    },
  ]
})

const swingResolved = eachPlan((plan, { chain, words, data }) => {
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
      stage: 'set',
      about: plan.id,
      head: 'Swing is narrower than the display resolves.',
      reason: `${words.say(plan.swingK, 'difference', 2)} of swing, display step ${words.say(stepK, 'difference', 2)}.`,
      remedy: `Widen it to ${words.say(leastK, 'difference', 2)} or more.`,
    },
  ]
})

const conventionFits = eachPlan((plan, { chain, words }) => {
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
      stage: 'set',
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
      stage: 'set',
      about: plan.id,
      head: 'Offset is large.',
      reason: `${words.say(plan.offsetK, 'difference')}; over ${words.say(limit, 'difference')} look for the cause.`,
      remedy: 'Check kind, lead and place of the probe.',
    },
  ]
})

const probeFaultSafe = eachPlan((plan, { chain }) => {
  if (plan.probeFault === 'off' || plan.action !== 'heating') return []
  const guarded = lineOfOutput(chain, plan.output)?.contacts.some(({ device }) => device.facts.limiter)
  return [
    {
      code: 'C041_HEATS_ON_PROBE_FAULT',
      severity: 'stop',
      safety: true,
      stage: 'set',
      about: plan.id,
      head: 'A broken probe leaves the heat on.',
      reason: guarded
        ? 'Only the limiter then holds it, and its trip is not proved.'
        : 'Nothing but this probe holds it.',
      remedy: 'Choose off on probe fault.',
    },
  ]
})

const powerEnough = eachPlan((plan, context) => {
  const { survey, chain, words } = context
  if (!survey) return []
  const design = consequences(plan, chain, survey).find(({ id }) => id === 'design')
  const power = survey.plant.powerW
  if (power > 0 && design?.reason !== 'stays on') return []
  const { seen } = survey.plant
  const restC = survey.facts.designOutdoorC + power / seen.lossWPerK
  return [
    {
      code: 'C060_NEVER_REACHES',
      severity: 'look-again',
      safety: false,
      stage: 'set',
      about: plan.id,
      head: `Does not reach ${words.say(plan.offC, 'temperature')} at design.`,
      reason: `${words.say(power, 'power')} into the floor rests at ${words.say(restC, 'temperature')} when it is ${words.say(survey.facts.designOutdoorC, 'temperature')} outside.`,
      remedy: 'Warmer water, closer pipes, better insulation, or a lower set.',
    },
  ]
})

const testsPassed: Rule = (context) =>
  ordered(context.loop.settings.planned).flatMap((plan): Finding[] => {
    const { result } = riseAndFall(context, plan)
    if (result.verdict === 'waiting' || result.verdict === 'good') return []
    return [
      {
        code: TEST_FAILED,
        severity: 'look-again',
        safety: result.verdict === 'replace',
        stage: 'prove',
        about: plan.id,
        head: `${result.head}.`,
        reason: result.reason,
        remedy: result.next,
      },
    ]
  })

const rules: readonly Rule[] = [
  chainComplete,
  jointsFit,
  limiterPresent,
  limiterSetting,
  supplyUnderLimiter,
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

/** Every rule over one loop. */
export const runRules: Rule = (context) => rules.flatMap((rule) => rule(context))

import { switchingPlans } from '../../document/behaviour'
import { fieldValue } from '../../plant/fieldValue'
import type { ResolvedDevice } from '../../document/chain'
import type { Effect } from '../../device/deviceProfile'
import { factsOfKind } from '../../survey/kindFacts'
import { limitersOf, limitersOnCommand, ownProtection } from '../../wiring/protections'
import { callPaths, powerPaths } from '../../wiring/powerPath'
import { screedMostC, screedWaitDays } from '../../survey/kinds/screedQuestions'
import { controlOutputs, reachOf } from '../../wiring/reach'
import { isValve } from '../../wiring/valves'
import type { LoopContext } from '../context'
import type { Finding } from '../finding'
import type { SafetyFigures } from '../safetyWords'
import { lookAgain, note, type Rule, stop, told } from './rule'

interface Heater {
  readonly device: ResolvedDevice
  readonly does: Effect
  readonly limiters: readonly ResolvedDevice[]
  /** Limiters that only take the command away. */
  readonly onCommand: readonly ResolvedDevice[]
  readonly solidState: ResolvedDevice | undefined
}

/** Every load that must have a limiter, with what guards it. */
function heatersOf({ chain, loop }: LoopContext): readonly Heater[] {
  const guarded = factsOfKind(loop.kind).limiterFor
  const commands = chain.devices.flatMap((device) =>
    controlOutputs(device).flatMap((port) => reachOf(chain, { device: device.id, port })),
  )
  const heaters = new Map<string, Heater>()
  const add = (device: ResolvedDevice, does: Effect, lines: Parameters<typeof limitersOf>[1][]) => {
    const reach = commands.filter((each) => each.device.id === device.id)
    const contacts = lines.flatMap((line) => line.contacts)
    heaters.set(device.id, {
      device,
      does,
      limiters: lines.flatMap((line) => limitersOf(chain, line)).map((c) => c.device),
      onCommand: reach.flatMap((each) => limitersOnCommand(each.lines)).map((c) => c.device),
      solidState: contacts.find(({ port }) => port.solidState)?.device,
    })
  }
  for (const line of powerPaths(chain))
    if (guarded.includes(line.loadPort.does)) add(line.load, line.loadPort.does, [line])
  for (const { load, loadPort } of callPaths(chain)) if (guarded.includes(loadPort.does)) add(load, loadPort.does, [])
  for (const { device, does, port } of commands)
    if (port.kind === 'signal-in' && guarded.includes(does) && !heaters.has(device.id)) add(device, does, [])
  return [...heaters.values()]
}

const limiterPresent: Rule = (context) =>
  heatersOf(context).flatMap(({ device, limiters, onCommand }): Finding[] => {
    const own = ownProtection(device.facts)
    if (limiters.length > 0) return []
    if (own)
      return [
        note('C017_OWN_PROTECTION', {
          about: device.id,
          head: `${device.tag} brings its own protection.`,
          reason: `${own}.`,
          remedy: 'It is proved with everything else; nothing of ours stands in for it.',
        }),
      ]
    const [weak] = onCommand
    if (weak)
      return [
        stop('C018_LIMITER_NOT_INDEPENDENT', {
          about: device.id,
          head: `${weak.tag} only takes the command of ${device.tag} away.`,
          reason: 'The relay that it opens also controls: when that one welds, nothing switches off.',
          remedy: 'Put its contact into the load\u2019s own line, or give it a contactor of its own.',
        }),
      ]
    return [
      stop('C013_NO_LIMITER', {
        about: device.id,
        head: `No independent limiter before ${device.tag}.`,
        reason: 'A contact that welds heats on. The controller\u2019s own contact does not count as its limit.',
        remedy: 'Put a limiter with its own probe and its own contact into this line.',
        ...limiterFix(context, device.id),
      }),
    ]
  })

function limiterFix({ chain }: LoopContext, load: string): Pick<Finding, 'fix'> {
  const line = powerPaths(chain).find((path) => path.load.id === load && path.connections.length > 0)
  const last = line?.connections.at(-1)
  return last && last.fromPort.kind === 'contact'
    ? {
        fix: {
          do: 'insert',
          connection: last.id,
          wants: {
            category: 'limiter',
            carries: {
              load: line!.loadPort.load.kind,
              volts: line!.loadPort.load.volts,
              amps: ampsOf(line!.loadPort.load),
            },
          },
        },
      }
    : {}
}
const ampsOf = ({
  amps,
  powerW,
  volts,
  powerFactor = 1,
}: {
  amps?: number
  powerW: number
  volts: number
  powerFactor?: number
}) => amps ?? powerW / (volts * powerFactor)

/** Solid-state outputs fail closed: the limiter must have something of its own to open. */
const solidStateGuarded: Rule = (context) =>
  heatersOf(context).flatMap(({ device, solidState, limiters }): Finding[] =>
    solidState && limiters.length === 0
      ? [
          stop('C043_SOLID_STATE_FAILS_CLOSED', {
            about: device.id,
            head: `${solidState.tag} fails closed.`,
            reason: 'Most solid-state relays that die stay on. Taking their input away then does nothing.',
            remedy: `A limiter with a contactor of its own in the line of ${device.tag}.`,
          }),
        ]
      : [],
  )

const limiterSetting: Rule = (context) => {
  const { loop, chain, words, data } = context
  const facts = factsOfKind(loop.kind)
  const heaters = heatersOf(context)
  if (heaters.length === 0 && facts.limiterFor.length === 0) return []
  const usual = words.say(facts.limiterC(loop.survey.answers, data), 'temperature', 0)
  return chain.devices.flatMap((device): Finding[] => {
    if (!device.facts.limiter || device.facts.limiter.opens === 'fall') return []
    if (device.dialC === undefined)
      return [
        stop('C016_LIMITER_NOT_SET', {
          about: device.id,
          head: `Nobody wrote down what ${device.tag} is set to.`,
          reason: 'A limiter that is not set to what it protects does not protect it.',
          remedy: `Read its dial, set it to ${usual} or lower, write it down.`,
        }),
      ]
    return []
  })
}

const floorLimiterLow: Rule = ({ chain, words, data, survey, loop }) => {
  if (!survey?.floor && !factsOfKind(loop.kind).limiterFor.includes('water-flow')) return []
  if (survey && !survey.floor) return []
  // An electric mat in adhesive, dry boards: their maker tells.
  if (loop.survey.answers['screedKind'] === 'none') return []
  const highest = screedMostC(loop.survey.answers, data)
  const known = loop.survey.answers['screedKind'] !== undefined
  const usual = words.say(fieldValue(data, 'floor.limiter').typical, 'temperature', 0)
  return chain.devices.flatMap((device): Finding[] => {
    if (!device.facts.limiter || device.dialC === undefined || device.dialC <= highest) return []
    return [
      stop('C014_LIMITER_TOO_HIGH', {
        about: device.id,
        head: `${device.tag} is set over the screed\u2019s limit.`,
        reason: `${words.say(device.dialC, 'temperature', 0)} at the pipe; ${known ? 'this screed' : 'a screed of unknown kind'} takes ${words.say(highest, 'temperature', 0)} (EN 1264-4).`,
        remedy: `Set it to ${usual} or lower.`,
        fix: {
          do: 'set-device',
          device: device.id,
          change: { dialC: fieldValue(data, 'floor.limiter').typical },
          say: `Set ${device.tag} to ${usual}`,
        },
      }),
    ]
  })
}

/** Whether a limiter takes a pump off by a contact in the pump’s own line: a valve that loses its voltage stays where it is. */
const stopsFloorPump = (chain: LoopContext['chain'], limiter: ResolvedDevice) =>
  powerPaths(chain).some(
    (line) =>
      line.load.facts.category === 'load' &&
      Object.values(line.load.facts.ports).some((port) => port.kind === 'load' && port.load.kind === 'motor') &&
      !isValve(line.load) &&
      limitersOf(chain, line).some(({ device }) => device === limiter),
  )

/** A valve that is driven to a place between open and shut, and stays there. */
const mixesWater = ({ facts }: ResolvedDevice) =>
  Object.values(facts.ports).some(
    (port) =>
      (port.kind === 'signal-in' && port.does === 'water-flow') || (port.kind === 'load' && port.role !== undefined),
  )

/** A boiler, a valve or a line that feeds a floor: the pipe to it has a limiter of its own, whatever guards the boiler. */
const floorSupplyLimited: Rule = (context) => {
  const { loop, chain, data } = context
  const { answers } = loop.survey
  if (answers['screedKind'] === 'none') return []
  // A valve that mixes stays where it is when it fails or loses its voltage: a limiter in its line stops nothing.
  const mixes = loop.kind === 'floor' && chain.devices.some(mixesWater)
  if (!mixes && !(loop.kind === 'boiler' && answers['emitter'] === 'floor')) return []
  const mostC = screedMostC(answers, data)
  const holds = chain.devices.some(
    (device) =>
      device.facts.limiter !== undefined &&
      device.facts.limiter.opens !== 'fall' &&
      (device.dialC ?? Infinity) <= mostC &&
      stopsFloorPump(chain, device),
  )
  return holds
    ? []
    : [
        told(context, 'C131_FLOOR_SUPPLY_UNLIMITED', 'floor', {
          mostC,
          known: answers['screedKind'] !== undefined,
        }),
      ]
}

const screedOld: Rule = (context) => {
  const { answers } = context.loop.survey
  const waitDays = screedWaitDays(answers, context.data)
  const days = answers['screedAge']
  return waitDays !== undefined && typeof days === 'number' && days < waitDays
    ? [told(context, 'C132_SCREED_YOUNG', 'site', { days, waitDays }, { step: 'survey' })]
    : []
}

/** What a limiter guards where overshoot is dangerous, by the kind of loop and what the load does. */
function dangerOf(
  { loop }: LoopContext,
  does: Effect,
): SafetyFigures<'C133_LIMITER_RESETS_ITSELF'>['what'] | undefined {
  if (loop.kind === 'cabinet') return 'oven'
  if (loop.kind === 'floor') return 'floor'
  if (does === 'fuel') return 'fuel'
  return does === 'element' && (loop.kind === 'pool' || loop.kind === 'boiler') ? 'liquid' : undefined
}

const resetsByHand: Rule = (context) =>
  heatersOf(context).flatMap(({ device, does, limiters, onCommand }): Finding[] => {
    const what = dangerOf(context, does)
    if (!what) return []
    return [...new Set([...limiters, ...onCommand])]
      .filter(({ facts }) => facts.limiter?.opens !== 'fall' && facts.limiter?.reset === 'self')
      .map((limiter) =>
        told(context, 'C133_LIMITER_RESETS_ITSELF', limiter.id, { limiter: limiter.tag, load: device.tag, what }),
      )
  })

/** A load between two hots that is broken in one: the other stays live at it. */
const bothLegsBroken: Rule = (context) =>
  powerPaths(context.chain).flatMap(({ load, portId, loadPort, contacts, supply }): Finding[] => {
    if (supply?.port.midpoint === undefined || loadPort.does !== 'element' || contacts.length === 0) return []
    if (contacts.some(({ port }) => port.second !== undefined)) return []
    return [
      told(
        context,
        'C142_ONE_LEG_LIVE',
        `${load.id}.${portId}`,
        { load: load.tag, contact: contacts.map(({ device }) => device.tag).join(', ') },
        { severity: 'look-again' },
      ),
    ]
  })

/** A limiter far over what it guards lets too much through; one under the working point trips every day. */
const limiterNearTarget: Rule = ({ chain, survey, words, loop, data }) => {
  if (!survey || survey.floor || survey.seen.action !== 'heating') return []
  const usualC = factsOfKind(loop.kind).limiterC(loop.survey.answers, data)
  return chain.devices.flatMap((device): Finding[] => {
    const { dialC } = device
    if (!device.facts.limiter || device.facts.limiter.opens === 'fall' || dialC === undefined) return []
    if (dialC > usualC + LOOSE_K)
      return [
        lookAgain('C019_LIMITER_LOOSE', {
          about: device.id,
          head: `${device.tag} is set far over what it protects.`,
          reason: `${words.say(dialC, 'temperature', 0)}; ${words.say(usualC, 'temperature', 0)} is usual for ${words.say(survey.seen.targetC, 'temperature', 0)}.`,
          remedy: `Set it to ${words.say(usualC, 'temperature', 0)} or lower.`,
          fix: {
            do: 'set-device',
            device: device.id,
            change: { dialC: usualC },
            say: `Set ${device.tag} to ${words.say(usualC, 'temperature', 0)}`,
          },
        }),
      ]
    if (dialC <= survey.seen.targetC + 1)
      return [
        lookAgain('C028_LIMITER_UNDER_TARGET', {
          about: device.id,
          head: `${device.tag} trips before the target is reached.`,
          reason: `It opens at ${words.say(dialC, 'temperature', 0)}, the target is ${words.say(survey.seen.targetC, 'temperature', 0)}.`,
          remedy: 'Set it over the target, and no higher than what it protects bears.',
        }),
      ]
    return []
  })
}
const LOOSE_K = 10

const supplyUnderLimiter: Rule = ({ survey, chain, words }) => {
  if (!survey?.floor) return []
  const { facts } = survey.floor
  const limiter = chain.devices.find((device) => device.facts.limiter && device.dialC !== undefined)
  if (!limiter || facts.noWater || facts.supplyC < limiter.dialC!) return []
  return [
    lookAgain('C015_SUPPLY_OVER_LIMITER', {
      about: limiter.id,
      head: `${limiter.tag} will trip at the design supply.`,
      reason: `Supply ${words.say(facts.supplyC, 'temperature')}, limiter ${words.say(limiter.dialC!, 'temperature')}.`,
      remedy: 'Lower the supply water. The limiter stays.',
    }),
  ]
}

/** A load that may not start again at once, and a control that lets it. */
const minimumOffKept: Rule = ({ chain, loop, words }) =>
  switchingPlans(loop.settings.planned).flatMap(({ id, ...plan }): Finding[] =>
    reachOf(chain, plan.output).flatMap(({ device }): Finding[] => {
      const { minimumOffS, timesOwnMinimumOff } = device.facts.load ?? {}
      if (minimumOffS === undefined) return []
      if (plan.minimumOffS < minimumOffS && !timesOwnMinimumOff)
        return [
          lookAgain('C035_MINIMUM_OFF_SHORT', {
            about: `${id}/${device.id}`,
            head: `${device.tag} must stay off longer.`,
            reason: `Planned minimum off time ${words.say(plan.minimumOffS, 'seconds')}; ${device.name} asks for ${words.say(minimumOffS, 'seconds')}.`,
            remedy: `Plan ${words.say(minimumOffS, 'seconds')}.`,
            fix: {
              do: 'plan',
              plan: id,
              change: { minimumOffS },
              say: `Plan ${words.say(minimumOffS, 'seconds')} minimum off time`,
            },
          }),
        ]
      if (plan.minimumOffS > 0 && timesOwnMinimumOff)
        return [
          note('C034_MINIMUM_OFF_TWICE', {
            about: `${id}/${device.id}`,
            head: `Both time the minimum off time of ${device.tag}.`,
            reason: `The control keeps ${words.say(plan.minimumOffS, 'seconds')}, ${device.name} ${words.say(minimumOffS, 'seconds')}. Timed from the stop the longer one rules; a delay on the call adds.`,
            remedy: 'Leave it to the load alone, or know that the longer one counts.',
          }),
        ]
      return []
    }),
  )

/** Rules about limiters and what guards a load. */
export const protectionRules: readonly Rule[] = [
  limiterPresent,
  solidStateGuarded,
  limiterSetting,
  floorLimiterLow,
  limiterNearTarget,
  supplyUnderLimiter,
  floorSupplyLimited,
  screedOld,
  resetsByHand,
  bothLegsBroken,
  minimumOffKept,
]

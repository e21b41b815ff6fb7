import { answersOf } from '../../kinds/answersOf'
import { keeps } from '../../settings/keptPlan'
import { switchingPlans } from '../../settings/behaviour'
import { fieldValue } from '../../plant/fieldValue'
import type { ResolvedDevice } from '../../document/chain'
import type { Effect } from '../../choices/deviceChoices'
import { factsOfKind } from '../../kinds/kinds'
import { limitersOf, limitersOnCommand, ownProtection } from '../../wiring/protections'
import { callPaths, type PowerPath, powerPaths } from '../../wiring/powerPath'
import { screedMostC, screedWaitDays } from '../../kinds/screedQuestions'
import { controlOutputs, reachOf } from '../../wiring/reach'
import { isValve } from '../../wiring/valves'
import type { LoopContext } from '../../loop/context'
import type { Found } from '../finding'
import type { FiguresOf } from '../../words/sayFinding'
import { lookAgain, note, type Rule, stop, told } from './rule'

interface Heater {
  readonly device: ResolvedDevice
  readonly does: Effect
  readonly limiters: readonly ResolvedDevice[]
  /** Limiters that only take the command away. */
  readonly onCommand: readonly ResolvedDevice[]
  readonly solidState: ResolvedDevice | undefined
}

/** Every load that must have a limiter, with what protects it. */
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
  heatersOf(context).flatMap(({ device, limiters, onCommand }): Found[] => {
    const own = ownProtection(device.facts)
    if (limiters.length > 0) return []
    if (own) return [note('C017_OWN_PROTECTION', { about: device.id, figures: { tag: device.tag, own } })]
    const [weak] = onCommand
    if (weak)
      return [
        stop('C018_LIMITER_NOT_INDEPENDENT', { about: device.id, figures: { tag: weak.tag, deviceTag: device.tag } }),
      ]
    return [
      stop('C013_NO_LIMITER', { about: device.id, figures: { tag: device.tag }, ...limiterFix(context, device.id) }),
    ]
  })

function limiterFix({ chain }: LoopContext, load: string): Pick<Found, 'fix'> {
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
  heatersOf(context).flatMap(({ device, solidState, limiters }): Found[] =>
    solidState && limiters.length === 0
      ? [
          stop('C043_SOLID_STATE_FAILS_CLOSED', {
            about: device.id,
            figures: { tag: solidState.tag, deviceTag: device.tag },
          }),
        ]
      : [],
  )

const limiterSetting: Rule = (context) => {
  const { loop, chain, words, data } = context
  const facts = factsOfKind(loop.kind)
  const heaters = heatersOf(context)
  if (heaters.length === 0 && facts.limiterFor.length === 0) return []
  const usual = words.say(facts.limiterC(answersOf(loop), data), 'temperature', 0)
  return chain.devices.flatMap((device): Found[] => {
    if (!device.facts.limiter || device.facts.limiter.opens === 'fall') return []
    if (device.dialC === undefined)
      return [stop('C016_LIMITER_NOT_SET', { about: device.id, figures: { tag: device.tag, usual } })]
    return []
  })
}

const floorLimiterLow: Rule = ({ chain, words, data, survey, loop }) => {
  if (!survey?.floor && !factsOfKind(loop.kind).limiterFor.includes('water-flow')) return []
  if (survey && !survey.floor) return []
  // An electric mat in adhesive, dry boards: their maker tells.
  if (answersOf(loop)['screedKind'] === 'none') return []
  const highest = screedMostC(answersOf(loop), data)
  const known = answersOf(loop)['screedKind'] !== undefined
  const usual = words.say(fieldValue(data, 'floor.limiter').typical, 'temperature', 0)
  return chain.devices.flatMap((device): Found[] => {
    if (!device.facts.limiter || device.dialC === undefined || device.dialC <= highest) return []
    return [
      stop('C014_LIMITER_TOO_HIGH', {
        about: device.id,
        figures: { tag: device.tag, dialC: device.dialC, known, highest, usual },
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

/** A boiler, a valve or a line that feeds a floor: the pipe to it has a limiter of its own, whatever protects the boiler. */
const floorSupplyLimited: Rule = (context) => {
  const { loop, chain, data } = context
  const answers = answersOf(loop)
  if (answers['screedKind'] === 'none') return []
  // A valve that mixes stays where it is when it fails or loses its voltage: a limiter in its line stops nothing.
  const mixes = factsOfKind(loop.kind).emitter === 'floor' && chain.devices.some(mixesWater)
  if (!mixes && answers['emitter'] !== 'floor') return []
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
        told('C131_FLOOR_SUPPLY_UNLIMITED', 'floor', {
          mostC,
          known: answers['screedKind'] !== undefined,
        }),
      ]
}

const screedOld: Rule = (context) => {
  const answers = answersOf(context.loop)
  const waitDays = screedWaitDays(answers, context.data)
  const days = answers['screedAge']
  return waitDays !== undefined && typeof days === 'number' && days < waitDays
    ? [told('C132_SCREED_YOUNG', 'site', { days, waitDays }, { step: 'survey' })]
    : []
}

/** What a limiter protects where overshoot is dangerous, by the kind of loop and what the load does. */
function dangerOf({ loop }: LoopContext, does: Effect): FiguresOf<'C133_LIMITER_RESETS_ITSELF'>['what'] | undefined {
  return factsOfKind(loop.kind).protects?.(does) ?? (does === 'fuel' ? 'fuel' : undefined)
}

const resetsByHand: Rule = (context) =>
  heatersOf(context).flatMap(({ device, does, limiters, onCommand }): Found[] => {
    const what = dangerOf(context, does)
    if (!what) return []
    return [...new Set([...limiters, ...onCommand])]
      .filter(({ facts }) => facts.limiter?.opens !== 'fall' && facts.limiter?.reset === 'self')
      .map((limiter) =>
        told('C133_LIMITER_RESETS_ITSELF', limiter.id, { limiter: limiter.tag, load: device.tag, what }),
      )
  })

/** Hots of a line that have to be broken at once: both of two, all of three; one, where the other side is a neutral. */
function hotsOf({ supply, loadPort }: PowerPath): 1 | 2 | 3 {
  if (supply?.port.l3 !== undefined && loadPort.l3 !== undefined && supply.port.movedBy === undefined) return 3
  return supply?.port.midpoint !== undefined && loadPort.does === 'element' ? 2 : 1
}

/** A load between two hots or three that is not broken in all of them: the others stay live at it. */
const everyLegBroken: Rule = (context) =>
  powerPaths(context.chain).flatMap((path): Found[] => {
    const { load, portId, contacts } = path
    const hots = hotsOf(path)
    if (hots === 1 || contacts.length === 0) return []
    if (contacts.some(({ port }) => port.second !== undefined && (hots === 2 || port.third !== undefined))) return []
    return [
      told(
        'C142_ONE_LEG_LIVE',
        `${load.id}.${portId}`,
        { load: load.tag, contact: contacts.map(({ device }) => device.tag).join(', '), hots },
        { severity: 'look-again', ...breakEveryLeg(path, hots) },
      ),
    ]
  })

/** A relay that breaks every hot: in the place of the one that breaks too few, else put in before the load. */
function breakEveryLeg({ contacts, connections, loadPort, supply }: PowerPath, poles: 2 | 3): Pick<Found, 'fix'> {
  const { kind, volts, phases } = loadPort.load
  const amps = ampsOf(loadPort.load) / (phases === 3 ? Math.sqrt(3) : 1)
  const carries = { load: kind, volts, amps }
  const relay = contacts.find(({ device }) => device.facts.category === 'relay')?.device
  const coil = Object.values(relay?.facts.ports ?? {}).find((port) => port.kind === 'load' && port.does === 'none')
  if (relay && coil?.kind === 'load') {
    const current = coil.load.kind === 'dc' ? 'dc' : 'ac'
    const wants = { category: 'relay', poles, coil: { volts: coil.load.volts, current }, carries } as const
    return { fix: { do: 'replace', device: relay.id, wants } }
  }
  const last = connections.at(-1)
  if (last?.fromPort.kind !== 'contact' || !supply || supply.port.l3 !== undefined) return {}
  const wants = { category: 'relay', poles, coil: { volts: supply.port.volts, current: 'ac' }, carries } as const
  return { fix: { do: 'insert', connection: last.id, wants } }
}

/** A load of three phases on a line that has one. */
const phasesGiven: Rule = (context) =>
  powerPaths(context.chain).flatMap(({ load, portId, loadPort, supply }): Found[] =>
    supply && loadPort.load.phases === 3 && supply.port.l3 === undefined
      ? [told('C155_PHASES', `${load.id}.${portId}`, { load: load.tag, supply: supply.device.tag })]
      : [],
  )

/** A limiter far over what it protects lets too much through; one under the working point trips every day. */
const limiterNearTarget: Rule = ({ chain, survey, words, loop, data }) => {
  if (!survey || survey.floor || survey.seen.action !== 'heating') return []
  const usualC = factsOfKind(loop.kind).limiterC(answersOf(loop), data)
  return chain.devices.flatMap((device): Found[] => {
    const { dialC } = device
    if (!device.facts.limiter || device.facts.limiter.opens === 'fall' || dialC === undefined) return []
    if (dialC > usualC + LOOSE_K)
      return [
        lookAgain('C019_LIMITER_LOOSE', {
          about: device.id,
          figures: { tag: device.tag, dialC, usualC, targetC: survey.seen.targetC },
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
          figures: { tag: device.tag, dialC, targetC: survey.seen.targetC },
        }),
      ]
    return []
  })
}
const LOOSE_K = 10

const supplyUnderLimiter: Rule = ({ survey, chain }) => {
  if (!survey?.floor) return []
  const { facts } = survey.floor
  const limiter = chain.devices.find((device) => device.facts.limiter && device.dialC !== undefined)
  if (!limiter || facts.noWater || facts.supplyC < limiter.dialC!) return []
  return [
    lookAgain('C015_SUPPLY_OVER_LIMITER', {
      about: limiter.id,
      figures: { tag: limiter.tag, supplyC: facts.supplyC, dialC: limiter.dialC! },
    }),
  ]
}

/** A load that may not start again at once, and a control that lets it. */
const minimumOffKept: Rule = ({ chain, loop, words }) =>
  switchingPlans(loop.settings.planned).flatMap(({ id, ...plan }): Found[] =>
    reachOf(chain, plan.output).flatMap(({ device }): Found[] => {
      const { minimumOffS, timesOwnMinimumOff } = device.facts.load ?? {}
      if (minimumOffS === undefined) return []
      if (plan.minimumOffS < minimumOffS && !timesOwnMinimumOff) {
        const controller = chain.devices.find((each) => each.id === plan.output.device)?.facts.controller
        const able = controller !== undefined && keeps(controller, 'minimumOffS')
        return [
          lookAgain('C035_MINIMUM_OFF_SHORT', {
            about: `${id}/${device.id}`,
            figures: {
              ...{ tag: device.tag, minimumOffS: plan.minimumOffS, name: device.name, minimumOffS2: minimumOffS },
              able,
            },
            ...(able
              ? {
                  fix: {
                    do: 'plan' as const,
                    plan: id,
                    change: { minimumOffS },
                    say: `Plan ${words.say(minimumOffS, 'seconds')} minimum off time`,
                  },
                }
              : {}),
          }),
        ]
      }
      if (plan.minimumOffS > 0 && timesOwnMinimumOff)
        return [
          note('C034_MINIMUM_OFF_TWICE', {
            about: `${id}/${device.id}`,
            figures: { tag: device.tag, minimumOffS: plan.minimumOffS, name: device.name, minimumOffS2: minimumOffS },
          }),
        ]
      return []
    }),
  )

/** Rules about limiters and what protects a load. */
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
  everyLegBroken,
  phasesGiven,
  minimumOffKept,
]

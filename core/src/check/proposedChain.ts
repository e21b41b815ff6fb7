import { actionOf } from '../kinds/actionOf'
import type { Answers } from '../kinds/answers'
import { answersOf } from '../kinds/answersOf'
import type { FieldData } from '../plant/fieldValue'
import { mismatch } from '../probes/mismatch'
import { givesOf } from '../device/duty'
import { goesAgainst } from '../device/goesWith'
import { asSet } from '../device/asSet'
import { needsReturn } from '../device/needsReturn'
import { actionOptions } from '../device/actionOptions'
import { shelfOf } from '../device/suitsPractice'
import type { DeviceProfile } from '../device/deviceProfile'
import type { PortRef } from '../document/chain'
import { withDefaultPlans } from '../survey/defaultPlans'
import { factsOfKind } from '../kinds/kinds'
import type { Wanted } from '../kinds/leaning'
import { type Behaviour, plansOf } from '../settings/behaviour'
import { removeStage } from '../settings/stages/stageGroup'
import { placing } from '../survey/placing'
import { atHand, supplyOutOf, voltsAtHand } from '../survey/atHand'
import { takeOverPower } from '../survey/takeOverPower'
import type { Proposal } from '../survey/proposal'
import { addDevice, dropWhere, type Edited, insertDevice, joinPorts, place, removeDevice } from '../wiring/chainEdit'
import { controlOutputs, reachOf } from '../wiring/reach'
import { supplyVariant } from '../wiring/supplyVariant'
import { voltsAcross } from '../wiring/voltsAcross'
import { checkLoop } from './checkLoop'
import { type LoopContext, loopContext } from '../loop/context'
import { applyFix } from './fix'
import { permissivesOnce } from './permissivesOnce'
import { tunedPlans } from './tunedPlans'

interface Tools {
  readonly shelf: readonly DeviceProfile[]
  readonly data: FieldData
  readonly makeId: () => string
}

/** Controllers that are tried to the end. */
const MOST_TRIED = 4
const MOST_FIXES = 6
const MOST_SUPPLIES = 3
const WEIGHT = { stop: 100, 'look-again': 10, note: 1 } as const

const suitsKind = ({ loop }: Edited, { kinds }: DeviceProfile) => kinds === undefined || kinds[loop.kind] === true

const contextOf = ({ job, loop }: Edited, { data }: Tools): LoopContext => loopContext(job, loop, data)

/** Loads that no output reaches, and guards that are in no line. */
function idle({ chain }: LoopContext): number {
  const reached = new Set(
    chain.devices.flatMap((device) =>
      Object.keys(device.facts.ports).flatMap((port) =>
        reachOf(chain, { device: device.id, port }).map((reach) => reach.device.id),
      ),
    ),
  )
  const joined = new Set(chain.connections.flatMap(({ from, to }) => [from.device, to.device]))
  return chain.devices.filter(({ id, facts: { category, load } }) => {
    if (category === 'load') return !reached.has(id) && !load?.alarm
    return (category === 'limiter' || category === 'permissive' || category === 'probe') && !joined.has(id)
  }).length
}
/** What nothing feeds does nothing: worse than a circuit that somebody has to bring first. */
const UNFED = 150
const NOT_FED_YET = 10
const unfed: ReadonlySet<string> = new Set(['C004_NO_SUPPLY', 'C006_LINE_NOT_FED', 'C008_NOT_FED'])

/** A device more is a device more to buy, land and prove. */
const EACH = 3
/** Outweighs every finding: what is not joined cannot be wrong either. */
const IDLE = 1000

/**
 * How much is wrong with a chain: every finding by its severity, and what hangs beside it.
 * @param unfedWeighs what each thing weighs that nothing feeds; while supplies are still to come that says little
 */
function wrongWith(edited: Edited, tools: Tools, unfedWeighs: number = UNFED): number {
  const context = contextOf(withPlans(edited, tools), tools)
  const found = checkLoop(context).open.reduce(
    (sum, { code, severity }) => sum + (unfed.has(code) ? unfedWeighs : WEIGHT[severity]),
    0,
  )
  return found + IDLE * idle(context) + EACH * context.chain.devices.length
}

const withPlans = (edited: Edited, { data, makeId }: Tools) => withDefaultPlans(edited, data, makeId)

const put = (edited: Edited, profile: DeviceProfile, { data, makeId }: Tools) =>
  takeOverPower(edited, addDevice(edited, profile, makeId(), placing(edited.loop, profile, data)), data)

/** The best of several devices: the one that leaves least wrong, earlier ones first among equals. */
function putBest(
  edited: Edited,
  candidates: readonly DeviceProfile[],
  tools: Tools,
  extra: (p: DeviceProfile) => number = () => 0,
): Edited {
  let best: { readonly edited: Edited; readonly score: number } | undefined
  for (const profile of candidates) {
    const tried = put(edited, profile, tools)
    const score = wrongWith(tried, tools, NOT_FED_YET) + extra(profile)
    if (!best || score < best.score) best = { edited: tried, score }
  }
  return best?.edited ?? edited
}

/** Whether a circuit that is at hand gives the three phases of a load, at its volts. */
function givesPhases(supply: DeviceProfile, answers: Answers, ports: DeviceProfile['ports']): boolean {
  const out = supplyOutOf(supply)
  if (out?.l3 === undefined || !atHand(answers, supply)) return false
  return Object.values(ports).some(
    (port) => port.kind === 'load' && Math.abs(port.load.volts - out.volts) < 0.06 * out.volts,
  )
}

/** What takes three phases is proposed where a circuit gives them, or a drive of the chain that moves nothing yet. */
const canBeFed = ({ ports }: DeviceProfile, { job, loop }: Edited, shelf: readonly DeviceProfile[]) =>
  !Object.values(ports).some((port) => port.kind === 'load' && port.load.phases === 3) ||
  shelf.some((each) => each.category === 'supply' && givesPhases(each, answersOf(loop), ports)) ||
  Object.entries(loop.chain.devices).some(
    ([id, { profile }]) =>
      supplyOutOf(job.profiles[profile]!)?.l2 !== undefined &&
      !Object.values(loop.chain.connections).some(
        ({ from, to }) => from.device === id && loop.chain.devices[to.device],
      ),
  )

/** Devices made for this kind first, then what suits any, by name. */
function candidatesFor(edited: Edited, wanted: Wanted, { shelf }: Tools): readonly DeviceProfile[] {
  const action = actionOf(edited.loop)
  const { category, places, does, senses, measures, control, alarm } = wanted
  return shelf
    .filter((profile) => {
      if (profile.category !== category || !suitsKind(edited, profile)) return false
      if (category === 'load' && !canBeFed(profile, edited, shelf)) return false
      const ports = Object.values(profile.ports)
      if (places && !places.some((place) => (profile.probe ?? profile.limiter)?.places?.[place])) return false
      if (does && !ports.some((port) => 'does' in port && port.does === does)) return false
      if (senses && profile.permissive?.senses !== senses) return false
      if (control && !profile.controller?.controls?.[control]) return false
      if (!actionOptions(profile, action)) return false
      // A second thermostat is there for when the first one's supply is gone.
      if (category === 'controller' && ports.some(({ kind }) => kind === 'supply-in')) return false
      if (alarm && profile.load?.alarm !== 'own-supply') return false
      if (measures && !ports.some((port) => port.kind === 'measure-out' && port.measures === measures)) return false
      return true
    })
    .sort((a, b) => Number(b.kinds !== undefined) - Number(a.kinds !== undefined) || (a.id < b.id ? -1 : 1))
}

const outputsOf = (profile: DeviceProfile) =>
  controlOutputs({ facts: asSet(profile), id: '', order: 0, tag: '', name: '', profile: '', shared: false }).length
/** A design day that goes beyond the tolerance under any plan is worse than a probe more to buy. */
const STRAYS = 20
/** An output that nobody asked for weighs a little: the plainest controller that will do. */
const SPARE = 2

/** Controllers that can do what is proposed; where the shelf has none in stages for this kind, those that switch once. */
function controllersFor(edited: Edited, proposal: Proposal, tools: Tools): readonly DeviceProfile[] {
  const able = controllersThatCan(edited, proposal, tools)
  return able.length > 0 || proposal.control !== 'staged'
    ? able
    : controllersThatCan(edited, { control: 'on-off', stages: 1 }, tools)
}

function controllersThatCan(
  edited: Edited,
  { control, stages }: Pick<Proposal, 'control' | 'stages'>,
  tools: Tools,
): readonly DeviceProfile[] {
  const answers = answersOf(edited.loop)
  const action = actionOf(edited.loop)
  return tools.shelf
    .filter((profile) => {
      const { controller } = profile
      if (profile.category !== 'controller' || !controller?.controls?.[control]) return false
      if (!actionOptions(profile, action)) return false
      if (!suitsKind(edited, profile) || (control === 'staged' && outputsOf(profile) < stages)) return false
      // One that takes its share of a cycle is planned so: who chose a swing gets a swing.
      if (control === 'on-off' && controller.controls['time-proportioned']) return false
      if (answers['parked'] === 'enclosed' && controller.controls.timer) return false
      return true
    })
    .sort(
      (a, b) =>
        (answers['returnWire'] === 'none' ? Number(needsReturn(a)) - Number(needsReturn(b)) : 0) ||
        Number(b.kinds !== undefined) - Number(a.kinds !== undefined) ||
        outputsOf(a) - outputsOf(b) ||
        (a.id < b.id ? -1 : 1),
    )
    .slice(0, MOST_TRIED)
}

/** A guard goes in only where it is missed: a load may bring its own. */
function putIfMissed(edited: Edited, candidates: readonly DeviceProfile[], tools: Tools): Edited {
  const tried = putBest(edited, candidates, tools)
  return wrongWith(tried, tools, NOT_FED_YET) < wrongWith(edited, tools, NOT_FED_YET) ? tried : edited
}

/** Supply connections that do not fit, taken off. */
function withoutUnfit(edited: Edited, tools: Tools): Edited {
  const { judgedConnections, chain } = contextOf(edited, tools)
  const unfit = new Set(
    judgedConnections.filter(({ verdict }) => verdict === 'does-not-fit').map(({ connection }) => connection),
  )
  const bad = chain.connections.filter(({ id, fromPort }) => unfit.has(id) && fromPort.kind === 'supply-out')
  return dropWhere(edited, (c) =>
    bad.some(({ from, to }) => from.device === c.from.device && to.device === c.to.device && to.port === c.to.port),
  )
}

/** Probes that an input of this controller reads right at room temperature. */
function readable(probes: readonly DeviceProfile[], controller: DeviceProfile): readonly DeviceProfile[] {
  const inputs = Object.values(asSet(controller).ports).filter((port) => port.kind === 'probe-in')
  return probes.filter(({ probe }) =>
    inputs.some(
      ({ accepts, lowC, highC }) =>
        probe !== undefined && Math.abs(mismatch(probe.curve, accepts, ROOM_C, [lowC, highC]).errorK ?? Infinity) <= 1,
    ),
  )
}
const ROOM_C = 20

/** A supply by itself, and behind a circuit that feeds it where it is one that takes one. */
function waysToFeed(supplies: readonly DeviceProfile[]): readonly (readonly DeviceProfile[])[] {
  return supplies.flatMap((profile) => {
    const into = Object.values(profile.ports).find((port) => port.kind === 'supply-in')
    if (into?.kind !== 'supply-in') return [[profile]]
    const before = supplies.filter((each) => {
      const out = each === profile ? undefined : supplyOutOf(each)
      return out && supplyVariant(out, into.variants)
    })
    return [[profile], ...before.map((each) => [each, profile])]
  })
}

const isUnfed = (edited: Edited, tools: Tools) =>
  checkLoop(contextOf(withPlans(edited, tools), tools)).open.some(({ code }) => unfed.has(code))

/** Whether a supply gives what something of the chain takes, by its volts: what gives nothing of it need not be tried. */
function isOfUse({ job, loop }: Edited, supply: DeviceProfile): boolean {
  const out = supplyOutOf(supply)
  if (!out) return false
  return Object.values(loop.chain.devices).some(({ profile }) =>
    Object.values(job.profiles[profile]?.ports ?? {}).some((port) => {
      if (port.kind === 'supply-in') return supplyVariant(out, port.variants) !== undefined
      return (
        port.kind === 'load' && Math.abs(port.load.volts - voltsAcross(out, port.load.phases)) <= 0.1 * port.load.volts
      )
    }),
  )
}

/** The plainest circuit first: ground-fault protection and three phases where they are wanted. */
const plainFirst = (a: DeviceProfile, b: DeviceProfile) => {
  const more = (profile: DeviceProfile) => {
    const out = supplyOutOf(profile)
    return Number(out?.classA === true) + Number(out?.l3 !== undefined)
  }
  return more(a) - more(b)
}

/** Takes one way of feeding after another while it helps. */
function feedBy(edited: Edited, all: readonly (readonly DeviceProfile[])[], tools: Tools): Edited {
  const ways = all.filter((way) => isOfUse(edited, way.at(-1)!))
  let next = edited
  for (let i = 0; i < MOST_SUPPLIES; i++) {
    const clear = withoutUnfit(next, tools)
    const [best] = ways
      .map((way) => way.reduce((fed, profile) => withoutUnfit(put(fed, profile, tools), tools), clear))
      .map((tried) => ({ tried, score: wrongWith(tried, tools) }))
      .sort((a, b) => a.score - b.score)
    if (!best || best.score >= wrongWith(clear, tools)) return clear
    next = best.tried
  }
  return next
}

/**
 * Feeds what is not fed, or fed by what does not fit. A circuit that is not at hand is taken where none that is would do: the finding
 * that names it then says what has to be brought.
 */
function feed(edited: Edited, tools: Tools): Edited {
  const answers = answersOf(edited.loop)
  const supplies = tools.shelf
    .filter((profile) => profile.category === 'supply' && suitsKind(edited, profile))
    .sort(plainFirst)
  const there = supplies.filter((profile) => atHand(answers, profile))
  const single = feedBy(
    edited,
    there.map((profile) => [profile]),
    tools,
  )
  return isUnfed(single, tools) ? feedBy(edited, [...waysToFeed(there), ...waysToFeed(supplies)], tools) : single
}

/** Carries out the remedies that the chain has for itself, the one that helps most first, while one helps. */
function mend(edited: Edited, tools: Tools): Edited {
  let next = withPlans(edited, tools)
  for (let i = 0; i < MOST_FIXES; i++) {
    const found = checkLoop(contextOf(next, tools)).open
    const now = wrongWith(next, tools)
    const [better] = found
      // What was answered is followed; nobody answers otherwise but whoever was asked.
      .flatMap(({ fix }) => (fix && fix.do !== 'answer' ? [fix] : []))
      .flatMap((fix) => {
        const tried = applyFix(next, fix, tools.shelf, tools.makeId, (profile) =>
          placing(next.loop, profile, tools.data),
        )
        if (!tried) return []
        const score = wrongWith(tried, tools)
        // A relay that takes a line over is of use once its line is fed.
        if (score < now || fix.do !== 'insert' || fix.wants.category !== 'relay') return [{ tried, score }]
        const fed = feed(withPlans(tried, tools), tools)
        return [{ tried: fed, score: wrongWith(fed, tools) }]
      })
      .sort((a, b) => a.score - b.score)
    if (!better || better.score >= now) return next
    next = withPlans(better.tried, tools)
  }
  return next
}

/** What runs through the contact of a device, A; what it switches without a current is nothing. */
function carriedA({ chain, judgedConnections }: LoopContext, id: string): number {
  const given = chain.connections.filter(({ from }) => from.device === id)
  return Math.max(
    0,
    ...judgedConnections.flatMap(({ connection, figures }) =>
      given.some((each) => each.id === connection) && 'loadA' in figures ? [Number(figures.loadA)] : [],
    ),
  )
}

/** A permissive whose contact cannot carry its line goes where less flows: before the coil of what carries the load. */
function movePermissives(edited: Edited, tools: Tools): Edited {
  const { chain, judgedConnections } = contextOf(edited, tools)
  const strained = chain.devices.filter(
    ({ id, facts }) =>
      facts.category === 'permissive' &&
      chain.connections.some(
        (each) =>
          each.from.device === id &&
          judgedConnections.some(({ connection, verdict }) => connection === each.id && verdict !== 'fits'),
      ),
  )
  return strained.reduce((next, { id }) => {
    const held = next.loop.chain.devices[id]
    const profile = held && next.job.profiles[held.profile]
    if (!profile) return next
    const scoreOf = (tried: Edited) => wrongWith(tried, tools) + Math.min(EACH, carriedA(contextOf(tried, tools), id))
    const without = removeDevice(next, id)
    const [best] = Object.keys(without.loop.chain.connections)
      .flatMap((connection) => {
        try {
          const tried = insertDevice(without, connection, profile, id, placing(next.loop, profile, tools.data))
          return [{ tried, score: scoreOf(tried) }]
        } catch (error) {
          // Not every connection is a line.
          if (error instanceof RangeError) return []
          throw error
        }
      })
      .sort((a, b) => a.score - b.score)
    return best && best.score < scoreOf(next) ? withPlans(best.tried, tools) : next
  }, edited)
}

/** One guard for all stages in place of one for each, where that leaves no more wrong. */
function withPermissivesOnce(edited: Edited, tools: Tools): Edited {
  const tried = permissivesOnce(edited, tools)
  if (!tried) return edited
  const fed = mend(feed(withPlans(tried, tools), tools), tools)
  return wrongWith(fed, tools) < wrongWith(edited, tools) ? fed : edited
}

/** The run terminals of a drive get a switch of their own: nothing runs before somebody has closed it. */
function withRunsClosed(edited: Edited, tools: Tools): Edited {
  const { chain } = contextOf(edited, tools)
  const joined = new Set(chain.connections.map(({ to }) => `${to.device}.${to.port}`))
  const open = chain.devices
    .filter(({ facts }) => facts.category === 'drive')
    .flatMap(({ id, facts }) =>
      Object.entries(facts.ports).flatMap(([port, { kind }]) =>
        kind === 'contact-in' && !joined.has(`${id}.${port}`) ? [{ device: id, port }] : [],
      ),
    )
  const switches = candidatesFor(edited, { category: 'permissive', as: 'run switch', senses: 'hand' }, tools)
  const closed = (next: Edited, run: PortRef) => (profile: DeviceProfile) => {
    const contact = Object.entries(profile.ports).find(([, { kind }]) => kind === 'contact')?.[0]
    if (contact === undefined) return []
    const id = tools.makeId()
    const tried = joinPorts(place(next, profile, id, {}), { device: id, port: contact }, run)
    return [{ tried, score: wrongWith(tried, tools) }]
  }
  return open.reduce((next, run) => {
    const [best] = switches.flatMap(closed(next, run)).sort((a, b) => a.score - b.score)
    return best?.tried ?? next
  }, edited)
}

/** A load as near as possible to what one stage must give, and not under it. */
function sizing(needW: number) {
  return (profile: DeviceProfile) => {
    const gives = Math.max(
      0,
      ...Object.values(profile.ports).map((port) =>
        'does' in port ? givesOf(port) || (port.kind === 'load' ? port.load.powerW : 0) : 0,
      ),
    )
    if (gives === 0) return 0
    return gives < needW ? 15 * (1 - gives / needW) : Math.min(9, gives / needW - 1)
  }
}

/** A stage whose output drives nothing is not planned: an output more than there are compressors. */
function withoutIdleStages(edited: Edited, tools: Tools): Edited {
  const { chain } = contextOf(edited, tools)
  const staged = new Set(chain.devices.flatMap(({ id, facts }) => (facts.controller?.controls?.staged ? [id] : [])))
  const plans = plansOf(edited.loop.settings.planned).filter(({ output }) => staged.has(output.device))
  const [first] = plans
  const idle = plans.filter(({ output }) => reachOf(chain, output).length === 0)
  if (!first || idle.length === plans.length) return edited
  const planned = [...idle]
    .reverse()
    .reduce<Readonly<Record<string, Behaviour>>>(
      (left, { id }) => removeStage(left, first.id, id) ?? left,
      edited.loop.settings.planned,
    )
  return { ...edited, loop: { ...edited.loop, settings: { ...edited.loop.settings, planned } } }
}

/** A chain about one controller, and how much is wrong with it. */
interface Built {
  readonly edited: Edited
  readonly score: number
}

/** Those that the mains at hand can feed; all where they feed none. */
function fedFirst(loads: readonly DeviceProfile[], answers: Answers): readonly DeviceProfile[] {
  const fed = loads.filter((profile) => voltsAtHand(answers, profile))
  return fed.length > 0 ? fed : loads
}

/** The whole chain about a controller: probes, what it moves, what goes with it, guards, supplies, remedies. */
function built(
  edited: Edited,
  controller: DeviceProfile,
  proposal: Proposal,
  tools: Tools,
  suits: (profile: DeviceProfile) => boolean,
): Built {
  const facts = factsOfKind(edited.loop.kind)
  const answers = answersOf(edited.loop)
  const { survey } = contextOf(edited, tools)
  const leaning = facts.leaning(answers)
  const also = (category: Wanted['category']) => proposal.wants.filter((wanted) => wanted.category === category)
  const probes = also('probe')
  const wantedProbes: readonly Wanted[] =
    probes.length > 0 ? probes : [{ category: 'probe', as: 'probe', places: facts.places(answers) }]
  let next = put(edited, controller, tools)
  const inputs = Object.values(controller.ports).filter(({ kind }) => kind === 'probe-in').length
  for (const wanted of wantedProbes.slice(0, inputs)) {
    const there = candidatesFor(next, wanted, tools)
    // One that is read from another place is more than one in the right place that is not.
    const elsewhere = candidatesFor(next, { category: 'probe', as: wanted.as }, tools)
    const [read] = [there, elsewhere].map((each) => readable(each, controller)).filter(({ length }) => length > 0)
    next = putBest(next, read ?? there, tools)
  }
  for (const wanted of also('transmitter'))
    if (Object.values(controller.ports).some((port) => port.kind === 'measure-in' && port.measures === wanted.measures))
      next = putBest(next, candidatesFor(next, wanted, tools), tools)
  for (const wanted of also('drive')) next = putBest(next, candidatesFor(next, wanted, tools), tools)
  const able = leaning.does.flatMap((does) => candidatesFor(next, { category: 'load', as: 'load', does }, tools))
  const suited = able.filter(suits)
  const loads = fedFirst(suited.length > 0 ? suited : able, answers)
  const steps = proposal.control === 'staged' && controller.controller?.controls?.staged ? proposal.stages : 1
  const needW = (typeof answers['power'] === 'number' ? answers['power'] : (survey?.seen.loadW ?? 0)) / steps
  for (let i = 0; i < steps; i++) next = putBest(next, loads, tools, sizing(needW))
  // Before a second control is there that would be joined to them.
  next = withRunsClosed(next, tools)
  for (const wanted of also('controller')) next = putBest(next, candidatesFor(next, wanted, tools), tools)
  for (const wanted of also('load')) next = putBest(next, fedFirst(candidatesFor(next, wanted, tools), answers), tools)
  for (const wanted of also('limiter')) next = putIfMissed(next, candidatesFor(next, wanted, tools), tools)
  for (const wanted of also('permissive')) next = putIfMissed(next, candidatesFor(next, wanted, tools), tools)
  next = withPermissivesOnce(movePermissives(mend(feed(mend(feed(next, tools), tools), tools), tools), tools), tools)
  const spare = Math.max(0, outputsOf(controller) - steps)
  const tuned = tunedPlans(withoutIdleStages(withPlans(next, tools), tools), tools.data)
  const strays = tuned.beyondK > 0 ? STRAYS + Math.min(STRAYS, tuned.beyondK) : 0
  return { edited: tuned.edited, score: wrongWith(tuned.edited, tools) + SPARE * spare + strays }
}

/** Nothing hangs beside it, and everything is fed by what fits. */
function isWhole({ edited }: Built, tools: Tools): boolean {
  const context = contextOf(withPlans(edited, tools), tools)
  const broken = checkLoop(context).open.some(({ code }) => unfed.has(code) || code === 'C010_DOES_NOT_FIT')
  return !broken && idle(context) === 0 && context.chain.devices.some(({ facts }) => facts.category === 'load')
}

const bestOf = (all: readonly Built[]): Built | undefined =>
  all.reduce<Built | undefined>((best, each) => (best && best.score <= each.score ? best : each), undefined)

/**
 * The chain that a proposal starts with: devices of the shelf chosen by what they can do, joined, fed, and mended by the rules' own
 * remedies. Nothing here knows a device by its name. Where no chain of what was answered can be made whole, the nearest one that can:
 * a finding names what was answered and what it is instead.
 * @returns undefined where the shelf has no controller for it
 */
export function proposedChain(edited: Edited, proposal: Proposal, given: Tools): Edited | undefined {
  const tools = { ...given, shelf: shelfOf(given.shelf, edited.job.practice) }
  const answers = answersOf(edited.loop)
  const controllers = controllersFor(edited, proposal, tools)
  const about = (suits: (profile: DeviceProfile) => boolean) =>
    bestOf(controllers.map((controller) => built(edited, controller, proposal, tools, suits)))
  const suited = about((profile) => goesAgainst(profile, answers) === undefined)
  const best = suited && !isWhole(suited, tools) ? bestOf([suited, about(() => true)!]) : suited
  return best?.edited
}

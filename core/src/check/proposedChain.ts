import type { FieldData } from '../plant/fieldValue'
import { mismatch } from '../probes/mismatch'
import { givesOf } from '../device/duty'
import { asSet } from '../device/asSet'
import { suitsPractice } from '../device/suitsPractice'
import type { DeviceProfile } from '../device/deviceProfile'
import { withDefaultPlans } from '../survey/defaultPlans'
import { factsOfKind } from '../kinds/kinds'
import type { Wanted } from '../kinds/leaning'
import { placing } from '../survey/placing'
import { atHand } from '../survey/atHand'
import { takeOverPower } from '../survey/takeOverPower'
import type { Proposal } from '../survey/proposal'
import { addDevice, dropWhere, type Edited } from '../wiring/chainEdit'
import { controlOutputs, reachOf } from '../wiring/reach'
import { checkLoop } from './checkLoop'
import { type LoopContext, loopContext } from '../loop/context'
import { applyFix } from './fix'

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
/** A device more is a device more to buy, land and prove. */
const EACH = 3
/** Outweighs every finding: what is not joined cannot be wrong either. */
const IDLE = 1000

/** How much is wrong with a chain: every finding by its severity, and what hangs beside it. */
function wrongWith(edited: Edited, tools: Tools): number {
  const context = contextOf(withPlans(edited, tools), tools)
  const found = checkLoop(context).open.reduce((sum, { severity }) => sum + WEIGHT[severity], 0)
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
    const score = wrongWith(tried, tools) + extra(profile)
    if (!best || score < best.score) best = { edited: tried, score }
  }
  return best?.edited ?? edited
}

/** Devices made for this kind first, then what suits any, by name. */
function candidatesFor(edited: Edited, wanted: Wanted, { shelf }: Tools): readonly DeviceProfile[] {
  const { action } = factsOfKind(edited.loop.kind)
  const { category, places, does, senses, measures, control, alarm } = wanted
  return shelf
    .filter((profile) => {
      if (profile.category !== category || !suitsKind(edited, profile) || !suitsPractice(profile, edited.job.practice))
        return false
      const ports = Object.values(profile.ports)
      if (places && !places.some((place) => (profile.probe ?? profile.limiter)?.places?.[place])) return false
      if (does && !ports.some((port) => 'does' in port && port.does === does)) return false
      if (senses && profile.permissive?.senses !== senses) return false
      if (control && !profile.controller?.controls?.[control]) return false
      if (ports.some((port) => port.kind === 'contact' && port.action && port.action !== action)) return false
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
/** An output that nobody asked for weighs a little: the plainest controller that will do. */
const SPARE = 2

function controllersFor(edited: Edited, { control, stages }: Proposal, tools: Tools): readonly DeviceProfile[] {
  const { answers } = edited.loop.survey
  const { action } = factsOfKind(edited.loop.kind)
  return tools.shelf
    .filter((profile) => {
      const { controller } = profile
      if (profile.category !== 'controller' || !controller?.controls?.[control]) return false
      if (Object.values(profile.ports).some((port) => port.kind === 'contact' && port.action && port.action !== action))
        return false
      if (!suitsKind(edited, profile) || (control === 'staged' && outputsOf(profile) < stages)) return false
      if (answers['parked'] === 'enclosed' && controller.controls.timer) return false
      return true
    })
    .sort(
      (a, b) =>
        Number(b.kinds !== undefined) - Number(a.kinds !== undefined) ||
        outputsOf(a) - outputsOf(b) ||
        (a.id < b.id ? -1 : 1),
    )
    .slice(0, MOST_TRIED)
}

/** A guard goes in only where it is missed: a load may bring its own. */
function putIfMissed(edited: Edited, candidates: readonly DeviceProfile[], tools: Tools): Edited {
  const tried = putBest(edited, candidates, tools)
  return wrongWith(tried, tools) < wrongWith(edited, tools) ? tried : edited
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

/** Probes that an input of this controller reads right at room temperature; all of them where it reads none. */
function readable(probes: readonly DeviceProfile[], controller: DeviceProfile): readonly DeviceProfile[] {
  const inputs = Object.values(asSet(controller).ports).filter((port) => port.kind === 'probe-in')
  const right = probes.filter(({ probe }) =>
    inputs.some(
      ({ accepts, lowC, highC }) =>
        probe !== undefined && Math.abs(mismatch(probe.curve, accepts, ROOM_C, [lowC, highC]).errorK ?? Infinity) <= 1,
    ),
  )
  return right.length > 0 ? right : probes
}
const ROOM_C = 20

/** Feeds what is not fed, or fed by what does not fit, one supply after another while it helps. */
function feed(edited: Edited, tools: Tools): Edited {
  const supplies = tools.shelf.filter(
    (profile) =>
      profile.category === 'supply' &&
      suitsKind(edited, profile) &&
      suitsPractice(profile, edited.job.practice) &&
      atHand(edited.loop.survey.answers, profile),
  )
  let next = edited
  for (let i = 0; i < MOST_SUPPLIES; i++) {
    const clear = withoutUnfit(next, tools)
    const [best] = supplies
      .map((profile) => withoutUnfit(put(clear, profile, tools), tools))
      .map((tried) => ({ tried, score: wrongWith(tried, tools) }))
      .sort((a, b) => a.score - b.score)
    if (!best || best.score >= wrongWith(clear, tools)) return clear
    next = best.tried
  }
  return next
}

/** Carries out every remedy that the chain has for itself, one after another, while it helps. */
function mend(edited: Edited, tools: Tools): Edited {
  let next = withPlans(edited, tools)
  for (let i = 0; i < MOST_FIXES; i++) {
    const found = checkLoop(contextOf(next, tools)).open
    const better = found
      .flatMap(({ fix }) => (fix ? [fix] : []))
      .map((fix) =>
        applyFix(next, fix, tools.shelf, tools.makeId, (profile) => placing(next.loop, profile, tools.data)),
      )
      .find((tried) => tried && wrongWith(tried, tools) < wrongWith(next, tools))
    if (!better) return next
    next = withPlans(better, tools)
  }
  return next
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

/**
 * The chain that a proposal starts with: devices of the shelf chosen by what they can do, joined, fed, and mended by the rules' own
 * remedies. Nothing here knows a device by its name.
 * @returns undefined where the shelf has no controller for it
 */
export function proposedChain(edited: Edited, proposal: Proposal, tools: Tools): Edited | undefined {
  const facts = factsOfKind(edited.loop.kind)
  const { answers } = edited.loop.survey
  const { survey } = contextOf(edited, tools)
  const leaning = facts.leaning(answers)
  const also = (category: Wanted['category']) => proposal.wants.filter((wanted) => wanted.category === category)
  const probes = also('probe')
  const wantedProbes: readonly Wanted[] =
    probes.length > 0 ? probes : [{ category: 'probe', as: 'probe', places: facts.places(answers) }]
  let best: { readonly edited: Edited; readonly score: number } | undefined
  for (const controller of controllersFor(edited, proposal, tools)) {
    let next = put(edited, controller, tools)
    const inputs = Object.values(controller.ports).filter(({ kind }) => kind === 'probe-in').length
    for (const wanted of wantedProbes.slice(0, inputs))
      next = putBest(next, readable(candidatesFor(next, wanted, tools), controller), tools)
    for (const wanted of also('transmitter'))
      if (
        Object.values(controller.ports).some((port) => port.kind === 'measure-in' && port.measures === wanted.measures)
      )
        next = putBest(next, candidatesFor(next, wanted, tools), tools)
    const loads = leaning.does.flatMap((does) => candidatesFor(next, { category: 'load', as: 'load', does }, tools))
    const steps = proposal.control === 'staged' ? proposal.stages : 1
    const needW = (typeof answers['power'] === 'number' ? answers['power'] : (survey?.seen.loadW ?? 0)) / steps
    for (let i = 0; i < steps; i++) next = putBest(next, loads, tools, sizing(needW))
    for (const wanted of also('controller')) next = putBest(next, candidatesFor(next, wanted, tools), tools)
    for (const wanted of also('load')) next = putBest(next, candidatesFor(next, wanted, tools), tools)
    for (const wanted of also('limiter')) next = putIfMissed(next, candidatesFor(next, wanted, tools), tools)
    for (const wanted of also('permissive')) next = putIfMissed(next, candidatesFor(next, wanted, tools), tools)
    next = mend(feed(mend(feed(next, tools), tools), tools), tools)
    const score = wrongWith(next, tools) + SPARE * Math.max(0, outputsOf(controller) - steps)
    if (!best || score < best.score) best = { edited: next, score }
  }
  return best && withPlans(best.edited, tools)
}

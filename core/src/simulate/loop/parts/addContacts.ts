import { answersOf } from '../../../kinds/answersOf'
import type { ResolvedChain, ResolvedConnection } from '../../../document/chain'
import { type ContactExpression, contactsOf, runs } from '../../../wiring/contactLogic'
import { lineLogics, type LineLogic, type NamedContact } from '../../../wiring/loadLogic'
import type { Reach } from '../../../wiring/reach'
import { CALLED, type Expression, type Input } from '../../scenario'
import type { Parts } from './parts'

/** Probe of a limiter on a pipe, well fitted. Source: field data lag.strap.good. */
const LIMITER_LAG_S = 40

/** The lines whose contacts decide whether an end runs: those on the way to it, and the inputs of what it hangs on that must be closed. */
function linesOf(chain: ResolvedChain, end: Reach): readonly LineLogic[] {
  const all = lineLogics(chain)
  const movesContact = ({ load, portId }: LineLogic) =>
    Object.values(load.facts.ports).some((port) => port.kind === 'contact' && port.movedBy === portId)
  const onWay = end.lines.flatMap(({ load, portId }) =>
    all.filter((each) => each.load.id === load.id && each.portId === portId),
  )
  const passed = new Set([...end.via, end.device].map(({ id }) => id))
  const inputs = all.filter(({ load, port }) => port.kind === 'contact-in' && passed.has(load.id))
  // What pulls a coil is looked through where its contact stands.
  return [...new Set([...onWay, ...inputs])].filter((line) => !movesContact(line))
}

/** An expression with each contact put as the scenario has it. */
const put = (expression: ContactExpression, term: (name: string) => Expression): Expression =>
  typeof expression === 'string'
    ? term(expression)
    : 'not' in expression
      ? { not: put(expression.not, term) }
      : 'and' in expression
        ? { and: expression.and.map((part) => put(part, term)) }
        : { or: expression.or.map((part) => put(part, term)) }

/** Contacts in a plain row, or nothing where it is more than that. */
function rowOf(expressions: readonly ContactExpression[]): readonly string[] | undefined {
  const parts = expressions.flatMap((each) => (typeof each === 'object' && 'and' in each ? each.and : [each]))
  const names = parts.filter((part) => typeof part === 'string')
  return names.length === parts.length ? [...new Set(names)] : undefined
}

/** Whether something moves a contact that is not a control's: its coil or its input is joined. */
const isMoved = (connections: readonly ResolvedConnection[], { device, port }: NamedContact) =>
  device.facts.ports[port.movedBy] === undefined ||
  connections.some(({ to }) => to.device === device.id && to.port === port.movedBy)

/**
 * Whatever must be closed for a load to run, as it is wired: limiters, permissive contacts, switches, other controls, in series and in parallel.
 * A plain row with one control in it are permissives; anything else is a line with its contacts.
 * @returns what stands for each contact, by actuator and contact
 */
export function addContacts(
  parts: Parts,
  limiterAt: Readonly<Record<string, string>>,
): Readonly<Record<string, Readonly<Record<string, Expression>>>> {
  const { chain } = parts.given
  const terms: Record<string, Record<string, Expression>> = {}
  const permit = (drives: string, expression: Expression) => {
    if (!parts.permissives.some((each) => each.drives === drives && each.expression === expression))
      parts.permissives.push({ drives, expression })
  }
  const ends = new Map(
    parts.driven.flatMap((each) => each.ends.flatMap((end) => (end.starts ? [] : [[end.device.id, end] as const]))),
  )
  for (const [drives, end] of ends) {
    const drivers = parts.contacts.filter((each) => each.drives === drives)
    const needs = (plan: string) => parts.needs.get(plan) ?? []
    const lines = linesOf(chain, end)
    const contacts = new Map(lines.flatMap((line) => line.contacts.map((contact) => [contact.name, contact] as const)))
    const expressions = lines.map(({ expression }) => expression)
    const row = rowOf(expressions)
    const whole: ContactExpression = { and: row ?? expressions }
    const isControl = (contact: NamedContact) => contact.duty === 'control' && contact.port.role === undefined
    const isPlain = row !== undefined && (drivers.length < 2 || row.length === 0)
    const resting = restingOf(whole, [...contacts.values()])

    const own = (contact: NamedContact): Expression => {
      const { device, portId, name } = contact
      if (isControl(contact)) {
        const isMine = ({ plan: { output } }: (typeof drivers)[number]) =>
          output.device === device.id && output.port === portId
        const driver = drivers.find(isMine)
        // It lets the load run and does not say how much: it stands for itself.
        const starts = driver ? undefined : parts.contacts.find(isMine)
        if (starts) {
          parts.names[starts.control] = name
          return starts.control
        }
        if (!driver) {
          // Nothing is planned for it: it never closes by itself.
          parts.inputs[name] = { constant: false }
          parts.names[name] = `${name}, which has no plan`
          return name
        }
        const control = drivers.length < 2 ? CALLED : driver.control
        parts.names[driver.control] = name
        return isPlain || needs(driver.plan.id).length === 0 ? control : { and: [control, ...needs(driver.plan.id)] }
      }
      const { port } = contact
      if (contact.duty === 'control' || device.facts.ports[port.movedBy]?.kind === 'signal-in') return CALLED
      return condition(parts, contact, limiterAt[drives], resting.has(name) || !isMoved(chain.connections, contact))
    }
    terms[drives] = Object.fromEntries([...contacts].map(([name, contact]) => [name, own(contact)]))
    if (isPlain) {
      for (const name of row) if (terms[drives][name] !== CALLED) permit(drives, terms[drives][name]!)
      for (const { plan } of drivers) for (const need of needs(plan.id)) permit(drives, need)
    } else parts.lines.push({ drives, expression: put(whole, (name) => terms[drives]![name]!) })
  }
  return terms
}

/** Switches that lie across others: left open, the load still has its way. Those that are left are closed. */
function restingOf(whole: ContactExpression, contacts: readonly NamedContact[]): ReadonlySet<string> {
  const open = new Set<string>()
  for (const { name, duty } of contacts) {
    if (duty !== 'hand' && duty !== 'time' && duty !== 'other') continue
    const closed = new Set(contactsOf(whole).filter((each) => each !== name && !open.has(each)))
    if (runs(whole, closed)) open.add(name)
  }
  return open
}

/** What a contact that no control moves does in a run: by its temperature, by its hours, or as it stands. */
function condition(parts: Parts, contact: NamedContact, limiterAt: string | undefined, open: boolean): string {
  const { device, name } = contact
  const { limiter, permissive } = device.facts
  const of = (senses: string, node: string) => {
    const probe = `${senses} ${device.id}`
    if (!parts.probes.some(({ id }) => id === probe)) parts.probes.push({ id: probe, node, lagS: LIMITER_LAG_S })
    return probe
  }
  if (limiter && device.dialC !== undefined && limiterAt !== undefined) {
    parts.inputs[device.tag] = {
      probe: of('limiter', limiterAt),
      belowC: device.dialC,
      latched: limiter.reset === 'manual',
    }
    return device.tag
  }
  const opensC = permissive?.senses === 'frost' ? (device.dialC ?? permissive.opensAtC) : undefined
  if (opensC !== undefined) {
    parts.inputs[device.tag] = { probe: of('frost', parts.controlled), aboveC: opensC }
    return device.tag
  }
  if (permissive) {
    parts.inputs[device.tag] = open ? { constant: false } : conditionOf(parts, permissive.senses)
    return device.tag
  }
  parts.inputs[name] = { constant: !open }
  return name
}

/** Flow of a pool whose pump has its own timer is there in its hours; all else is as it should be. */
function conditionOf(parts: Parts, senses: string): Input {
  const answers = answersOf(parts.given.loop)
  const hours = parts.survey.figures['pumpHours']?.value
  if (senses === 'flow' && answers['owner'] === 'timer' && hours !== undefined && hours < 24) {
    const from = Math.max(0, 14 - hours / 2)
    return { hours: [[from, Math.min(24, from + hours)]] }
  }
  return { constant: true }
}

import type { ContactDuty } from '../choices/deviceChoices'
import type { ResolvedChain, ResolvedDevice } from '../document/chain'
import type { ContactInPort, ContactPort, LoadPort, PermissiveFacts } from '../device/deviceProfile'
import { type ContactExpression, contactLogic, type ContactLogic, contactsOf, mostContacts } from './contactLogic'
import { callPaths, powerPaths } from './powerPath'
import { remembered } from '../memory/remembered'

/** One contact as a fitter names it. */
export interface NamedContact {
  /** Key in the expression: tag and, where a device has several contacts, which. */
  readonly name: string
  readonly device: ResolvedDevice
  readonly portId: string
  readonly port: ContactPort
  readonly duty: ContactDuty
}

/** What a contact by-passes, and how bad that is. */
interface Defeat {
  readonly contact: NamedContact
  readonly by: NamedContact
  /** The contact protects: a safety that is by-passed is a stop. A switch or a timer that is by-passed is only what lies across. */
  readonly safety: boolean
}

/** A line and the contacts before it. */
export interface LineLogic {
  readonly load: ResolvedDevice
  readonly portId: string
  readonly port: LoadPort | ContactInPort
  /** Its own line, as wired: relay contacts stand for themselves. */
  readonly line: ContactExpression
  /** The same with every relay contact replaced by what pulls its coil. */
  readonly expression: ContactExpression
  readonly contacts: readonly NamedContact[]
  /** Relays on the way: the contact, and the contacts that pull it. */
  readonly relays: readonly { readonly contact: NamedContact; readonly coil: ContactExpression }[]
}

/** A load and the contacts that decide whether it runs, relays looked through. */
export interface LoadLogic extends LineLogic {
  /** Left out where more contacts meet than are worked out. */
  readonly logic: ContactLogic | undefined
  readonly defeats: readonly Defeat[]
  /** Contacts that protect and that nothing by-passes. */
  readonly protects: readonly NamedContact[]
}

/** Permissives that guard against harm; hand and time only choose. */
const protecting: ReadonlySet<PermissiveFacts['senses']> = new Set([
  'flow',
  'pressure',
  'frost',
  'air-flow',
  'co',
  'level',
  'door',
  'overload',
])

function dutyOf({ facts }: ResolvedDevice, { movedBy }: ContactPort): ContactDuty {
  if (facts.limiter) return 'limit'
  const senses = facts.permissive?.senses
  if (senses) return protecting.has(senses) ? 'protection' : senses === 'time' ? 'time' : 'hand'
  return facts.controller && movedBy === 'control' ? 'control' : 'other'
}

function nameContact(device: ResolvedDevice, portId: string, port: ContactPort): NamedContact {
  const several = Object.values(device.facts.ports).filter(({ kind }) => kind === 'contact').length > 1
  return {
    name: several ? `${device.tag} ${device.facts.terminals[port.make]?.label ?? portId}` : device.tag,
    device,
    portId,
    port,
    duty: dutyOf(device, port),
  }
}

const joined = (key: 'and' | 'or', parts: readonly ContactExpression[]): ContactExpression | undefined =>
  parts.length < 2 ? parts[0] : key === 'and' ? { and: parts } : { or: parts }

/** The contacts that feed a port, in series and parallel as they are wired; `true` for a plain wire from a supply. */
function feeding(
  chain: ResolvedChain,
  device: string,
  port: string,
  names: Map<string, NamedContact>,
  seen: ReadonlySet<string> = new Set(),
): ContactExpression | true | undefined {
  const ways = chain.connections.filter(
    ({ to, fromPort }) =>
      to.device === device && to.port === port && (fromPort.kind === 'contact' || fromPort.kind === 'supply-out'),
  )
  const branches: ContactExpression[] = []
  for (const { from, fromDevice, fromPort } of ways) {
    const key = `${from.device}.${from.port}`
    if (fromPort.kind === 'supply-out') return true
    if (fromPort.kind !== 'contact' || seen.has(key)) continue
    const contact = nameContact(fromDevice, from.port, fromPort)
    names.set(contact.name, contact)
    const before = fromPort.fed ? undefined : feeding(chain, from.device, from.port, names, new Set([...seen, key]))
    branches.push(
      before === undefined || before === true ? contact.name : joined('and', [...flat('and', before), contact.name])!,
    )
  }
  return factored(branches)
}

const flat = (key: 'and' | 'or', each: ContactExpression): readonly ContactExpression[] =>
  typeof each === 'object' && key in each ? (each as Record<string, readonly ContactExpression[]>)[key]! : [each]

const same = (a: ContactExpression | undefined, b: ContactExpression | undefined) =>
  JSON.stringify(a) === JSON.stringify(b)

/** What branches in parallel share at their heads is drawn once: F and A, or F and S, is F and (A or S). */
function factored(branches: readonly ContactExpression[]): ContactExpression | undefined {
  if (branches.length < 2) return branches[0]
  const parts = branches.map((each) => flat('and', each))
  let shared = 0
  while (parts.every((each) => each.length > shared + 1 && same(each[shared], parts[0]![shared]))) shared++
  const rest = parts.map((each) => joined('and', each.slice(shared))!)
  return joined('and', [...parts[0]!.slice(0, shared), joined('or', rest)!])
}

/** Replaces relay contacts by what pulls their coils. */
function lookThrough(
  expression: ContactExpression,
  coils: ReadonlyMap<string, ContactExpression>,
  depth = 0,
): ContactExpression {
  if (typeof expression === 'string') {
    const coil = coils.get(expression)
    return coil && depth < 8 ? lookThrough(coil, coils, depth + 1) : expression
  }
  const inner = (each: ContactExpression) => lookThrough(each, coils, depth)
  if ('not' in expression) return { not: inner(expression.not) }
  return 'and' in expression
    ? { and: expression.and.map(inner).flatMap((each) => flat('and', each)) }
    : { or: expression.or.map(inner) }
}

/** The contacts before every load, coil and call, in series and parallel. Plain wires without any contact have none. */
export const lineLogics = remembered((chain: ResolvedChain): readonly LineLogic[] => {
  const names = new Map<string, NamedContact>()
  const lines = [...powerPaths(chain), ...callPaths(chain)]
  const coils = new Map<string, ContactExpression>()
  for (const { load, portId } of lines)
    for (const [id, port] of Object.entries(load.facts.ports)) {
      if (port.kind !== 'contact' || port.movedBy !== portId) continue
      const pulls = feeding(chain, load.id, portId, names)
      if (pulls !== undefined && pulls !== true) coils.set(nameContact(load, id, port).name, pulls)
    }
  return lines.flatMap(({ load, portId, loadPort }): LineLogic[] => {
    const line = feeding(chain, load.id, portId, names)
    if (line === undefined || line === true) return []
    const expression = lookThrough(line, coils)
    const relays = contactsOf(line).flatMap((name) => {
      const coil = coils.get(name)
      return coil === undefined ? [] : [{ contact: names.get(name)!, coil }]
    })
    const contacts = contactsOf(expression).map((name) => names.get(name)!)
    return [{ load, portId, port: loadPort, line, expression, contacts, relays }]
  })
})

/**
 * The contacts before every load and every call that does something, the truth table behind them, what each override defeats and what still
 * protects.
 */
export const loadLogics = remembered((chain: ResolvedChain): readonly LoadLogic[] =>
  lineLogics(chain).flatMap((each): LoadLogic[] => {
    const { port, expression, contacts } = each
    if (port.does === 'none') return []
    const logic = contacts.length > mostContacts ? undefined : contactLogic(expression)
    const named = (name: string) => contacts.find((contact) => contact.name === name)!
    const protective = ({ duty }: NamedContact) => duty === 'limit' || duty === 'protection'
    const chosen = ({ duty }: NamedContact) => duty === 'hand' || duty === 'time'
    const defeats = (logic?.bypasses ?? [])
      .map(({ contact, by }) => ({ contact: named(contact), by: named(by) }))
      .filter(({ contact }) => !chosen(contact))
      .map((defeat) => ({ ...defeat, safety: protective(defeat.contact) }))
    const protects = contacts.filter(
      (contact) => protective(contact) && !defeats.some((defeat) => defeat.contact.name === contact.name),
    )
    return [{ ...each, logic, defeats, protects }]
  }),
)

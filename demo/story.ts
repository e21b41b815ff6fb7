import type { LoopContext } from '@nachtigal/core/check/context'
import type { LoopDocument, LoopKind, Reading } from '@nachtigal/core/job/documents'
import type { FieldData } from '@nachtigal/core/plant/fieldValue'
import type { DeviceProfile } from '@nachtigal/core/profile/deviceProfile'
import { placing } from '@nachtigal/core/survey/placing'
import { withDefaultPlans } from '@nachtigal/core/survey/defaultPlans'
import { addDevice, insertDevice, joinPorts, moveSupply, setDevice, setOption } from '@nachtigal/core/wiring/chainEdit'
import type { Edited } from '@nachtigal/core/wiring/edited'

/** What a story is told with: every call is one command. */
export interface Teller {
  readonly shelf: readonly DeviceProfile[]
  readonly data: FieldData
  readonly by: string
  readonly uuid: (of: string) => string
  readonly now: () => string
  readonly current: () => Edited
  readonly put: (edited: Edited, why?: string, minutes?: number) => void
  readonly edit: (change: (loop: LoopDocument) => LoopDocument, why?: string, minutes?: number) => void
  readonly context: () => LoopContext
}

export interface LoopStory {
  readonly id: string
  readonly kind: LoopKind
  readonly name: string
  readonly story: (teller: Teller) => void
}

export interface Story {
  readonly file: string
  readonly name: string
  readonly place: string
  readonly begins: number
  readonly loops: readonly LoopStory[]
}

/** Answers, hazards and complaint of a first visit. */
export function survey(
  { edit }: Teller,
  {
    complaint,
    answers,
    hazards,
    found,
  }: {
    readonly complaint?: string
    readonly answers: Readonly<Record<string, string | number>>
    readonly hazards: readonly string[]
    readonly found?: LoopDocument['survey']['found']
  },
) {
  if (complaint) edit((l) => ({ ...l, survey: { ...l.survey, complaint } }))
  if (found) edit((l) => ({ ...l, survey: { ...l.survey, found } }))
  for (const [id, answer] of Object.entries(answers))
    edit((l) => ({ ...l, survey: { ...l.survey, answers: { ...l.survey.answers, [id]: answer } } }), undefined, 1)
  edit((l) => ({
    ...l,
    survey: { ...l.survey, hazards: Object.fromEntries(hazards.map((id) => [id, true as const])) },
  }))
}

/** A chain, device by device, under steady ids; plans follow from what is there. */
export function chain(teller: Teller, devices: readonly string[]) {
  for (const [i, id] of devices.entries()) add(teller, id, `device ${i}`)
}

export function profileOf({ shelf }: Teller, id: string): DeviceProfile {
  const found = shelf.find((profile) => profile.id === id)
  if (!found) throw new RangeError(`no device ${id} on the shelf`)
  return found
}

const planned = ({ data, uuid }: Teller, edited: Edited) => {
  let n = Object.keys(edited.loop.settings.planned).length
  return withDefaultPlans(edited, data, () => uuid(n++ === 0 ? 'plan' : `plan ${n}`))
}

export function add(teller: Teller, id: string, as: string) {
  const profile = profileOf(teller, id)
  const { loop } = teller.current()
  teller.put(
    planned(teller, addDevice(teller.current(), profile, teller.uuid(as), placing(loop, profile, teller.data))),
  )
}

/** Puts a relay, a limiter or a permissive into the joint from one device to another. */
export function between(teller: Teller, from: string, to: string, id: string, as: string) {
  const profile = profileOf(teller, id)
  const { loop } = teller.current()
  const [a, b] = [teller.uuid(from), teller.uuid(to)]
  const joint = Object.entries(loop.chain.connections).find(([, c]) => c.from.device === a && c.to.device === b)
  if (!joint) throw new RangeError(`no joint from ${from} to ${to}`)
  teller.put(
    planned(
      teller,
      insertDevice(teller.current(), joint[0], profile, teller.uuid(as), placing(loop, profile, teller.data)),
    ),
  )
}

/** Feeds this loop from a supply of its own in place of the one that fed it. */
export function feedFrom(teller: Teller, id: string, as: string, instead: string) {
  add(teller, id, as)
  teller.put(planned(teller, moveSupply(teller.current(), instead, teller.uuid(as))))
}

/** Joins two ports by hand. */
export const join = (teller: Teller, from: readonly [string, string], to: readonly [string, string]) =>
  teller.put(
    joinPorts(
      teller.current(),
      { device: teller.uuid(from[0]), port: from[1] },
      { device: teller.uuid(to[0]), port: to[1] },
    ),
  )

/** Closes a finding with a reason. */
export const waive = (teller: Teller, code: string, as: string, reason: string) =>
  teller.edit(
    (l) => ({ ...l, waivers: { ...l.waivers, [`${code}/${teller.uuid(as)}`]: { by: teller.by, reason } } }),
    reason,
  )

export const set = (teller: Teller, as: string, change: Parameters<typeof setDevice>[2]) =>
  teller.put(setDevice(teller.current(), teller.uuid(as), change))

export const option = (teller: Teller, as: string, name: string, choice: string) =>
  teller.put(planned(teller, setOption(teller.current(), teller.uuid(as), name, choice)))

export const reading = ({ now, by }: Teller, text: string, unit: string, value?: number): Reading => ({
  text,
  unit,
  state: 'value',
  ...(value === undefined ? {} : { value }),
  at: now(),
  by,
})

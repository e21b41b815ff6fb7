import type { LoopContext } from '@nachtigal/core/loop/context'
import type { LoopDocument, ProofReading, Reading } from '@nachtigal/core/document/documents'
import type { LoopKind } from '@nachtigal/core/kinds/kinds'
import { nextReadingOrder } from '@nachtigal/core/document/proofReadings'
import type { FieldData } from '@nachtigal/core/plant/fieldValue'
import type { DeviceProfile } from '@nachtigal/core/device/deviceProfile'
import { safetyBlockIds } from '@nachtigal/core/commissioning/safetyStep'
import { keepStep, nextStep, soundStepReading } from '@nachtigal/core/testing/soundSteps'
import { placing } from '@nachtigal/core/survey/placing'
import { withDefaultPlans } from '@nachtigal/core/survey/defaultPlans'
import { addDevice, insertDevice, joinPorts, moveSupply, setDevice, setOption } from '@nachtigal/core/wiring/chainEdit'
import { type Quantity, quantityView } from '@nachtigal/core/units/quantity'
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

/** Hangs a load on the circuit that the loop is fed from, with a contact before it. */
export function branch(teller: Teller, load: string, as: string, contact: string, contactAs: string) {
  add(teller, load, as)
  const { job } = teller.current()
  const [supply] = Object.entries(job.devices)
    .sort(([, a], [, b]) => a.order - b.order)
    .map(([id]) => id)
  const to = { device: teller.uuid(as), port: 'power' }
  const joined = joinPorts(teller.current(), { device: supply!, port: 'out' }, to)
  const joint = Object.entries(joined.loop.chain.connections).find(([, c]) => c.to.device === to.device)!
  teller.put(insertDevice(joined, joint[0], profileOf(teller, contact), teller.uuid(contactAs)))
}

/** Feeds this loop from a supply of its own in place of the one that fed it. */
export function feedFrom(teller: Teller, id: string, as: string) {
  add(teller, id, as)
  const own = teller.uuid(as)
  const { job, loop } = teller.current()
  const before = Object.values(loop.chain.connections)
    .map(({ from }) => from.device)
    .find((device) => device !== own && job.devices[device] !== undefined)
  if (before) teller.put(planned(teller, moveSupply(teller.current(), before, own)))
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

/** Isolating, dead tests and first live, step by step, as sound work goes. */
export function proveAndSwitchOn(teller: Teller) {
  const { edit, uuid, now, by, context } = teller
  for (let n = 1; n < 300; n++) {
    const step = nextStep(context(), safetyBlockIds)
    if (!step) return
    const { ask } = step
    if (ask.kind === 'answer') {
      edit((l) => ({ ...l, ...keepStep(l, step, { by, at: now(), order: 0, key: '', value: 'yes' }) }))
      continue
    }
    if (ask.kind !== 'number') return
    const value = soundStepReading(step)
    const view = quantityView(ask.quantity, { temperatureUnit: 'C', system: 'metric' })
    const kept: ProofReading = {
      ...(value === null
        ? { text: 'OL', unit: view.label, state: 'over-range' as const, at: now(), by }
        : reading(teller, String(Number(view.toShown(value).toPrecision(3))), view.label, value)),
      order: nextReadingOrder(teller.current().loop),
      test: step.block,
      step: step.id,
    }
    edit((l) => ({
      ...l,
      proof: { ...l.proof, readings: { ...l.proof.readings, [uuid(`safety ${n}`)]: kept } },
    }))
  }
}

/** The instruments of whoever tells, made up, and taken out for every day that the story lasts. */
export function bag(teller: Teller) {
  const { uuid, now, current, put } = teller
  const { job, loop } = current()
  const made = {
    reference: { name: 'Ermine, reference thermometer', serial: 'ER-0412', errs: { temperature: { fixed: 0.1 } } },
    meter: {
      name: 'Hare, multimeter',
      serial: 'HA-2207',
      errs: {
        voltage: { fixed: 0.01, percent: 0.1 },
        milliamps: { fixed: 0.01, percent: 0.1 },
        resistance: { fixed: 0.1, percent: 0.2 },
      },
    },
    clamp: { name: 'Badger, clamp meter', serial: 'BA-118', errs: { current: { fixed: 0.005, percent: 1 } } },
  }
  const day = now().slice(0, 10)
  const instruments = Object.fromEntries(
    Object.entries(made).map(([id, instrument], i) => [
      uuid(`instrument ${id}`),
      { order: i + 1, ...instrument, checked: '2026-03-10', due: '2027-03-10' },
    ]),
  )
  const kit = { [day]: Object.fromEntries(Object.keys(instruments).map((id) => [id, true as const])) }
  put({ job: { ...job, instruments, kit }, loop })
}

/** Readings of a test: a choice, or a number (SI) with what it is of and which instrument it was read with. */
export function readTest(
  teller: Teller,
  test: string,
  readings: readonly (readonly [step: string, read: number | string, quantity?: Quantity, instrument?: string])[],
) {
  const { edit, uuid, current } = teller
  for (const [step, read, quantity, instrument] of readings) {
    const view = quantity && quantityView(quantity, { temperatureUnit: 'C', system: 'metric' })
    const kept: ProofReading = {
      ...(typeof read === 'number' && view
        ? reading(teller, view.toShown(read).toFixed(view.decimals), view.label, read)
        : reading(teller, String(read), '')),
      order: nextReadingOrder(current().loop),
      test,
      step,
      ...(instrument ? { instrument: uuid(`instrument ${instrument}`) } : {}),
    }
    edit(
      (l) => ({
        ...l,
        proof: { ...l.proof, readings: { ...l.proof.readings, [uuid(`reading ${test} ${step}`)]: kept } },
      }),
      undefined,
      step.includes('/') ? 0 : 6,
    )
  }
}

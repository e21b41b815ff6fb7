import type { RecordField } from '@nachtigal/core/schema/field'
import type { Hand } from '@nachtigal/core/actions/action'
import { answerQuestions } from '@nachtigal/core/actions/answerQuestions'
import { answerStep } from '@nachtigal/core/actions/answerStep'
import { changeSettings, settingsChange } from '@nachtigal/core/actions/changeSettings'
import { chooseDevice } from '@nachtigal/core/actions/chooseDevice'
import { closeFinding } from '@nachtigal/core/actions/closeFinding'
import { feedFrom as feedFromSupply } from '@nachtigal/core/actions/feedFrom'
import { insertDeviceInto } from '@nachtigal/core/actions/insertDeviceInto'
import { joinPortsByHand } from '@nachtigal/core/actions/joinPortsByHand'
import { setDeviceOption } from '@nachtigal/core/actions/setDeviceOption'
import { takeReadings } from '@nachtigal/core/actions/takeReadings'
import { tickHazards } from '@nachtigal/core/actions/tickHazards'
import { writeComplaint } from '@nachtigal/core/actions/writeComplaint'
import { type KnownOfDevice, writeDevice } from '@nachtigal/core/actions/writeDevice'
import { writeFound } from '@nachtigal/core/actions/writeFound'
import type { LoopContext } from '@nachtigal/core/loop/context'
import type { JobDocument, LoopDocument, Reading } from '@nachtigal/core/document/documents'
import type { LoopKind } from '@nachtigal/core/kinds/kinds'
import type { FieldData } from '@nachtigal/core/plant/fieldValue'
import type { DeviceProfile } from '@nachtigal/core/device/deviceProfile'
import { plansOf } from '@nachtigal/core/settings/behaviour'
import { ownerView } from '@nachtigal/core/settings/owner/ownerView'
import { withControllerPlan } from '@nachtigal/core/survey/controllerPlanOf'
import { safetyBlockIds } from '@nachtigal/core/commissioning/safetyStep'
import { nextStep, soundStepReading } from '@nachtigal/core/testing/soundSteps'
import { type Quantity, quantityView } from '@nachtigal/core/units/quantity'
import { supplyOutOf } from '@nachtigal/core/survey/atHand'
import type { Edited } from '@nachtigal/core/wiring/edited'

/** An action with the type of its input. */
interface Doing<I> {
  readonly id: string
  readonly input: RecordField
  readonly run: (edited: Edited, input: I, hand: Hand) => Edited
}

interface Told {
  readonly ids?: readonly string[]
  readonly why?: string
  readonly minutes?: number
}

/** What a story is told with: every call is one command. */
export interface Teller {
  readonly shelf: readonly DeviceProfile[]
  readonly data: FieldData
  readonly by: string
  readonly uuid: (of: string) => string
  readonly now: () => string
  readonly current: () => Edited
  readonly put: (edited: Edited, why?: string, minutes?: number) => void
  /** Does what a person does; `ids` names what it makes, before the plans that follow. */
  readonly act: <I>(action: Doing<I>, input: I, more?: Told) => void
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
  /** Where and in what units it is, where that is not Otterholm. */
  readonly basics?: Pick<JobDocument, 'zone' | 'temperatureUnit' | 'system' | 'practice'>
  readonly loops: readonly LoopStory[]
}

/** Answers, hazards and complaint of a first visit. */
export function survey(
  { act }: Teller,
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
  if (complaint) act(writeComplaint, { text: complaint })
  if (found) act(writeFound, { found })
  for (const [id, answer] of Object.entries(answers))
    act(answerQuestions, { answers: { [id]: answer } }, { minutes: 1 })
  act(tickHazards, { hazards: Object.fromEntries(hazards.map((id) => [id, true as const])) })
}

/** A range for each setpoint that nothing holds, so that the panel card can print it. */
export function meantNear({ act, current, context }: Teller, byK = 2) {
  const [plan] = plansOf(current().loop.settings.planned)
  const device = context().chain.devices.find(({ id }) => id === plan?.output.device)
  if (!device) return
  const meant = Object.fromEntries(
    (ownerView(context(), device)?.rows ?? []).flatMap(({ code, binds, idle, held, plannedSi }) =>
      binds === 'setpoint' && !idle && !held && plannedSi !== undefined
        ? [[code, { low: plannedSi - byK, high: plannedSi + byK }]]
        : [],
    ),
  )
  if (Object.keys(meant).length === 0) return
  const next = withControllerPlan(context(), device, { meant })
  act(changeSettings, settingsChange(current().loop.settings, next.settings))
}

/** A chain, device by device, under steady ids; plans follow from what is there. */
export function chain(teller: Teller, devices: readonly string[]) {
  for (const [i, id] of devices.entries()) add(teller, id, `device ${i}`)
}

export const add = (teller: Teller, id: string, as: string) =>
  teller.act(chooseDevice, { profile: id }, { ids: [teller.uuid(as)] })

/** Puts a relay, a limiter or a permissive into the joint from one device to another. */
export function between(teller: Teller, from: string, to: string, id: string, as: string) {
  const { loop } = teller.current()
  const [a, b] = [teller.uuid(from), teller.uuid(to)]
  const joint = Object.entries(loop.chain.connections).find(([, c]) => c.from.device === a && c.to.device === b)
  if (!joint) throw new RangeError(`no joint from ${from} to ${to}`)
  teller.act(insertDeviceInto, { connection: joint[0], profile: id }, { ids: [teller.uuid(as)] })
}

/** Hangs a load on the circuit that the loop is fed from, with a contact before it. */
export function branch(teller: Teller, load: string, as: string, contact: string, contactAs: string) {
  add(teller, load, as)
  const { job } = teller.current()
  const [supply] = Object.entries(job.devices)
    .sort(([, a], [, b]) => a.order - b.order)
    .map(([id]) => id)
  const to = { device: teller.uuid(as), port: 'power' }
  teller.act(joinPortsByHand, { from: { device: supply!, port: 'out' }, to })
  const joint = Object.entries(teller.current().loop.chain.connections).find(([, c]) => c.to.device === to.device)!
  teller.act(insertDeviceInto, { connection: joint[0], profile: contact }, { ids: [teller.uuid(contactAs)] })
}

/** Feeds this loop from a supply of its own in place of the one that fed it. */
export function feedFrom(teller: Teller, id: string, as: string) {
  add(teller, id, as)
  const own = teller.uuid(as)
  const { job, loop } = teller.current()
  const before = Object.values(loop.chain.connections)
    .map(({ from }) => from.device)
    .find((device) => device !== own && job.devices[device] !== undefined)
  if (before) teller.act(feedFromSupply, { supply: own, instead: before })
}

/** Feeds this loop from the circuits that were brought for it, where it took those of other loops. */
export function onOwnCircuits(teller: Teller, othersBefore: ReadonlySet<string>) {
  const gives = (id: string) => {
    const { job } = teller.current()
    return supplyOutOf(job.profiles[job.devices[id]?.profile ?? ''] ?? { ports: {} })
  }
  const { job, loop } = teller.current()
  const used = new Set(Object.values(loop.chain.connections).map(({ from }) => from.device))
  const own = Object.keys(job.devices).filter((id) => !othersBefore.has(id))
  for (const instead of [...used].filter((id) => othersBefore.has(id))) {
    // A transformer takes what is there.
    const supply =
      own.find((id) => gives(id)?.volts === gives(instead)?.volts) ?? own.find((id) => gives(id)!.volts > 50)
    if (supply) teller.act(feedFromSupply, { supply, instead })
  }
}

/** Joins two ports by hand. */
export const join = (teller: Teller, from: readonly [string, string], to: readonly [string, string]) =>
  teller.act(joinPortsByHand, {
    from: { device: teller.uuid(from[0]), port: from[1] },
    to: { device: teller.uuid(to[0]), port: to[1] },
  })

/** Closes a finding with a reason. */
export const waive = (teller: Teller, code: string, as: string, reason: string) =>
  teller.act(closeFinding, { finding: `${code}/${teller.uuid(as)}`, reason }, { why: reason })

export const set = (teller: Teller, as: string, known: Omit<KnownOfDevice, 'device'>) =>
  teller.act(writeDevice, { device: teller.uuid(as), ...known })

export const option = (teller: Teller, as: string, name: string, choice: string) =>
  teller.act(setDeviceOption, { device: teller.uuid(as), option: name, choice })

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
  const { act, uuid, now, by, context } = teller
  for (let n = 1; n < 300; n++) {
    const step = nextStep(context(), safetyBlockIds)
    if (!step) return
    const { ask } = step
    if (ask.kind === 'answer') {
      act(answerStep, { step: `${step.block}/${step.id}`, answer: 'yes' })
      continue
    }
    if (ask.kind !== 'number') return
    const value = soundStepReading(step)
    const view = quantityView(ask.quantity, teller.current().job)
    const read =
      value === null
        ? { text: 'OL', unit: view.label, state: 'over-range' as const, at: now(), by }
        : reading(teller, String(Number(view.toShown(value).toPrecision(3))), view.label, value)
    act(
      takeReadings,
      { test: step.block, readings: [{ ...read, step: step.id, quantity: ask.quantity }] },
      { ids: [uuid(`safety ${n}`)] },
    )
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
  const { act, uuid } = teller
  for (const [step, read, quantity, instrument] of readings) {
    const view = quantity && quantityView(quantity, teller.current().job)
    const kept =
      typeof read === 'number' && view
        ? reading(teller, view.toShown(read).toFixed(view.decimals), view.label, read)
        : reading(teller, String(read), '')
    act(
      takeReadings,
      { test, readings: [{ ...kept, step, ...(instrument && quantity ? { quantity } : {}) }] },
      { ids: [uuid(`reading ${test} ${step}`)], minutes: step.includes('/') ? 0 : 6 },
    )
  }
}

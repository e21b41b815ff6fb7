import { keyValues } from '@nachtigal/core/actions/keyValues'
import { signLoop } from '@nachtigal/core/actions/signLoop'
import { takeReadings } from '@nachtigal/core/actions/takeReadings'
import { tickHandover } from '@nachtigal/core/actions/tickHandover'
import { writeHandover } from '@nachtigal/core/actions/writeHandover'
import { writeRow } from '@nachtigal/core/actions/writeRow'
import { keyingSheet } from '@nachtigal/core/commissioning/keyingSheet'
import type { Ask, ProofTest, TestKind } from '@nachtigal/core/commissioning/proofTest'
import { proofTests, settled } from '@nachtigal/core/commissioning/proofTests'
import type { Reading } from '@nachtigal/core/document/documents'
import { handoverTicks } from '@nachtigal/core/document/handover'
import { ordered } from '@nachtigal/core/schema/ordered'
import { signingBlockedBy } from '@nachtigal/core/progress/stepStatus'
import { type Read, soundReadings } from '@nachtigal/core/testing/soundReadings'
import { quantityView } from '@nachtigal/core/units/quantity'
import type { WireRow } from '@nachtigal/core/wiring/wireRow'
import { bag, proveAndSwitchOn, reading, type Teller } from './story'

/** What sound work reads from end to end of a wire, ohm. */
const soundOhm = (i: number) => 0.1 + (i % 3) / 10

/** Each wire landed, then each measured from end to end, as sound work measures it. */
export function landAndTest(
  teller: Teller,
  metres: { readonly mains: number; readonly low: number },
  {
    minutes = 1,
    ohmOf = soundOhm,
  }: { readonly minutes?: number; readonly ohmOf?: (i: number, row: WireRow) => number } = {},
) {
  const { act, context, current } = teller
  for (const { id, number, circuit } of context().rows)
    act(
      writeRow,
      { row: id, state: { landed: true, number, lengthM: circuit === 'mains' ? metres.mains : metres.low } },
      { minutes },
    )
  for (const [i, row] of context().rows.entries()) {
    const ohm = ohmOf(i, row)
    const tested = reading(teller, ohm.toFixed(1), 'ohm', ohm)
    act(writeRow, { row: row.id, state: { ...current().loop.wiring.rows[row.id], tested } }, { minutes })
  }
}

/** Every parameter of every controller keyed as it is planned. */
export function keyAll(teller: Teller) {
  for (const { device, rows } of keyingSheet(teller.context()))
    for (const { code, planned, unit } of rows) {
      const value = Number(planned.replace('\u2212', '-'))
      teller.act(
        keyValues,
        {
          side: 'asLeft',
          device: device.id,
          values: { [code]: reading(teller, planned, unit, Number.isNaN(value) ? undefined : value) },
        },
        { minutes: 1 },
      )
    }
}

/** A reading as it is written down: with its unit where it is a figure, as over-range where nothing happened. */
function written(teller: Teller, ask: Ask, value: Read): Reading {
  if (value === null) return { ...reading(teller, 'OL', ''), state: 'over-range' }
  if (typeof value !== 'number' || ask.kind !== 'number')
    return reading(teller, typeof value === 'string' ? value : (value as readonly string[]).join(' ') || 'none', '')
  const view = quantityView(ask.quantity, teller.current().job)
  return reading(teller, view.toShown(value).toFixed(ask.decimals ?? view.decimals), view.label, value)
}

function make(teller: Teller, test: ProofTest) {
  const asks = new Map<string, Ask>(
    test.steps.flatMap(({ id, main, asides }) => [
      [id, main.ask] as const,
      ...asides.map((aside) => [aside.id, aside.ask] as const),
    ]),
  )
  for (const [step, value] of Object.entries(soundReadings(test))) {
    const ask = asks.get(step)!
    const kept = { ...written(teller, ask, value), step }
    teller.act(
      takeReadings,
      { test: test.id, readings: [ask.kind === 'number' ? { ...kept, quantity: ask.quantity } : kept] },
      { ids: [teller.uuid(`reading ${test.id} ${step}`)], minutes: 2 },
    )
  }
}

/** Tests that end where the plant is to be. */
const settles: ReadonlySet<TestKind> = new Set(['rise-and-fall', 'stages', 'reset', 'sweep'])

/** Every test that has to be made, until nothing is asked any more: one may ask for the next. */
export function makeTests(teller: Teller) {
  for (let round = 0; round < 4; round++) {
    const open = proofTests(teller.context()).filter((test) => !test.spare && !settled(test))
    if (open.length === 0) return
    // Ice, alarms and limits first: what was read last is how the plant is left.
    const last = open.filter(({ kind }) => settles.has(kind))
    for (const test of [...open.filter((each) => !last.includes(each)), ...last]) make(teller, test)
  }
}

/** From the first wire to the signature, or to where only that is left. @throws RangeError naming what keeps the hand-over shut */
export function workThrough(
  teller: Teller,
  {
    metres = { mains: 4, low: 3 },
    call,
    retest,
    signed = true,
  }: {
    readonly metres?: { readonly mains: number; readonly low: number }
    readonly call: string
    readonly retest: string
    /** Signed as well; else whoever tries the job finds one that is open. */
    readonly signed?: boolean
  },
) {
  const { act, by, context, current } = teller
  landAndTest(teller, metres)
  proveAndSwitchOn(teller)
  keyAll(teller)
  bag(teller)
  makeTests(teller)
  act(writeHandover, { part: 'retest', text: retest })
  act(writeHandover, { part: 'call', text: call })
  for (const tick of Object.keys(handoverTicks)) act(tickHandover, { tick, on: true }, { minutes: 1 })
  const against = signingBlockedBy(context())
  if (against.length > 0) throw new RangeError(`${current().loop.name} is not signed: ${against.join(' | ')}`)
  if (!signed) return
  const instrument = ordered(current().job.instruments ?? {})
    .map(({ name, serial }) => `${name} ${serial}`)
    .join(', ')
  act(signLoop, { by, instrument })
}

import type { LoopContext } from '../../loop/context'
import type { ResolvedDevice } from '../../document/chain'
import { fieldValue } from '../../plant/fieldValue'
import { limitersOf, ownProtection } from '../../wiring/protections'
import { powerPaths } from '../../wiring/powerPath'
import type { NumberAsk, TestSpec } from '../proofTest'
import { coldBath } from '../openByCause'
import { cause, nameOf, sourceOfRow, spec, toWires, yesNo, look, stop } from './parts'

/**
 * Limiter trip by a substituted value: its own probe is warmed (or cooled) while the control still calls. Expected: the dial, tolerance
 * tol.limit (under it, never over); its own device opens, the load stands without current, and reset is as made.
 */
export function limiterTest(context: LoopContext, device: ResolvedDevice): TestSpec {
  const { words, data, chain } = context
  const { say } = words
  const facts = device.facts.limiter!
  const falls = facts.opens === 'fall'
  const row = fieldValue(data, 'tol.limit')
  const dialC = device.dialC
  const guarded = powerPaths(chain).filter((line) => limitersOf(chain, line).some((c) => c.device.id === device.id))
  const load = guarded[0]?.load
  const what = load ? nameOf(load) : 'the load'
  const manual = facts.reset === 'manual'
  const way = wayToTrip(device, context)
  const trip: NumberAsk = {
    kind: 'number',
    label: 'Opens at',
    quantity: 'temperature',
    expected: dialC ?? 0,
    // Never on the far side of the dial: it would let too much through.
    low: dialC === undefined ? -Infinity : falls ? dialC : dialC + row.low,
    high: dialC === undefined ? Infinity : falls ? dialC - row.low : dialC,
    source: sourceOfRow(context, 'tol.limit'),
    nothing: 'does not open',
    ...(dialC === undefined ? { free: true as const } : {}),
  }
  return spec(context, {
    id: `limiter/${device.id}`,
    kind: 'limiter',
    title: falls ? 'Frost thermostat trip' : 'Limiter trip',
    about: nameOf(device),
    purpose: `That it really takes ${what} off ${dialC === undefined ? '' : `at ${say(dialC, 'temperature', 0)} `}by a device of its own, whatever the control says.`,
    have: ['reference thermometer', way.with, way.lifted ? 'voltmeter with guarded tips' : 'clamp meter'],
    how: `${way.how} Never by raising the working temperature, never with the dial turned down for good: put it back to where it stood.`,
    rule: `Opens within ${say(Math.abs(row.low), 'difference', 0)} ${falls ? 'over' : 'under'} its dial, never ${falls ? 'under' : 'over'} (${sourceOfRow(context, 'tol.limit')}).`,
    protects: true,
    safety: ['A safety is proved, never by-passed: no bridge over it, not for a minute.', ...way.safety],
    steps: [
      {
        id: 'calls',
        title: 'The control calls',
        does: way.lifted
          ? `Off, locked, proved dead: lift the line of ${what} at its terminals, capped, on the temporary list; this test ends the entry. Cover closed, power on, the control calls: are there volts at the lifted end?`
          : `Set up so that the control calls and ${what} runs.`,
        main: way.lifted ? yesNo('Volts at the lifted end') : yesNo(`${what} runs`),
      },
      {
        id: 'trip',
        title: 'It opens',
        does: `${way.does} Read the thermometer when it opens.`,
        main: trip,
      },
      {
        id: 'opened',
        title: 'The load is off',
        does: way.lifted
          ? `The control still calls. Is the lifted end of ${what} without volts?`
          : `The control still calls. Is ${what} without current? Clamp its own line.`,
        main: {
          kind: 'choice',
          label: what,
          choices: way.lifted ? { off: 'No volts', on: 'Still live' } : { off: 'No current', on: 'Still runs' },
          wants: 'off',
        },
      },
      {
        id: 'reset',
        title: manual ? 'It stays off' : 'It comes back by itself',
        does: manual
          ? `Let its probe go back. ${what} must stay off until somebody resets it by hand.`
          : `Let its probe go back. ${what} comes back by itself.`,
        main: {
          kind: 'choice',
          label: 'When it is back',
          choices: { stays: 'Stays off', returns: 'Comes back by itself' },
          wants: manual ? 'stays' : 'returns',
        },
      },
      {
        id: 'left',
        title: 'As it was left',
        does: `Reset it${manual ? ' by hand' : ''}. Dial ${dialC === undefined ? 'as it is to stay' : `at ${say(dialC, 'temperature', 0)}`}, probe back in its place and fastened, cap on.${way.lifted ? ` Off, dead: the line of ${what} landed again, cover closed.` : ''}`,
        main: yesNo('Dial and probe are back'),
      },
    ],
    judge: (found) => {
      const at = found.value('trip')
      if (found.picked('opened') === 'on')
        return stop('limiter.limiter-on-command', { what }, cause('limiter.limiter-on-command', {}, toWires))
      if (at === null) return stop('limiter.limiter-dead', {}, cause('limiter.limiter-dead', {}, toWires))
      if (at !== undefined && dialC !== undefined && (falls ? at < trip.low : at > trip.high))
        return stop('limiter.limiter-late', { falls, at, dialC }, cause('limiter.limiter-late', {}, toWires))
      if (found.picked('reset') === 'returns' && manual)
        return stop('limiter.resets-itself', {}, cause('limiter.resets-itself', {}, toWires))
      if (at !== undefined && dialC !== undefined && (at < trip.low || at > trip.high))
        return look('limiter.limiter-early', { at, dialC, low: row.low }, cause('limiter.limiter-early', {}))
      return undefined
    },
  })
}

/** How a limiter is brought to its dial without harm, by its kind: bulb in a bath, bulb over boiling in a dry block, bimetal by hot air. */
interface WayToTrip {
  readonly with: string
  readonly how: string
  readonly does: string
  readonly safety: readonly string[]
  /** The load is lifted: what heats the limiter must not be the load. */
  readonly lifted: boolean
}

/** From here a bath boils, or is not to be had safely, °C. */
const BOILS_C = 95
/** Over its dial a dry block or hot air is led by so much, K. */
const OVER_K = 10

function wayToTrip({ facts, dialC, tag }: ResolvedDevice, { words }: LoopContext): WayToTrip {
  const { opens, sensing, lowC, highC } = facts.limiter!
  const { say } = words
  const dry = 'Only its bulb goes into the bath: head, capillary entry and mains terminals stay dry.'
  if (opens === 'fall') {
    const bath = coldBath(dialC, words)
    return {
      with: bath,
      how: `The bulb of ${tag} in ${bath}, thermometer beside it.`,
      does: 'Cool its bulb slowly.',
      safety: [dry],
      lifted: false,
    }
  }
  if (sensing === 'bimetal')
    return {
      with: 'hot-air gun',
      how: `${tag} feels with its own body: warm air over it, thermometer at its face, its load lifted so that nothing else heats.`,
      does: 'Hot air from a hand away, slowly, thermometer at its face.',
      safety: [
        'A bimetal with mains terminals never goes into water.',
        'Hot air burns and lights what is near: nothing that burns within a metre.',
      ],
      lifted: true,
    }
  const range = `within its range of ${say(lowC, 'temperature', 0)} to ${say(highC, 'temperature', 0)}`
  if (dialC !== undefined && dialC > BOILS_C)
    return {
      with: `dry block up to ${say(dialC + OVER_K, 'temperature', 0)}`,
      how: `The bulb of ${tag} in a dry block, ${range}, thermometer in the hole beside it. Water boils before: no bath.`,
      does: 'Raise the block slowly past its dial.',
      safety: ['The block burns: stand it on stone or metal, let it cool before the bulb comes out.'],
      lifted: false,
    }
  return {
    with: 'warm water in a small vessel',
    how: `The bulb of ${tag} in warm water, ${range}, stirred, thermometer beside it.`,
    does: 'Warm its bulb slowly.',
    safety: [dry, 'Hot water scalds: small vessel, gloves.'],
    lifted: false,
  }
}

/** The maker's own safety chain of a heater: proved by whoever may, by the maker's way; we only keep that it was. */
export function ownProtectionTest(context: LoopContext, device: ResolvedDevice): TestSpec {
  return spec(context, {
    id: `limiter/${device.id}`,
    kind: 'limiter',
    title: 'The maker\u2019s own safety chain',
    about: nameOf(device),
    purpose: `${ownProtection(device.facts)!}. It was proved by the maker\u2019s way.`,
    have: ['the maker\u2019s leaflet', 'the record of whoever proved it'],
    how: 'By the maker\u2019s leaflet, by the licensed trade. Nothing of ours stands in for it or touches it.',
    rule: 'Proved and recorded, or not proved.',
    protects: true,
    safety: ['Gas, oil, flue and refrigerant are for the licensed trade.'],
    steps: [
      {
        id: 'proved',
        title: 'Proved by the licensed trade',
        does: `Was the safety chain of ${nameOf(device)} proved after installing, by the leaflet? The record is at hand.`,
        main: yesNo('Proved and recorded', 'Proved', 'Not proved'),
      },
    ],
    judge: (found) =>
      found.picked('proved') === 'no'
        ? {
            verdict: 'stop',
            code: 'limiter.own-protection-open',
            figures: { nameOf: nameOf(device) },
            causes: [cause('limiter.own-protection-open', {})],
          }
        : undefined,
  })
}

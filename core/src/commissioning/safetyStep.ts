import type { StepFact } from '../words/stepWords'
import type { HeldReading } from '../document/proofReadings'
import type { StepDone } from '../document/documents'
import type { Quantity } from '../units/quantity'

export const safetyBlockIds = ['isolate', 'dead', 'live'] as const
export type SafetyBlockId = (typeof safetyBlockIds)[number]

/** What a step asks for. */
type StepAsk =
  /** Done or seen: yes, or no. */
  | { readonly kind: 'answer'; readonly yes: string; readonly no: string }
  | { readonly kind: 'number'; readonly quantity: Quantity; readonly low: number; readonly high: number }
  /** Answered in the list of wires. */
  | { readonly kind: 'rows' }

export type StepVerdict = 'waiting' | 'good' | 'look-again' | 'stop'

/** One step of isolating, of the dead tests or of first live, with what was answered and what that means. */
export interface SafetyStep {
  /** Changes with the wires that it stands for: what was tested before they were moved does not count. */
  readonly id: string
  readonly block: SafetyBlockId
  readonly group: string
  readonly title: string
  readonly doing: string
  /** What should be read or seen, in words. */
  readonly should: string
  readonly ask: StepAsk
  /** First live stays shut until it has passed. */
  readonly must: boolean
  readonly verdict: StepVerdict
  /** What was found, apart from the sentences that tell it. */
  readonly found?: StepFact
  readonly cause?: string
  readonly next?: string
  readonly forbids: boolean
  /** Looked at and not decided: first live stays shut, but nothing has failed. */
  readonly holds?: true
  readonly caution?: string
  readonly reading?: HeldReading
  readonly answer?: StepDone
  /** Conductor on which a short can be hunted down by halving. */
  readonly hunt?: string
}

/** What is asked of a step before its answer is looked at. */
export type StepDraft = Pick<SafetyStep, 'id' | 'group' | 'title' | 'doing' | 'should' | 'ask'> &
  Partial<Pick<SafetyStep, 'must' | 'caution' | 'hunt'>>

/** A short sign of a set of wires, so that a step is another one when they change. Formula: FNV-1a, 32 bit. */
export function signOf(ids: readonly string[]): string {
  let hash = 0x811c9dc5
  for (const sign of [...ids].sort().join('|')) hash = Math.imul(hash ^ sign.codePointAt(0)!, 0x01000193) >>> 0
  return hash.toString(36)
}

/** What the first word of a step's id stands for, in a fitter's words. */
const stepNames: Readonly<Record<string, string>> = {
  off: 'off and locked',
  wait: 'discharged',
  'tester-before': 'tester tried before',
  'tester-after': 'tester tried after',
  dead: 'proved dead',
  dclink: 'DC link discharged',
  leads: 'motor terminals discharged',
  charge: 'discharged, measured',
  earth: 'earth',
  load: 'across a load',
  apart: 'separation',
  polarity: 'polarity',
  bond: 'bonding',
  lifted: 'electronics lifted',
  ready: 'circuit made ready',
  insulation: 'insulation',
  chassis: 'plus to chassis',
  winding: 'winding',
  'winding-earth': 'winding to earth',
  'back-n': 'neutrals and earths put back',
  'back-link': 'earth link put back',
  'back-electronics': 'electronics put back',
  'back-contacts': 'contacts free, bridges off',
  'probe-now': 'temperature at a probe',
  probe: 'probe',
  authorised: 'authorised person',
  supply: 'supply',
  neutral: 'neutral',
  phases: 'phases',
  hots: 'hot to hot',
  rcd: 'residual-current device',
  'rcd-five': 'residual-current device, five times',
  gfci: 'ground-fault protection',
  loop: 'earth-fault loop',
  'round-off': 'isolated again',
  'round-dead': 'proved dead again',
  land: 'landed',
  loaded: 'supply, loaded',
  signal: 'signal',
  meter: 'meter put in',
  on: 'switched on',
}

/** A step of the three blocks, of mounting or of the short finder in words, by the block and the id it is kept under; undefined for others. */
export function safetyStepWords(block: string, step: string): string | undefined {
  if (block.startsWith('hunt/')) return 'Short finder'
  if (block === 'mount') return 'Mechanical step'
  const title = { isolate: 'Isolate', dead: 'Dead test', live: 'First live' }[block]
  const [name = '', about = '', pair] = step.split(':')
  if (title === undefined) return undefined
  const apart = about === 'mains-low' ? ' mains from extra-low voltage' : ` ${about} ${pair}`
  const detail = name === 'apart' && pair ? apart : name === 'dead' && pair ? ` ${pair}` : ''
  return `${title}: ${stepNames[name] ?? name}${detail}`
}

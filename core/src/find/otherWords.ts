import type { Practice } from '../units/practice'
import { type Term, terms } from '../words/terms'

/** What things are also called by those who wire them, beyond the words of the three practices. */
const alsoCalled: Readonly<Partial<Record<Term, readonly string[]>>> = {
  differential: ['hysteresis', 'dead band', 'deadband'],
  minimumOffTime: ['rest time', 'short cycle', 'anti-short-cycle'],
  proportionalBand: ['p-band', 'throttling'],
  resetCurve: ['weather line', 'outdoor compensation', 'reset line'],
  limiter: ['safety thermostat', 'high limit', 'overheat thermostat'],
  permissive: ['interlock', 'proving switch'],
  bypass: ['shorting link', 'bridge'],
  residualCurrentDevice: ['earth leakage', 'GFCI', 'RCD', 'RCBO'],
  protectiveEarth: ['PE', 'CPC', 'bond'],
  setback: ['night reduction', 'night setback'],
}

/** Words for things that have one name here. */
const plain: Readonly<Record<string, string>> = {
  sensor: 'probe',
  thermistor: 'probe',
  thermocouple: 'probe',
  breaker: 'circuit',
  fuse: 'circuit',
  thermostat: 'controller',
  stat: 'controller',
  calibration: 'offset',
  trim: 'offset',
  cycling: 'starts',
  jumper: 'bypass',
}

export interface OtherWord {
  /** What was typed, or the part of it that is another word. */
  readonly typed: string
  /** What it is called in this job. */
  readonly here: string
}

/** A word and one that begins with it, from so many letters on. */
const LEAST = 4
const same = (word: string, typed: string) => word === typed || (typed.length >= LEAST && word.startsWith(typed))

/**
 * What a typed word is called in a job of this practice, where another practice or the trade at large has another word for it; nothing
 * where it is the job's own word.
 */
export function otherWord(text: string, practice: Practice): OtherWord | undefined {
  const typed = text.trim().toLowerCase()
  if (typed === '') return undefined
  for (const [term, words] of Object.entries(terms) as [Term, Readonly<Record<Practice, string>>][]) {
    const here = words[practice]
    if (same(here.toLowerCase(), typed)) return undefined
    const others = [...Object.values(words), ...(alsoCalled[term] ?? [])].map((word) => word.toLowerCase())
    const met = others.find((word) => same(word, typed))
    if (met !== undefined) return { typed: met, here }
  }
  const met = Object.keys(plain).find((word) => same(word, typed))
  return met === undefined ? undefined : { typed: met, here: plain[met]! }
}

import type { Practice } from '../units/practice'

/** What each thing is called where: one word a thing in each practice. Identifiers use the names of the first column of docs/glossary.md. */
export const terms = {
  setpoint: { europe: 'setpoint', uk: 'set point', us: 'setpoint' },
  differential: { europe: 'swing', uk: 'differential', us: 'differential' },
  minimumOffTime: { europe: 'minimum off time', uk: 'anti-cycle delay', us: 'minimum off time' },
  proportionalBand: { europe: 'proportional band', uk: 'proportional band', us: 'throttling range' },
  resetCurve: { europe: 'heating curve', uk: 'weather compensation curve', us: 'outdoor reset curve' },
  warmWeatherShutdown: { europe: 'summer stop', uk: 'warm-weather shutdown', us: 'warm-weather shutdown' },
  setback: { europe: 'set-back', uk: 'set-back', us: 'setback' },
  limiter: { europe: 'limiter', uk: 'high-limit thermostat', us: 'manual-reset high limit' },
  permissive: { europe: 'permissive', uk: 'interlock', us: 'interlock' },
  bypass: { europe: 'by-pass', uk: 'by-pass', us: 'jumper' },
  bypasses: { europe: 'by-passes', uk: 'by-passes', us: 'bypasses' },
  mains: { europe: 'mains', uk: 'mains', us: 'line voltage' },
  extraLow: { europe: 'extra-low voltage', uk: 'extra-low voltage', us: 'Class 2 low voltage' },
  earth: { europe: 'earth', uk: 'earth', us: 'ground' },
  protectiveEarth: { europe: 'protective earth', uk: 'earth', us: 'equipment ground' },
  residualCurrentDevice: {
    europe: '30 mA residual-current device',
    uk: '30 mA RCD',
    us: 'Class A ground-fault protection',
  },
  screed: { europe: 'screed', uk: 'screed', us: 'topping slab' },
  flowWater: { europe: 'supply water', uk: 'flow water', us: 'supply water' },
  safetyTransformer: { europe: 'safety transformer', uk: 'safety isolating transformer', us: 'Class 2 transformer' },
} as const satisfies Readonly<Record<string, Readonly<Record<Practice, string>>>>

/** A thing that each practice has its own word for. */
export type Term = keyof typeof terms

/** The word of a practice for a thing. */
export const termIn = (practice: Practice, term: Term): string => terms[term][practice]

/**
 * A text as it begins a sentence.
 * @example capital('swing is wide') // 'Swing is wide'
 */
export const capital = (text: string): string => text.slice(0, 1).toUpperCase() + text.slice(1)

/**
 * A noun with its indefinite article.
 * @example withArticle('interlock') // 'an interlock'
 */
export const withArticle = (noun: string): string => `${/^[aeiou]/i.test(noun) ? 'an' : 'a'} ${noun}`

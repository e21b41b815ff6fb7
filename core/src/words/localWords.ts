import type { Practice } from '../units/practice'
import { capital } from './terms'

/** Words of a sentence as it is kept, and what they are in a practice: longer ones first, each as the inner part of a pattern. */
type Table = readonly (readonly [kept: string, local: string])[]

const us: Table = [
  ['4 mm² \\(8 AWG solid in US practice\\)', '8 AWG, solid,'],
  ['(?:its own )?30 mA residual-current device', 'Class A ground-fault protection'],
  ['residual-current device', 'ground-fault protection'],
  ['protective earth', 'equipment ground'],
  ['earth fault', 'ground fault'],
  ['earth-fault loop', 'ground-fault loop'],
  ['to PE', 'to ground'],
  ['touches PE', 'touches ground'],
  ['unearthed', 'ungrounded'],
  ['earthing', 'grounding'],
  ['earthed', 'grounded'],
  ['earths', 'grounds'],
  ['earth', 'ground'],
  ['safety transformer', 'Class 2 transformer'],
  ['safety extra-low voltage', 'Class 2 low voltage'],
  ['extra-low voltage', 'Class 2 low voltage'],
  ['extra-low', 'low-voltage'],
  ['mains', 'line voltage'],
  ['screed', 'topping slab'],
  ['isolators', 'disconnects'],
  ['isolator', 'disconnect'],
  ['limiters', 'high limits'],
  ['limiter', 'high limit'],
  ['permissives', 'interlocks'],
  ['permissive', 'interlock'],
  ['by-passing', 'jumpering'],
  ['by-passed', 'jumpered'],
  ['by-passes', 'jumpers'],
  ['by-pass', 'jumper'],
  ['heating curve', 'outdoor reset curve'],
  ['summer stop', 'warm-weather shutdown'],
  ['set-back', 'setback'],
  ['proportional band', 'throttling range'],
  ['swing', 'differential'],
]

const uk: Table = [
  ['residual-current device', 'RCD'],
  ['protective earth', 'earth'],
  ['safety transformer', 'safety isolating transformer'],
  ['supply water', 'flow water'],
  ['limiters', 'high-limit thermostats'],
  ['limiter', 'high-limit thermostat'],
  ['permissives', 'interlocks'],
  ['permissive', 'interlock'],
  ['heating curve', 'weather compensation curve'],
  ['summer stop', 'warm-weather shutdown'],
  ['minimum off time', 'anti-cycle delay'],
  ['setpoints', 'set points'],
  ['setpoint', 'set point'],
  ['swing', 'differential'],
]

/** What is not counted, and has no article. */
const masses: ReadonlySet<string> = new Set([
  'Class A ground-fault protection',
  'ground-fault protection',
  'Class 2 low voltage',
  'line voltage',
])

const articleFor = (word: string) => (/^[aeiou]|^RCD/i.test(word) ? 'an' : 'a')

/**
 * One pass over a text for all words of a table. A word counts in lower case anywhere, and with a capital where a sentence or a title
 * begins: what somebody named himself mostly has its capital in the middle of one.
 */
function speaker(table: Table): (text: string) => string {
  const local = table.map(([kept, said]) => [new RegExp(`^${kept}$`, 'i'), said] as const)
  const words = table.map(([kept]) => kept).join('|')
  const pattern = new RegExp(`(?:\\b([Aa])n? )?(?<![\\w-])(${words})(?![\\w-])`, 'gi')
  const begins = (text: string, at: number) => at === 0 || /(?:[.:?!]\s+|\n)$/.test(text.slice(0, at))
  return (text) =>
    text.replace(pattern, (whole: string, article: string | undefined, word: string, at: number) => {
      const first = word[0]!
      const upper = first !== first.toLowerCase()
      const starts = upper && begins(text, at + whole.length - word.length)
      if (upper && !starts) return whole
      const said = local.find(([kept]) => kept.test(word))?.[1]
      if (said === undefined) return whole
      const named = starts ? capital(said) : said
      if (article === undefined) return named
      if (masses.has(said)) return article === 'A' ? capital(said) : said
      const before = articleFor(said)
      return `${article === 'A' ? capital(before) : before} ${named}`
    })
}

const speakers: Readonly<Partial<Record<Practice, (text: string) => string>>> = { uk: speaker(uk), us: speaker(us) }

/**
 * A sentence of ours in the words of a practice. Sentences are kept in those of Europe; docs/glossary.md has the words.
 * @example inLocalWords('us', 'Lift the earth: a permissive opens.') // 'Lift the ground: an interlock opens.'
 */
export const inLocalWords = (practice: Practice, text: string): string => speakers[practice]?.(text) ?? text

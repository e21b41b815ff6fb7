import { readFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'

/** The last column of docs/glossary.md: what a thing is not called. */
export const bannedWords = readFileSync(fileURLToPath(new URL('../../../docs/glossary.md', import.meta.url)), 'utf8')
  .split('\n')
  .filter((line) => /^\| (?!thing|---)/.test(line))
  .flatMap((line) => line.split('|').at(-2)!.split(','))
  .map((word) => word.trim())
  .filter(Boolean)

/** Texts in which such a word is right, with why. */
const rightTexts: Readonly<Record<string, RegExp>> = {
  'steady state in a formula': /τ|e\^|bat\.rest/,
  'no text that anybody sees': /^[a-z-]*(rest|gap|sum)[a-z-]*$|url\(#|^\[data-|^stages\.ladder$|\bfield data joint/,
  'an id': /^[a-z0-9.-]+$/,
  'what one climbs on': /^Ladder: footed|[rR]ails, ladder/,
  'what stands before a rotating fan': /[gG]uard on|Sleeve and guard/,
  'a rule that is broken, in the words of before': /^(C\d{3}_[A-Z_]+|\$1minimum-off\/)$/,
  'one goes through a value': /[bB]ring (it|the|each)|steps bring each to/,
  'it stays where it is': /^ ?rests?,? ?$|\brests? (at|in|on|the wrong way)|comes to rest|^Rests( at)?$|at rest/,
  'so far from one another': /apart/,
  'what is added up': /\b[sS]ums? (of|\))|\/sum|[−(]\s?sum|the sum leaves|load sum/,
  'put where it was': /put back/,
  'an instrument is taken out for the day': /^(not )?taken out$/,
}

const phrases = new RegExp(`\\b(${[...bannedWords].sort((a, b) => b.length - a.length).join('|')})\\b`, 'i')
// As a verb, or as a part of a phrase, these say nothing wrong: they are looked for in names alone.
const verbs = new Set(['bring', 'apart', 'goal', 'happens', 'guard', 'guards', 'rest', 'rests', 'gap', 'beat'])

/** The word of a text that the glossary does not know, if there is one. */
export function bannedIn(given: string): string | undefined {
  const [, word] = phrases.exec(given) ?? []
  // What one does, or what something asks for; only an attempt is no take.
  if (/^takes?$/i.test(word ?? '') && !/\btake \d|earlier takes/i.test(given)) return undefined
  if (word === undefined || Object.values(rightTexts).some((right) => right.test(given.trim()))) return undefined
  if (verbs.has(word.toLowerCase()) && !/^[A-Z][a-z]*$/.test(given.trim())) {
    // A label is a word by itself; in a sentence only the trade's own use of it is wrong.
    if (
      !/\b(least|its|own|a|the|longer|planned) rest\b|\b(frost|its own|own) guard\b|\b(the|one|a) beat\b|\btake \d/i.test(
        given,
      )
    )
      return undefined
  }
  return word
}

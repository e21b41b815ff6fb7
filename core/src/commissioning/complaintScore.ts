import { remembered, rememberedByWord } from '../memory/remembered'
import type { Practice } from '../units/practice'
import { inLocalWords } from '../words/localWords'
import type { Symptom } from './symptom'

/** Words that say nothing of a fault. */
const EMPTY = new Set(
  'a an the is are was it its that this these and or but to in at my i we with for by from of than then when does do did be been has have had my our after before while'.split(
    ' ',
  ),
)

const ENDINGS = /(?:ings?|ed|es|s|y)$/
/** A word without its ending, so that stops, stopped and stopping are one. */
function stem(word: string): string {
  if (word.length < 5) return word.length > 3 ? word.replace(/s$/, '') : word
  const bare = word.replace(ENDINGS, '')
  return bare.length < 3 ? word : bare.replace(/([^aeiouls])\1$/, '$1').replace(/e$/, '')
}

/** The words of a text that count, without their endings: in any writing of minus, hyphen and apostrophe. */
export const complaintWords = (text: string): readonly string[] =>
  text
    .toLowerCase()
    .replace(/[\u2018\u2019']/g, '')
    .split(/[^\p{L}\p{N}]+/u)
    .filter((word) => word !== '' && !EMPTY.has(word))
    .map(stem)

const TITLE = 2
const WORDS = 1
const CAUSE = 0.5

/** What each word of a symptom weighs, in our own words and in those of a practice. */
function weightsOf({ title, words = '', id, causes }: Symptom, practice: Practice): ReadonlyMap<string, number> {
  const weights = new Map<string, number>()
  const add = (text: string, weight: number) => {
    for (const each of [text, inLocalWords(practice, text)])
      for (const word of complaintWords(each)) weights.set(word, Math.max(weight, weights.get(word) ?? 0))
  }
  add(title, TITLE)
  add(`${words} ${id}`, WORDS)
  for (const { says } of causes) add(says, CAUSE)
  return weights
}

/** What symptoms are found by in a practice, and how rarely each word is said. */
const indexes = remembered((symptoms: readonly Symptom[]) =>
  rememberedByWord((practice: Practice) => {
    const told = new Map(symptoms.map((symptom) => [symptom, weightsOf(symptom, practice)]))
    const inHowMany = new Map<string, number>()
    for (const weights of told.values())
      for (const word of weights.keys()) inHowMany.set(word, (inHowMany.get(word) ?? 0) + 1)
    const rare = (word: string) => Math.log(1 + symptoms.length / (inHowMany.get(word) ?? symptoms.length))
    return { told, rare }
  }),
)

/**
 * How well each symptom answers a complaint in plain words; 0 is not at all. A word counts by how rarely it is said, twice where it stands
 * in the title, half where only a cause names it; the words of the practice count like our own. Core depends on no package, so it weighs
 * them itself.
 */
export function complaintScore(symptoms: readonly Symptom[], practice: Practice, typed: string) {
  const asked = [...new Set(complaintWords(typed))]
  const { told, rare } = indexes(symptoms)(practice)
  return (symptom: Symptom): number =>
    asked.length === 0
      ? 1
      : asked.reduce((sum, word) => {
          const [weight, found] = weightOf(told.get(symptom)!, word)
          return sum + weight * rare(found)
        }, 0)
}

/** The weight of a word, or of the best one that begins so while it is still being typed. */
function weightOf(weights: ReadonlyMap<string, number>, word: string): readonly [weight: number, found: string] {
  const exact = weights.get(word)
  if (exact !== undefined || word.length < 3) return [exact ?? 0, word]
  let best: readonly [number, string] = [0, word]
  for (const [each, weight] of weights) if (each.startsWith(word) && weight / 2 > best[0]) best = [weight / 2, each]
  return best
}

/** How many words of a complaint a cause itself names, in the words of a practice; what its symptom's title says tells no causes apart. */
export function namedIn(says: string, title: string, practice: Practice, typed: string): number {
  const told = new Set([...complaintWords(says), ...complaintWords(inLocalWords(practice, says))])
  for (const word of complaintWords(title)) told.delete(word)
  return new Set(complaintWords(typed).filter((word) => told.has(word))).size
}

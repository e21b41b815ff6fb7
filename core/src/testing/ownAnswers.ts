import type { Answer } from '../kinds/answers'
import { factsOfKind, type LoopKind, loopKinds } from '../kinds/kinds'
import { kindSign } from '../kinds/kindSigns'
import { isAsked } from '../kinds/question'
import { formatValue, type UnitPreferences } from '../units/quantity'
import { inLocalWords } from '../words/localWords'
import { sampleOf } from './sampleOf'

/** One answer as somebody gives it on a page. */
interface GivenAnswer {
  readonly id: string
  readonly title: string
  /** Typed into a field, chosen from a list, or ticked among schools. */
  readonly by: 'field' | 'list' | 'school'
  readonly text: string
}

/** Every kind of loop, and what it is called where one is chosen. */
export const walkedKinds: readonly { readonly kind: LoopKind; readonly word: string }[] = loopKinds.map((kind) => ({
  kind,
  word: kindSign(kind).word,
}))

/** Of the sizes of the sample: a place of one's own, somewhat larger, with its load. */
const LARGER = 1.15
const sizes = new Set(['floorArea', 'volume', 'heat', 'batteryAh'])

/** Answers to a kind's survey with figures of their own, by the group that they are asked in, in the units of a job. */
export function ownAnswers(
  kind: LoopKind,
  preferences: UnitPreferences,
): readonly { readonly group: string; readonly answers: readonly GivenAnswer[] }[] {
  const given: Record<string, Answer> = {
    ...sampleOf(kind).answers,
    ...(preferences.system === 'us' ? { mainsAtHand: '240' } : {}),
  }
  const asked = factsOfKind(kind).questions.filter((each) => isAsked(each, given) && given[each.id] !== undefined)
  return [...new Set(asked.map(({ group }) => group))].map((group) => ({
    group,
    answers: asked
      .filter((each) => each.group === group)
      .map((question): GivenAnswer => {
        const { id } = question
        const title = inLocalWords(preferences.system === 'us' ? 'us' : 'europe', question.title)
        if (question.ask === 'choice')
          return { id, title, by: question.school ? 'school' : 'list', text: String(given[id]) }
        const value = Number(given[id]) * (sizes.has(id) ? LARGER : 1)
        return { id, title, by: 'field', text: formatValue(value, question.quantity, preferences) }
      }),
  }))
}

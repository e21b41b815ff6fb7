import { suitsPractice } from '../device/suitsPractice'
import { resolveChain } from '../document/chain'
import type { JobDocument, LoopDocument } from '../document/documents'
import { siteQuestions } from '../kinds/commonQuestions'
import { ordered } from '../schema/ordered'
import { type Practice, standardOf } from '../units/practice'
import { inLocalWords } from '../words/localWords'

/** What of a loop a practice does not have: devices by tag and name, and the mains that were answered. */
export interface PracticeMisfit {
  readonly loop: string
  readonly name: string
  readonly things: readonly string[]
}

/** The mains that the survey answered, where this practice does not know them. */
export function foreignMains({ survey }: Pick<LoopDocument, 'survey'>, practice: Practice): string | undefined {
  const question = siteQuestions.find(({ id }) => id === 'mainsAtHand')
  const found = question?.ask === 'choice' ? question.choices[String(survey.answers['mainsAtHand'])] : undefined
  return found?.standard === undefined || found.standard === standardOf[practice] ? undefined : found.title
}

/**
 * What of a job is not found in a practice, loop by loop. Nothing of it is thrown away when the practice changes: it is named, with the
 * ways out, as findings C156 and C157 of each loop.
 */
export const practiceMisfits = (
  job: JobDocument,
  loops: Readonly<Record<string, LoopDocument>>,
  practice: Practice,
): readonly PracticeMisfit[] =>
  ordered(loops).flatMap((loop): PracticeMisfit[] => {
    const mains = foreignMains(loop, practice)
    const things = [
      ...resolveChain(job, loop.chain)
        .devices.filter(({ facts }) => !suitsPractice(facts, practice))
        .map(({ tag, name }) => `${tag} ${name}`),
      ...(mains === undefined ? [] : [`${inLocalWords(practice, 'mains at hand')}: ${mains}`]),
    ]
    return things.length === 0 ? [] : [{ loop: loop.id, name: loop.name, things }]
  })

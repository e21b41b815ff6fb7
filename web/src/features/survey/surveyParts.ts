import type { LoopDocument } from '@nachtigal/core/document/documents'
import { answersOf } from '@nachtigal/core/kinds/answersOf'
import { proposedHazards } from '@nachtigal/core/kinds/proposedHazards'
import { counted } from '@nachtigal/core/words/words'
import { askedQuestions } from '@nachtigal/core/survey/surveyResult'

type PartId = string

interface SurveyPart {
  /** As it stands in the address. */
  readonly id: PartId
  readonly title: string
  /** Group of its questions; none for the parts that are no questions. */
  readonly group?: string
  /** What is still to be said here; 0 when it is done. */
  readonly open: number
  readonly says: string
}

/** A group of questions as it stands in the address. */
export const slug = (title: string) =>
  title
    .toLowerCase()
    .replace(/[^a-z]+/g, '-')
    .replace(/^-|-$/g, '')

/** The parts of a survey in the order in which one walks through the place. */
export function surveyParts(loop: LoopDocument, missing: number): readonly SurveyPart[] {
  const questions = askedQuestions(loop)
  const { answers, hazards, found, complaint } = loop.survey
  const groups = [...new Set(questions.map(({ group }) => group))]
  const asked = groups.map((group): SurveyPart => {
    const mine = questions.filter((question) => question.group === group)
    const open = mine.filter(({ id, required, safety }) => (required || safety) && answers[id] === undefined).length
    const given = mine.filter(({ id }) => answers[id] !== undefined).length
    return {
      id: slug(group),
      title: group,
      group,
      open,
      says: open > 0 ? `${open} to answer` : `${given} of ${mine.length} answered`,
    }
  })
  const proposed = proposedHazards(loop.kind, answersOf(loop))
  const unticked = proposed.filter(({ id }) => !hazards[id]).length
  const values = Object.keys(found?.values ?? {}).length
  return [
    ...asked,
    {
      id: 'found',
      title: 'As found',
      open: found?.state === undefined ? 1 : 0,
      says:
        found?.state === undefined
          ? complaint
            ? 'complaint only'
            : 'not written down'
          : found.state === 'none'
            ? 'nothing was there'
            : values > 0
              ? counted(values, 'value')
              : 'a control was there',
    },
    {
      id: 'hurt',
      title: 'Hazards',
      open: unticked,
      says: unticked > 0 ? `${unticked} proposed` : `${Object.keys(hazards).length} ticked`,
    },
    {
      id: 'proposal',
      title: 'Proposal',
      open: missing,
      says: missing > 0 ? 'waits for answers' : 'ready',
    },
  ]
}

import { surveyRecord } from '../document/fields/surveyFields'
import { id, list, maybe, record } from '../schema/field'
import { chainChanged } from './chainParts'
import { defineAction, withLoop, without } from './action'

/** Answers questions of the survey, and takes answers away. A figure that is typed by hand no longer comes from what was measured. */
export const answerQuestions = defineAction({
  id: 'answer-questions',
  did: 'answered the survey',
  input: record('answers', {
    answers: surveyRecord.fields.answers,
    /** Questions whose answers are taken away. */
    none: maybe(list('taken away', id('key'), 0, 500)),
  }),
  run: (edited, { answers, none }, hand) => {
    const { survey } = edited.loop
    const moved = [...Object.keys(answers), ...(none ?? [])]
    const answered = withLoop(edited, {
      survey: {
        ...survey,
        answers: { ...without(survey.answers, ...moved), ...answers },
        ...(survey.ways ? { ways: without(survey.ways, ...moved) } : {}),
      },
    })
    // The loads that are there take a power over.
    return moved.includes('power') ? chainChanged(edited, answered, hand) : answered
  },
})

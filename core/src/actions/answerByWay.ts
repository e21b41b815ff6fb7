import { wayRecord } from '../document/fields/surveyFields'
import { id, number, record } from '../schema/field'
import { chainChanged } from './chainParts'
import { defineAction, withLoop } from './action'

/** Answers a question with what follows from measurements on site, and keeps the measurements. */
export const answerByWay = defineAction({
  id: 'answer-by-measuring',
  did: 'measured what the survey asks',
  input: record('measured', { question: id('question'), value: number('value', 'factor'), found: wayRecord }),
  run: (edited, { question, value, found }, hand) => {
    const { survey } = edited.loop
    const answered = withLoop(edited, {
      survey: {
        ...survey,
        answers: { ...survey.answers, [question]: value },
        ways: { ...survey.ways, [question]: found },
      },
    })
    return question === 'power' ? chainChanged(edited, answered, hand) : answered
  },
})

import { describe, expect, it } from '@jest/globals'
import { mountingSteps } from '../commissioning/mountingSteps'
import { placements } from '../commissioning/placement'
import { proofTests } from '../commissioning/proofTests'
import { safetyBlocks } from '../commissioning/safetyBlocks'
import type { Answer } from '../kinds/answers'
import { factsOfKind, loopKinds } from '../kinds/kinds'
import { proposedHazards } from '../kinds/proposedHazards'
import { isAsked, type Question } from '../kinds/question'
import { loopContext } from '../loop/context'
import { winterDay } from '../plant/winterDay'
import { loopScenario } from '../simulate/loop/loopScenario'
import { schools } from '../simulate/loop/schools'
import { atHand } from '../survey/atHand'
import { withDefaultPlans } from '../survey/defaultPlans'
import { placing } from '../survey/placing'
import { propose } from '../survey/proposal'
import { chained } from '../testing/chains'
import { fieldData } from '../testing/fieldData'
import { shelf } from '../testing/loops'
import type { Edited } from '../wiring/chainEdit'
import { goesAgainst } from '../device/goesWith'
import { checkLoop } from './checkLoop'

const json = (value: unknown) => JSON.stringify(value)

/** What is made of the answers of a survey, part by part; the answers themselves are none of it. */
const parts: Readonly<Record<string, (edited: Edited) => unknown>> = {
  survey: ({ job, loop }) => {
    const { survey } = loopContext(job, loop, fieldData)
    return survey && [survey.figures, survey.seen, survey.lines, survey.harm, survey.floor, survey.boiler]
  },
  leaning: ({ loop }) => {
    const { leaning, places, limiterC, starts, swing, minimumOff, compares } = factsOfKind(loop.kind)
    const { answers } = loop.survey
    return [
      leaning(answers),
      places(answers),
      limiterC(answers, fieldData),
      [starts(answers), swing(answers), minimumOff(answers), compares?.(answers)],
    ]
  },
  shelf: ({ loop }) => {
    const { answers } = loop.survey
    return shelf.map((profile) => [
      atHand(answers, profile),
      goesAgainst(profile, answers),
      placing(loop, profile, fieldData),
    ])
  },
  hazards: ({ loop }) => proposedHazards(loop.kind, loop.survey.answers),
  findings: ({ job, loop }) =>
    checkLoop(loopContext(job, loop, fieldData)).open.map(({ code, reason, remedy }) => [code, reason, remedy]),
  proposal: ({ job, loop }) => {
    const context = loopContext(job, loop, fieldData)
    return context.survey && propose(context, context.survey)
  },
  plans: ({ job, loop }) => {
    let made = 0
    const bare = { ...loop, settings: { ...loop.settings, planned: {}, controllers: {} } }
    const { planned, controllers } = withDefaultPlans({ job, loop: bare }, fieldData, () => `plan-${++made}`).loop
      .settings
    return [planned, controllers]
  },
  run: ({ job, loop }) => {
    const context = loopContext(job, loop, fieldData)
    return context.survey && loopScenario(context, context.survey, { hourlyC: winterDay(-5), days: 1 }).scenario
  },
  compare: ({ job, loop }) => schools(loopContext(job, loop, fieldData)).map(({ id }) => id),
  steps: ({ job, loop }) => {
    const context = loopContext(job, loop, fieldData)
    const { isolate, dead, live } = safetyBlocks(context).steps
    return [
      [...isolate, ...dead, ...live].map(({ title, should }) => [title, should]),
      proofTests(context).map(({ id, steps }) => [id, steps.map(({ title, does }) => [title, does])]),
      mountingSteps(context),
      placements(context).map(({ place, rules }) => [place, rules]),
    ]
  },
}

const answering = ({ job, loop }: Edited, answers: Readonly<Record<string, Answer>>): Edited => ({
  job,
  loop: { ...loop, survey: { ...loop.survey, answers: { ...loop.survey.answers, ...answers } } },
})

const valuesOf = (question: Question): readonly Answer[] => {
  if (question.ask === 'choice') return Object.keys(question.choices)
  const { low, high } = question
  return [
    low,
    low + (high - low) * 0.001,
    low + (high - low) * 0.01,
    low + (high - low) * 0.2,
    low + (high - low) * 0.6,
  ]
}

/**
 * Read where these samples do not show it: how far a place may stray judges a run; where the box goes judges its housing, which all of these
 * bear; whether a plan for the water is kept counts where it is warm and sprayed; the price makes money of a line's saving (`resetSeason.test`),
 * and a season for each pair of answers would take minutes.
 */
const readElsewhere: ReadonlySet<string> = new Set(['tolerance', 'outdoors', 'waterPlan', 'price'])

describe.each(loopKinds)('every answer is read: %s', (kind) => {
  const sound = chained(kind)
  const { questions } = factsOfKind(kind)
  /** The sample, and the same with each answer another: what one answer does may hang on another. */
  const bases = [{}, ...questions.flatMap((question) => valuesOf(question).map((value) => ({ [question.id]: value })))]
  it.each(questions.filter(({ id }) => !readElsewhere.has(id)).map((question) => [question.id, question] as const))(
    '%s',
    (_, question) => {
      const isRead = bases.some((base) => {
        const from = answering(sound, base)
        if (!isAsked(question, from.loop.survey.answers)) return false
        const others = valuesOf(question).map((value) => answering(from, { [question.id]: value }))
        // Another answer may ask for more first: nothing is made of that yet.
        return Object.values(parts).some((part) => new Set(others.map((other) => json(part(other)))).size > 1)
      })
      expect(isRead).toBe(true)
    },
  )
})

import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import type { Answer } from '../kinds/answers'
import { loopKinds, type LoopKind } from '../kinds/kinds'
import type { Question } from '../kinds/question'
import { winterDay } from '../plant/winterDay'
import { consequences } from '../settings/consequences'
import { switchingPlans } from '../settings/behaviour'
import { factOf } from '../settings/factOf'
import { loopScenario } from '../simulate/loop/loopScenario'
import { propose } from '../survey/proposal'
import { askedQuestions } from '../survey/surveyResult'
import { chained } from '../testing/chains'
import { fieldData } from '../testing/fieldData'
import { startsOf } from '../settings/starts'
import { type LoopContext, loopContext } from './context'
import { loopFacts, sayFact } from './facts'
import { answeredOtherwise, madeFrom, movedFacts } from './madeFrom'

const EACH = Number(process.env['NACHTIGAL_FACTS'] ?? 12)
const SEED = process.env['NACHTIGAL_SEED']

const contextOf = (kind: LoopKind, answers: Readonly<Record<string, Answer>> = {}) => {
  const { job, loop } = chained(kind, answers)
  return loopContext(job, loop, fieldData)
}

interface Place {
  readonly fact: string
  readonly value: number
  readonly where: string
}

/** Everything that tells a figure under the id of a fact, or that a run is made with. */
function placesOf(context: LoopContext): readonly Place[] {
  const { survey, loop, chain } = context
  if (!survey) return []
  const run = loopScenario(context, survey, { hourlyC: winterDay(-5), days: 1 })
  const moved = run.scenario.actuators.filter(({ id }) => run.outputs.some(({ actuator }) => actuator === id))
  return [
    ...survey.lines.map(({ id, value }) => ({ fact: id, value, where: 'survey' })),
    ...propose(context, survey).figures.flatMap(({ fact, value }) =>
      fact ? [{ fact, value, where: 'proposal' }] : [],
    ),
    ...switchingPlans(loop.settings.planned).flatMap((plan) =>
      consequences(plan, context).flatMap(({ fact, value }) =>
        fact !== undefined && value !== null ? [{ fact, value, where: 'set' }] : [],
      ),
    ),
    ...context.judgedConnections.flatMap(({ connection, figures }) => {
      const { loadA, loadTag } = figures as { loadA?: number; loadTag?: string }
      const to =
        chain.devices.find(({ tag }) => tag === loadTag) ??
        chain.connections.find(({ id }) => id === connection)?.toDevice
      return loadA !== undefined && to?.facts.category === 'load'
        ? [{ fact: factOf('amps', to.id), value: loadA, where: `joined ${connection}` }]
        : []
    }),
    // What a run heats or cools with, all of it on.
    ...(moved.length > 0 &&
    moved.every(({ powerW, node }) => powerW !== undefined && node !== undefined) &&
    !survey.floor
      ? [{ fact: 'power', value: moved.reduce((sum, { powerW }) => sum + powerW!, 0), where: 'run' }]
      : []),
  ]
}

/** Places that tell another value than the fact, in words. */
const contrary = (context: LoopContext): readonly string[] => {
  const facts = loopFacts(context)
  return placesOf(context).flatMap(({ fact, value, where }) => {
    const known = facts.get(fact)
    if (!known) return [`${where}: ${fact} is no fact`]
    return Math.abs(known.value - value) <= 1e-9 * Math.max(1, Math.abs(value))
      ? []
      : [`${where}: ${fact} is ${value}, the fact ${known.value}`]
  })
}

/** Another answer to a question, by a share from 0 to 1. */
function another(question: Question, answer: Answer | undefined, share: number): Answer | undefined {
  if (question.ask === 'number') {
    const { low, high } = question
    // About where it is: an end of the range makes a plant that nobody has.
    const at = typeof answer === 'number' ? answer : low + (high - low) * 0.3
    return Math.min(high, Math.max(low, at * (0.6 + share)))
  }
  const others = Object.keys(question.choices).filter((choice) => choice !== answer)
  return others[Math.floor(share * others.length * 0.999)]
}

describe.each(loopKinds)('facts of a loop: %s', (kind) => {
  const sound = contextOf(kind)
  it('every place tells the fact', () => expect(contrary(sound)).toEqual([]))
  it('has what the steps tell: load, power, and of a plan that switches its starts', () => {
    const facts = loopFacts(sound)
    for (const id of ['needs', 'power']) expect(facts.get(id)!.value).toBeGreaterThan(0)
    for (const plan of switchingPlans(sound.loop.settings.planned))
      if (startsOf(sound, plan)) expect(facts.has(factOf('starts.worst', plan.id))).toBe(true)
    for (const fact of facts.values()) {
      expect(sayFact(fact, sound.words)).toMatch(/\d|^stays o/)
      if (fact.low !== undefined) expect(fact.low).toBeLessThanOrEqual(fact.value)
      if (fact.high !== undefined) expect(fact.high).toBeGreaterThanOrEqual(fact.value)
    }
  })
  it('says what each is made from: the load of the target, nothing of what nobody answered otherwise', () => {
    const made = madeFrom(sound)
    expect(made.get('needs')).toContain('target')
    const asked = new Set(askedQuestions(sound.loop).map(({ id }) => id))
    for (const questions of made.values()) for (const id of questions) expect(asked).toContain(id)
  })
  it('one answer changed: every place moves with its fact, and only facts that are made from it', () => {
    const questions = askedQuestions(sound.loop)
    fc.assert(
      fc.property(fc.nat(questions.length - 1), fc.double({ min: 0, max: 1, noNaN: true }), (at, share) => {
        const question = questions[at]!
        const answer = another(question, sound.loop.survey.answers[question.id], share)
        if (answer === undefined) return
        const after = answeredOtherwise(sound, question.id, answer)
        expect(contrary(after)).toEqual([])
        const made = madeFrom(sound)
        for (const id of movedFacts(sound, after))
          expect([id, made.get(id)]).toEqual([id, expect.arrayContaining([question.id])])
      }),
      { numRuns: EACH, seed: SEED === undefined ? 23 : Number(SEED) },
    )
  })
})

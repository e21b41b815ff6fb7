import { loopKinds } from '../kinds/kinds'
import { describe, expect, it } from '@jest/globals'
import { runCalculation, findCalculation } from '../calc/registry'
import { calcData } from '../testing/calcData'
import type { Answer } from '../kinds/answers'
import { resolveChain } from '../document/chain'
import { fieldData } from '../testing/fieldData'
import { answers, plannedFloor } from '../testing/warmFloor'
import { wordsFor } from '../words/words'
import { cautionsAt, hazards, workflowSteps } from '../kinds/hazards'
import { hazardsOf } from '../kinds/proposedHazards'
import { floorQuestions } from '../kinds/floor/questions'
import { assumedQuestions } from './assumed'
import { surveyResult } from './surveyResult'

const floor = plannedFloor()
const chain = resolveChain(floor.job, floor.loop.chain)
const survey = (changes: Record<string, Answer | undefined> = {}) => {
  const given = Object.fromEntries(Object.entries({ ...answers, ...changes }).filter(([, v]) => v !== undefined))
  return surveyResult(
    { ...floor.loop, survey: { ...floor.loop.survey, answers: given as Record<string, Answer> } },
    chain,
    fieldData,
  )
}
const done = (changes: Record<string, Answer | undefined> = {}) => {
  const outcome = survey(changes)
  if (!outcome.ok) throw new Error(`missing ${outcome.missing.join(', ')}`)
  return outcome.survey
}

describe('what is still to find out', () => {
  it.each(floorQuestions.filter(({ required }) => required).map(({ id, title }) => [id, title] as const))(
    'without %s it says so',
    (id, title) => expect(survey({ [id]: undefined })).toEqual({ ok: false, missing: [title] }),
  )
  it.each(floorQuestions.filter(({ required }) => !required).map(({ id }) => [id] as const))(
    'without %s it goes on',
    (id) => expect(survey({ [id]: undefined }).ok).toBe(true),
  )
})

describe('what is assumed', () => {
  const assumed = (changes: Record<string, Answer | undefined>) => {
    const outcome = survey(changes)
    const given = Object.fromEntries(Object.entries({ ...answers, ...changes }).filter(([, v]) => v !== undefined))
    const loop = { ...floor.loop, survey: { ...floor.loop.survey, answers: given as Record<string, Answer> } }
    return assumedQuestions(loop, outcome.ok ? outcome.survey : undefined).map(({ id }) => id)
  }
  it('is what an estimate stands in for, until it is answered', () => {
    expect(assumed({ screed: undefined })).toContain('screed')
    expect(assumed({ screed: 0.08 })).not.toContain('screed')
  })
  it('is never what is required, or what somebody may be hurt by', () => {
    const asked = floorQuestions.filter(({ required, safety }) => required || safety).map(({ id }) => id)
    const none = Object.fromEntries(floorQuestions.filter(({ required }) => !required).map(({ id }) => [id, undefined]))
    expect(assumed(none).filter((id) => asked.includes(id))).toEqual([])
  })
  it('is nothing yet where a required answer is missing: nothing could be estimated from it', () => {
    expect(assumed({ target: undefined, screed: undefined })).toEqual([])
  })
})

describe('estimates', () => {
  const { figures } = done({ supplyWater: undefined })
  it.each(Object.entries(figures).map(([id, figure]) => [id, figure] as const))(
    '%s is shown with its span and from what',
    (_, { source, value, low, high, why }) => {
      expect(source).toBe('estimate')
      expect(low!).toBeLessThanOrEqual(value)
      expect(high!).toBeGreaterThanOrEqual(value)
      expect(why.length).toBeGreaterThan(10)
    },
  )
  it.each([
    ['loss', 100, 'lossWPerK'],
    ['screed', 0.08, 'screedM'],
    ['supplyWater', 45, 'supplyC'],
    ['waterDrop', 5, 'dropK'],
  ] as const)('give way to an answer: %s', (id, value, fact) => {
    const made = done({ [id]: value })
    expect(made.figures[id]).toMatchObject({ value, source: 'answer' })
    expect(made.floor!.facts[fact]).toBe(value)
  })
  it('keeps the share that a room cycle sees when the whole is answered', () => {
    const [estimated, answered] = [done(), done({ capacity: 1e7 })]
    expect(answered.floor!.facts.quickCapacityJPerK / 1e7).toBeCloseTo(
      estimated.floor!.facts.quickCapacityJPerK / estimated.figures['capacity']!.value,
      9,
    )
  })
  it.each(['loss', 'capacity'])('%s opens to a registered calculation that gives it', (id) => {
    const { value, worked } = done().figures[id]!
    const outcome = runCalculation(findCalculation(worked!.calc)!, worked!.input, calcData)
    expect(outcome.ok && outcome.output[worked!.output]).toBeCloseTo(value, 9)
  })
  it.each([
    ['better insulation loses less', { insulation: 'good' }, { insulation: 'poor' }],
    ['a smaller floor loses less', { floorArea: 20 }, { floorArea: 60 }],
  ] as const)('%s', (_, less, more) => expect(done(less).seen.lossWPerK).toBeLessThan(done(more).seen.lossWPerK))
  it.each([
    ['warmer water', { supplyWater: 45 }, { supplyWater: 38 }],
    ['closer pipes', { pitch: '100' }, { pitch: '300' }],
  ] as const)('%s give more heat', (_, more, less) =>
    expect(done(more).seen.powerW).toBeGreaterThan(done(less).seen.powerW),
  )
  it('the plant is what its own calculation answers', () => {
    const { lines } = done()
    expect(lines).toHaveLength(4)
    for (const { value, worked } of lines) {
      const { calc, input, output } = worked!
      const outcome = runCalculation(findCalculation(calc)!, JSON.parse(JSON.stringify(input)), calcData)
      expect(outcome.ok && outcome.output[output]).toBeCloseTo(value, 9)
    }
  })
})

describe('hazards', () => {
  it('have ids of their own, a caution of two sentences at least, and a stage where they bite', () => {
    expect(new Set(hazards.map(({ id }) => id)).size).toBe(hazards.length)
    for (const { id, caution, more, steps: where } of hazards) {
      expect(caution.split('. ').length).toBeGreaterThan(1)
      expect(more.length).toBeGreaterThan(caution.length / 2)
      expect(where.length).toBeGreaterThan(0)
      expect(loopKinds.filter((kind) => hazardsOf(kind).some((own) => own.id === id))).not.toEqual([])
    }
  })
  it.each(['C', 'F'] as const)('speak °%s and leave no brace behind', (temperatureUnit) => {
    const { tell } = wordsFor({ temperatureUnit, system: 'metric' })
    for (const { caution, more } of hazards) {
      expect(tell(caution + more)).not.toMatch(/[{}]/)
      if (temperatureUnit === 'F') expect(tell(caution + more)).not.toContain('°C')
    }
  })
  it('name figures only in braces, so that they can be put into any unit', () => {
    for (const { caution, more } of hazards) expect(caution + more).not.toMatch(/\d\s?°/)
    for (const question of floorQuestions)
      if (question.ask === 'choice')
        for (const { consequence } of Object.values(question.choices))
          expect(consequence.replace(/\{[^}]*\}/g, '')).not.toMatch(/\d\s?°|\d\s?K\b/)
  })
  it('follow into the stages where they bite, and only when ticked', () => {
    const ticked = { mains: true, 'hot-water': true } as const
    expect(workflowSteps.map((stage) => cautionsAt(ticked, stage).map(({ id }) => id))).toEqual([
      [],
      ['mains'],
      ['mains'],
      ['mains', 'hot-water'],
      ['hot-water'],
      ['mains', 'hot-water'],
      [],
    ])
    expect(cautionsAt({}, 'wire')).toEqual([])
  })
  it('are proposed for a warm floor', () =>
    expect(hazardsOf('floor').map(({ id }) => id)).toEqual(
      expect.arrayContaining(['mains', 'hot-water', 'wet', 'animals']),
    ))
})

import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { findCalculation, runCalculation } from '../calc/registry'
import { resolveChain } from '../document/chain'
import { type Answer } from './answers'
import { type LoopKind, loopKinds } from './kinds'
import { chained } from '../testing/chains'
import { calcData } from '../testing/calcData'
import { fieldData } from '../testing/fieldData'
import { plausible, surveyed } from '../testing/loops'
import { wordsFor } from '../words/words'
import { hazardsOf, proposedHazards } from './proposedHazards'
import { kindFacts } from './kinds'
import { isAsked, type Question } from './question'
import { propose } from '../survey/proposal'
import { askedQuestions, openQuestions, surveyResult } from '../survey/surveyResult'
import { METRIC_FIGURE } from '../testing/metricFigure'
import { typicalIn, ways } from '../survey/ways'

const outcomeOf = (kind: LoopKind, changes: Readonly<Record<string, Answer | undefined>> = {}) => {
  const { job, loop } = surveyed(kind, changes)
  return surveyResult(loop, resolveChain(job, loop.chain), fieldData)
}
const bare = { devices: [], connections: [] }
const surveyOf = (kind: LoopKind, changes: Readonly<Record<string, Answer | undefined>> = {}) => {
  const outcome = outcomeOf(kind, changes)
  if (!outcome.ok) throw new Error(`missing ${outcome.missing.join(', ')}`)
  return outcome.survey
}
const every = loopKinds.flatMap((kind) => kindFacts[kind].questions.map((question) => [kind, question] as const))

describe('questions', () => {
  it.each(loopKinds)('%s asks nothing twice, and where it asks on an answer, that answer can be given', (kind) => {
    const { questions } = kindFacts[kind]
    expect(new Set(questions.map(({ id }) => id)).size).toBe(questions.length)
    for (const { when } of questions) {
      if (!when) continue
      const on = questions.find(({ id }) => id === when.question)
      expect(on?.ask).toBe('choice')
      if (on?.ask === 'choice') for (const is of when.is) expect(Object.keys(on.choices)).toContain(is)
    }
  })
  it.each(every.map(([kind, question]) => [`${kind} ${question.id}`, question] as const))(
    '%s says how to find it out, in words that can be told in any unit',
    (_, question) => {
      expect(question.hint.length).toBeGreaterThan(5)
      const said = [
        question.hint,
        ...(question.ask === 'choice' ? Object.values(question.choices).flatMap((c) => [c.title, c.consequence]) : []),
      ].join(' ')
      expect(said.replace(/\{[^}]*\}/g, '')).not.toMatch(/\d\s?°|\d\s?K\b/)
      expect(wordsFor({ temperatureUnit: 'F', system: 'us' }).tell(said)).not.toMatch(/[{}]/)
      if (question.ask === 'number') {
        expect(question.low).toBeLessThan(question.high)
        for (const way of question.ways ?? []) expect(Object.keys(ways)).toContain(way)
      } else {
        expect(Object.keys(question.choices).length).toBeGreaterThan(1)
        if (question.school)
          for (const { consequence } of Object.values(question.choices)) expect(consequence).toBeTruthy()
      }
    },
  )
  it.each(loopKinds)('%s holds the schools that fitters disagree on as choices', (kind) => {
    const schools = kindFacts[kind].questions.filter((q) => q.ask === 'choice' && q.school)
    expect(schools.length).toBeGreaterThan(0)
  })
  it.each(loopKinds)('%s says which required answer is missing, each by itself', (kind) => {
    const required = askedQuestions(surveyed(kind).loop).filter((question) => question.required)
    for (const { id, title } of required) {
      const outcome = outcomeOf(kind, { [id]: undefined })
      expect(outcome).toMatchObject({ ok: false })
      if (!outcome.ok) expect(outcome.missing).toContain(title)
    }
    expect(openQuestions(surveyed(kind).loop)).toEqual([])
  })
  it.each(loopKinds)('%s goes on without whatever is not required', (kind) => {
    for (const { id, required } of kindFacts[kind].questions)
      if (!required) expect(outcomeOf(kind, { [id]: undefined }).ok).toBe(true)
  })
})

describe('what is not known is estimated', () => {
  it.each(loopKinds)('%s: each with its spread and from what', (kind) => {
    const { figures } = surveyOf(kind)
    const estimates = Object.values(figures).filter(({ source }) => source === 'estimate')
    expect(estimates.length).toBeGreaterThan(0)
    for (const { value, low, high, why } of estimates) {
      expect(why.length).toBeGreaterThan(10)
      if (low !== undefined) expect(low).toBeLessThanOrEqual(value + 1e-9)
      if (high !== undefined) expect(high).toBeGreaterThanOrEqual(value - 1e-9)
    }
  })
  it.each(loopKinds)('%s: every number that can be opened is what its calculation answers', (kind) => {
    const { figures, lines } = surveyOf(kind)
    const opened = [...Object.values(figures), ...lines].flatMap(({ value, worked }) =>
      worked ? [{ value, worked }] : [],
    )
    for (const { value, worked } of opened) {
      const entry = findCalculation(worked.calc)
      const outcome = runCalculation(entry!, JSON.parse(JSON.stringify(worked.input)), calcData)
      expect(outcome).toMatchObject({ ok: true })
      if (outcome.ok) expect(Number(outcome.output[worked.output]) / value).toBeCloseTo(1, 6)
    }
  })
  it('the nameplates of what was chosen go before the estimate, an answer before both', () => {
    const { job, loop } = chained('cabinet')
    const at = (changes: Readonly<Record<string, Answer>>) => {
      const outcome = surveyResult(
        { ...loop, survey: { ...loop.survey, answers: { ...loop.survey.answers, ...changes } } },
        resolveChain(job, loop.chain),
        fieldData,
      )
      return outcome.ok ? outcome.survey.figures['power'] : undefined
    }
    expect(at({})).toMatchObject({ value: 2000, source: 'chain' })
    expect(at({ power: 1500 })).toMatchObject({ value: 1500, source: 'answer' })
  })
})

describe('plants behave', () => {
  it.each([
    ['room', 'loadW', { designOutdoor: -20 }, { designOutdoor: 0 }],
    ['room', 'loadW', { insulation: 'poor' }, { insulation: 'good' }],
    ['boiler', 'loadW', { floorArea: 400 }, { floorArea: 200 }],
    ['pool', 'loadW', { site: 'open' }, { site: 'hall' }],
    ['pool', 'loadW', { cover: 'none' }, { cover: 'always' }],
    ['pool', 'capacityJPerK', { volume: 120 }, { volume: 60 }],
    ['enclosure', 'loadW', { heat: 600 }, { heat: 300 }],
    ['enclosure', 'loadW', { mounting: 'middle-wall-covered' }, { mounting: 'single-free' }],
    ['cold-room', 'loadW', { designOutdoor: 30 }, { designOutdoor: 20 }],
    ['cold-room', 'loadW', { insulation: 'poor' }, { insulation: 'good' }],
    ['chiller', 'loadW', { heat: 15000 }, { heat: 8000 }],
    ['cabinet', 'loadW', { insulation: 'poor' }, { insulation: 'good' }],
    ['cabin', 'loadW', { designOutdoor: -25 }, { designOutdoor: -5 }],
    ['fan', 'powerW', { designOutdoor: 10 }, { designOutdoor: 20 }],
  ] as const)('%s: %s is more with %j than with %j', (kind, figure, more, less) =>
    expect(surveyOf(kind, more).seen[figure]).toBeGreaterThan(surveyOf(kind, less).seen[figure]),
  )
  it('a pool of 90 m³ at 45 kW less its load warms as by hand', () => {
    // 90 m³ hold 104.4 kWh a kelvin (998.2 × 4182 J/m³K): what is left of 45 kW over that.
    const { lines, seen } = surveyOf('pool', { power: 45000 })
    const left = 45000 - seen.loadW
    expect(lines.find(({ label }) => label.startsWith('Warms'))?.value).toBeCloseTo(
      (left * 3600) / (998.2 * 4182 * 90),
      6,
    )
  })
  it('first ice between printed shares lies on a straight line', () => {
    const ice = (glycol: number) => surveyOf('chiller', { glycol }).lines.find(({ id }) => id === 'firstIce')?.value
    // Printed: 20 % −7 °C, 30 % −13 °C, 40 % −21 °C.
    expect([ice(20), ice(25), ice(30), ice(35)]).toEqual([-7, -10, -13, -17])
  })
})

/** Any answers that the fields would take, required or not. */
function anyAnswers(questions: readonly Question[]) {
  return fc.record(
    Object.fromEntries(
      questions.map((question) => [
        question.id,
        question.ask === 'choice'
          ? fc.constantFrom(...Object.keys(question.choices))
          : fc.oneof(
              fc.constantFrom(question.low, question.high),
              fc.double({ min: question.low, max: question.high, noNaN: true }),
            ),
      ]),
    ),
    { requiredKeys: questions.filter(({ required }) => required).map(({ id }) => id) },
  )
}

describe('whatever is answered', () => {
  it.each(loopKinds)('%s reckons finite figures, or says what is missing, and proposes in whole sentences', (kind) =>
    fc.assert(
      fc.property(anyAnswers(kindFacts[kind].questions), (given) => {
        const answers = given as Record<string, Answer>
        const { job, loop } = surveyed(kind)
        const answered = { ...loop, survey: { ...loop.survey, answers } }
        const outcome = surveyResult(answered, resolveChain(job, loop.chain), fieldData)
        expect(outcome.ok).toBe(openQuestions(answered).length === 0)
        if (!outcome.ok) return
        const { seen, lines, figures } = outcome.survey
        for (const value of [
          ...[seen.loadW, seen.powerW, seen.lossWPerK, seen.capacityJPerK, seen.restC, seen.targetC],
          ...lines.map((line) => line.value),
          ...Object.values(figures).map((figure) => figure.value),
        ])
          expect(Number.isFinite(value)).toBe(true)
        const words = wordsFor({ temperatureUnit: 'C', system: 'metric' })
        const {
          title,
          reason,
          would,
          figures: told,
        } = propose({ loop: answered, chain: bare, data: fieldData, words }, outcome.survey)
        for (const said of [title, ...reason, ...would]) {
          expect(said.length).toBeGreaterThan(3)
          expect(said).not.toMatch(/NaN|undefined|Infinity/)
        }
        for (const { value } of told) expect(Number.isFinite(value)).toBe(true)
        for (const { when } of proposedHazards(kind, answers))
          if (when)
            expect(Object.entries(when).some(([question, is]) => is.includes(String(answers[question])))).toBe(true)
      }),
      { numRuns: 60 },
    ),
  )
  it('questions that hang on another answer are asked only then', () => {
    for (const kind of loopKinds)
      for (const question of kindFacts[kind].questions) {
        if (!question.when) continue
        const { question: on, is } = question.when
        expect(isAsked(question, { [on]: is[0]! })).toBe(true)
        expect(isAsked(question, {})).toBe(false)
      }
  })
})

describe('proposals', () => {
  const proposalOf = (kind: LoopKind, changes: Readonly<Record<string, Answer | undefined>> = {}) => {
    const { loop } = surveyed(kind, changes)
    const words = wordsFor({ temperatureUnit: 'C', system: 'metric' })
    return propose({ loop, chain: bare, data: fieldData, words }, surveyOf(kind, changes))
  }
  it.each([
    ['floor', {}, 'on-off'],
    ['boiler', {}, 'reset'],
    ['boiler', { supplySchool: 'fixed', minimumFire: 100, power: 60000, water: 80 }, 'staged'],
    ['pool', {}, 'on-off'],
    ['fan', {}, 'fan'],
    ['fan', { motor: 'onoff' }, 'on-off'],
    ['enclosure', {}, 'on-off'],
    ['room', {}, 'on-off'],
    ['room', { way: 'proportional' }, 'modulating'],
    ['room', { tolerance: 0.1 }, 'modulating'],
    ['cold-room', {}, 'defrost'],
    ['chiller', {}, 'staged'],
    ['chiller', { stages: 1 }, 'on-off'],
    ['cabinet', {}, 'on-off'],
    ['cabinet', { way: 'proportioned' }, 'time-proportioned'],
    ['cabin', {}, 'battery'],
  ] as const)('%s with %j: %s', (kind, changes, control) => expect(proposalOf(kind, changes).control).toBe(control))
  it('as many stages as the survey counted', () => expect(proposalOf('chiller', { stages: 4 }).stages).toBe(4))
  it('says when the power is short', () => {
    const { reason, would } = proposalOf('room', { power: 300 })
    expect(reason[0]).toContain('does not hold the target')
    expect(would[0]).toContain('More power')
  })
  it('one step that switches too often is split, with the numbers', () => {
    const { stages, reason, would } = proposalOf('boiler', {
      supplySchool: 'fixed',
      minimumFire: 100,
      power: 60000,
      water: 80,
    })
    expect(stages).toBe(2)
    expect(reason[1]).toMatch(/One step would start \d+\.\d\san hour.* Still too often: a swing of \d/)
    expect(would.join(' ')).toMatch(/A swing of \d/)
  })
  it.each(loopKinds)('%s: every number in it opens to its sum', (kind) => {
    for (const { value, worked } of proposalOf(kind).figures) {
      if (!worked) continue
      const outcome = runCalculation(findCalculation(worked.calc)!, JSON.parse(JSON.stringify(worked.input)), calcData)
      expect(outcome.ok && outcome.output[worked.output]).toBeCloseTo(value, 6)
    }
  })
  it.each(loopKinds)('%s: hazards are proposed, and none that its answers speak against', (kind) => {
    const proposed = proposedHazards(kind, plausible[kind])
    expect(proposed.length).toBeGreaterThan(1)
    expect(hazardsOf(kind)).toEqual(expect.arrayContaining([...proposed]))
    expect(proposed.map(({ id }) => id)).not.toContain('explosive')
  })
  it('a solvent is proposed as a hazard at once', () =>
    expect(proposedHazards('cabinet', { solvent: 'yes' }).map(({ id }) => id)).toContain('explosive'))
})

describe('ways of finding a figure on site', () => {
  it.each([
    // By hand: 7.5 × 4.
    ['sides-area', { length: 7.5, width: 4 }, 30],
    ['sides-volume', { length: 8, width: 5, height: 1.5 }, 60],
    // 0.05 m³ in 60 s are 3 m³/h; × 10 kWh/m³ × 0.9 = 27 kW.
    ['gas-meter', { gas: 0.05, time: 60, calorific: 36, efficiency: 90 }, 27000],
    // By hand: 240 × 15.8; √3 × 208 × 15; 240² ÷ 14.4; 1 m³ an hour by 10 K; 1.204 × 1006 × 1000 × 10 ÷ 3600.
    ['two-wires', { volts: 240, amps: 15.8 }, 3792],
    ['three-lines', { volts: 208, amps: 15 }, 5404],
    ['ohms', { ohm: 14.4, volts: 240 }, 4000],
    ['water-drop', { flow: 1, drop: 10 }, 11595.76],
    ['air-rise', { flow: 1000, rise: 10, at: 20 }, 3364.84],
    // 230 × (10 + 10 + 5).
    ['volts-amps', { volts: 230, amps1: 10, amps2: 10, amps3: 5 }, 5750],
    // 10 m³ by 1 K in 1 h: 998.2 × 4182 × 10 / 3600 W.
    ['warm-up', { volume: 10, rise: 1, hours: 1 }, 11595.76],
    // 2000 W × 40 % over 25 K.
    ['duty-loss', { power: 2000, duty: 40, inside: 20, around: -5 }, 32],
    // τ = 10 h ÷ ln((20 − 0)/(10 − 0)) = 14.427 h; 100 W/K × 14.427 h.
    ['cool-capacity', { from: 20, to: 10, around: 0, hours: 10, loss: 100 }, 5.193702e6],
    ['cool-loss', { from: 20, to: 10, around: 0, hours: 10, stored: 5.193702e6 }, 100],
    ['air-speed', { speed: 2, area: 0.1 }, 720],
  ] as const)('%s of %j', (id, values, expected) => {
    const result = ways[id]!.run(values)
    expect(result / expected).toBeCloseTo(1, 5)
  })
  it.each([
    ['cool-loss', { from: 20, to: 25, around: 0, hours: 1, stored: 1e6 }],
    ['cool-loss', { from: 20, to: -5, around: 0, hours: 1, stored: 1e6 }],
    ['duty-loss', { power: 100, duty: 50, inside: 20, around: 20 }],
  ] as const)('%s says what makes no sense in %j', (id, values) =>
    expect(() => ways[id]!.run(values)).toThrow(RangeError),
  )
  it('a cool-down and a logged duty give loss and capacity that agree', () => {
    const loss = ways['duty-loss']!.run({ power: 3000, duty: 50, inside: 20, around: 5 })
    const stored = ways['cool-capacity']!.run({ from: 20, to: 12, around: 5, hours: 8, loss })
    expect(ways['cool-loss']!.run({ from: 20, to: 12, around: 5, hours: 8, stored })).toBeCloseTo(loss, 9)
  })
})

describe('ways of finding a figure, as they are told', () => {
  it.each(Object.values(ways).map((way) => [way.id, way] as const))(
    '%s names no metric figure in US units',
    (_, way) => {
      const words = wordsFor({ temperatureUnit: 'F', system: 'us', practice: 'us' })
      const told = [way.title, way.hint, way.formula, way.source, ...way.fields.map(({ title }) => title)]
      expect(told.map((text) => words.tell(text)).filter((text) => METRIC_FIGURE.test(text))).toEqual([])
    },
  )
  it('volts are those of the practice', () => {
    const [volts] = ways['two-wires']!.fields
    expect([typicalIn(volts!, 'europe'), typicalIn(volts!, 'us')]).toEqual([230, 240])
  })
})

import { describe, expect, it } from '@jest/globals'
import { runOutcome } from '../check/runOutcome'
import { checkLoop } from '../check/checkLoop'
import { proposedChain } from '../check/proposedChain'
import { proofTests } from '../commissioning/proofTests'
import { emptyJob, emptyLoop } from '../document/documents'
import type { Answers } from '../kinds/answers'
import { answersOf, isAssumed } from '../kinds/answersOf'
import { factsOfKind, type LoopKind, loopKinds } from '../kinds/kinds'
import { proposedHazards } from '../kinds/proposedHazards'
import { openingQuestions } from '../kinds/openingQuestions'
import { loopScenario } from '../simulate/loop/loopScenario'
import { winterDay } from '../plant/winterDay'
import { simulate } from '../simulate/simulate'
import { withDefaultPlans } from '../survey/defaultPlans'
import { propose } from '../survey/proposal'
import { unansweredSafety } from '../survey/surveyResult'
import { fieldData } from '../testing/fieldData'
import { shelf } from '../testing/loops'
import { basics } from '../testing/warmFloor'
import { assumedList } from './assumedList'
import { loopContext } from './context'

/** What it must hold, and what it switches. */
const three: Readonly<Record<LoopKind, Answers>> = {
  floor: { target: 28, mainsAtHand: '230' },
  boiler: { target: 21, power: 20_000, mainsAtHand: '230' },
  pool: { target: 26, power: 3000, mainsAtHand: '230' },
  fan: { target: 26, mainsAtHand: '230' },
  enclosure: { target: 35, power: 1000, mainsAtHand: '230' },
  room: { target: 20, power: 2000, mainsAtHand: '230' },
  'cold-room': { target: 3, power: 2000, mainsAtHand: '230' },
  chiller: { target: 6, power: 20_000, mainsAtHand: '230' },
  cabinet: { target: 60, power: 1500, mainsAtHand: '230' },
  cabin: { target: 18, power: 2000 },
  thermostat: { target: 21, swing: 1, power: 2000, mainsAtHand: '230' },
}

const begun = (kind: LoopKind, answers: Answers = three[kind]) => {
  const job = emptyJob('j', basics)
  return { job, loop: emptyLoop('l', 'j', kind, 'one', 1, answers) }
}
const contextOf = (kind: LoopKind, answers?: Answers) => {
  const { job, loop } = begun(kind, answers)
  return loopContext(job, loop, fieldData)
}

describe.each(loopKinds)('three answers are enough: %s', (kind) => {
  const context = contextOf(kind)
  let made = 0
  const proposal = propose(context, context.survey!)
  const chain = proposedChain(begun(kind), proposal, { shelf, data: fieldData, makeId: () => `d${++made}` })!
  const edited = withDefaultPlans(chain, fieldData, () => `p${++made}`)
  const whole = loopContext(edited.job, edited.loop, fieldData)

  it('a loop opens with no more than five fields', () => {
    const opening = openingQuestions(kind)
    expect(opening.map(({ id }) => id)).toEqual(expect.arrayContaining(['target', 'mainsAtHand']))
    expect(opening.length).toBeLessThanOrEqual(5)
    expect(
      factsOfKind(kind)
        .questions.filter(({ required }) => required)
        .map(({ id }) => id),
    ).toEqual(['target'])
  })
  it('its survey stands, with a load that its power carries', () => {
    expect(context.missing).toEqual([])
    const { loadW, powerW, fullPowerW = powerW } = context.survey!.seen
    expect(loadW).toBeGreaterThan(0)
    if (three[kind]['power'] !== undefined) {
      expect(loadW).toBeLessThanOrEqual(fullPowerW * 1.1)
      expect(loadW).toBeGreaterThan(fullPowerW * 0.15)
    }
  })
  it('its chain is proposed, planned, wired, run and has its tests, with nothing that stops', () => {
    expect(Object.keys(edited.loop.settings.planned).length).toBeGreaterThan(0)
    const open = checkLoop(whole).open
    expect(open.filter(({ severity }) => severity === 'stop').map(({ code }) => code)).toEqual([])
    expect(open.map(({ code }) => code)).toContain('C140_SAFETY_UNANSWERED')
    expect(whole.rows.length).toBeGreaterThan(4)
    expect(proofTests(whole).length).toBeGreaterThan(2)
    const run = loopScenario(whole, whole.survey!, { hourlyC: winterDay(0), days: 1 })
    const { figures } = runOutcome(whole, run, simulate(run.scenario), 0)
    expect(figures.highestC).toBeGreaterThan(figures.lowestC)
  })
  it('what is assumed is listed with what is taken for it, worst effect first', () => {
    const lines = assumedList(context)
    expect(lines.length).toBeGreaterThan(2)
    for (const { says, effect } of lines) {
      expect(says).not.toBe('')
      expect(effect).not.toBe('')
    }
    const shares = lines.map(({ share }) => share)
    expect(shares).toEqual([...shares].sort((one, other) => other - one))
    // Each is one that nobody answered, and the list is shorter by one when somebody does.
    const [worst] = lines
    const answer = answersOf(context.loop)[worst!.question] ?? context.survey!.figures[worst!.question]!.value
    const after = assumedList(contextOf(kind, { ...three[kind], [worst!.question]: answer }))
    expect(after.map(({ question }) => question)).not.toContain(worst!.question)
  })
  it('no safety question is answered by what is assumed', () => {
    const open = unansweredSafety(context.loop).map(({ id }) => id)
    expect(open).toEqual(expect.arrayContaining(['explosive', 'wet']))
    for (const { id, safety } of factsOfKind(kind).questions)
      if (safety && isAssumed(context.loop, id)) expect(open).toContain(id)
    expect(assumedList(context).map(({ question }) => question)).not.toEqual(expect.arrayContaining(open))
  })
})

describe('assumptions follow what was answered', () => {
  const of = (kind: LoopKind, answers: Answers) => answersOf(begun(kind, answers).loop)
  it.each<[LoopKind, Answers, string, unknown]>([
    ['room', { target: 20, power: 1800 }, 'floorArea', 20],
    ['room', { target: 20, power: 1800, insulation: 'poor' }, 'floorArea', 11],
    ['room', { target: 20, power: 1800, floorArea: 35 }, 'floorArea', 35],
    ['cold-room', { target: -20 }, 'goods', 'frozen'],
    ['cold-room', { target: 4 }, 'goods', 'meat'],
    ['chiller', { target: 4 }, 'liquid', 'pg'],
    ['chiller', { target: 14 }, 'liquid', 'water'],
    ['floor', { target: 21 }, 'probePlace', 'room'],
    ['floor', { target: 29 }, 'probePlace', 'screed'],
    ['pool', { target: 26, power: 3000 }, 'heater', 'electric'],
    ['pool', { target: 26, power: 14_000 }, 'heater', 'called'],
    ['pool', { target: 26 }, 'users', 'people'],
    ['fan', { target: 24 }, 'occupants', 'animals'],
    ['thermostat', { target: 4 }, 'switches', 'compressor'],
    ['thermostat', { target: 40 }, 'switches', 'element'],
    // What is around it is always further off than the target: there is a load to hold.
    ['thermostat', { target: 14 }, 'designOutdoor', 4],
    ['thermostat', { target: 40, switches: 'compressor' }, 'designOutdoor', 50],
  ])('%s with %j: %s', (kind, answers, question, is) => expect(of(kind, answers)[question]).toBe(is))
})

describe('a thermostat alone is known by how fast it rises and falls', () => {
  const seen = (answers: Answers) => contextOf('thermostat', { target: 20, power: 1000, ...answers }).survey!.seen
  it('half of the power holds what falls as fast as it rises', () =>
    expect(seen({ rise: 3, fall: 3, designOutdoor: 0 })).toMatchObject({
      loadW: 500,
      lossWPerK: 25,
      capacityJPerK: 600_000,
    }))
  it('what cools is held the other way round', () => {
    const { action, loadW } = seen({ switches: 'compressor', target: 4, rise: 2, fall: 6, designOutdoor: 24 })
    expect([action, loadW]).toEqual(['cooling', 250])
  })
})

describe('what a thermostat switches brings its hazards', () => {
  it.each([
    ['element', ['hot-surface'], ['fuel', 'refrigerant']],
    ['called', ['fuel'], ['refrigerant']],
    ['compressor', ['refrigerant', 'rotating'], ['fuel']],
  ] as const)('%s', (switches, has, hasNot) => {
    const ids = proposedHazards('thermostat', { target: 20, switches }).map(({ id }) => id)
    expect(ids).toEqual(expect.arrayContaining(['mains', ...has]))
    for (const id of hasNot) expect(ids).not.toContain(id)
  })
})

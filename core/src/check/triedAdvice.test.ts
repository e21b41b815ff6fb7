import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { type LoopKind, loopKinds } from '../kinds/kinds'
import { loopContext } from '../loop/context'
import { plansOf } from '../settings/behaviour'
import { loopScenario } from '../simulate/loop/loopScenario'
import { dayWeather } from '../simulate/loop/runWeather'
import { settingsKept, withLoopSetting } from '../simulate/loop/sweep'
import { simulate } from '../simulate/simulate'
import { chained } from '../testing/chains'
import { plannedFloor } from '../testing/warmFloor'
import { fieldData } from '../testing/fieldData'
import type { Edited } from '../wiring/edited'
import { helps, sayAdvice, saySettings, sayTried, sayWay } from '../words/adviceWords'
import { checkLoop } from './checkLoop'
import { runOutcome } from './runOutcome'
import { triedAdvice } from './triedAdvice'
import { worseFindings } from './worseFindings'

const EACH = Number(process.env['NACHTIGAL_ADVICE'] ?? 2)
const SEED = process.env['NACHTIGAL_SEED']

const weatherOf = ({ loop }: Edited) => dayWeather(loop, 'design')
const advised = (edited: Edited) => triedAdvice(edited, fieldData, weatherOf(edited))

/** What a design day says, and what the rules look at. */
function judged({ job, loop }: Edited) {
  const context = loopContext(job, loop, fieldData)
  const weather = dayWeather(loop, 'design')
  const run = loopScenario(context, context.survey!, weather)
  const { sentences } = runOutcome(context, run, simulate(run.scenario), weather.extremeC)
  return {
    codes: sentences.filter(({ verdict }) => verdict === 'look').map(({ code }) => code),
    open: checkLoop(context).open,
  }
}

/** A sound loop with the middle of its main output moved, and its swing made another. */
function disturbed(kind: LoopKind, shiftK: number, times: number): Edited {
  const { job, loop } = chained(kind)
  const [plan] = plansOf(loop.settings.planned)
  const kept = settingsKept(loopContext(job, loop, fieldData).chain, plan!)
  let next = loop
  if (kept.includes('setpointC')) next = withLoopSetting(next, plan!.id, 'setpointC', plan!.setpointC + shiftK)
  if (plan!.kind === 'on-off' && kept.includes('swingK'))
    next = withLoopSetting(next, plan!.id, 'swingK', Math.max(0.4, Math.round(plan!.swingK * times * 10) / 10))
  return { job, loop: next }
}

describe.each(loopKinds)('advice is tried before it is given: %s', (kind) => {
  it('what is said to hold holds once it is set, leaves no more to look at, and nothing is advised after it', () =>
    fc.assert(
      fc.property(
        fc.double({ min: -2, max: 2, noNaN: true }),
        fc.double({ min: 0.5, max: 2.5, noNaN: true }),
        (shiftK, times) => {
          const edited = disturbed(kind, Math.round(shiftK * 10) / 10, times)
          const before = judged(edited)
          const advice = advised(edited)
          if (!advice?.loop) return
          const after = { job: edited.job, loop: advice.loop! }
          const { codes, open } = judged(after)
          for (const code of ['strays', 'droop', 'starts'])
            expect([advice.facts, codes]).toEqual([advice.facts, expect.not.arrayContaining([code])])
          expect(worseFindings(before.open, open)).toEqual([])
          expect(advised(after)).toBeUndefined()
        },
      ),
      { numRuns: EACH, seed: SEED === undefined ? 24 : Number(SEED) },
    ))
})

describe('what is advised', () => {
  it('never past what a floor may bear: no finding comes of it', () => {
    const { job, loop } = plannedFloor()
    const timber = {
      job,
      loop: { ...loop, survey: { ...loop.survey, answers: { ...loop.survey.answers, zone: 'timber', target: 27 } } },
    }
    const advice = advised(timber)
    const before = judged(timber)
    if (advice?.loop) expect(worseFindings(before.open, judged({ job, loop: advice.loop }).open)).toEqual([])
  })
  const words = loopContext(chained('room').job, chained('room').loop, fieldData).words
  it('a setpoint that lies off is moved, in steps of the display', () => {
    const edited = disturbed('room', -1.5, 1)
    expect(judged(edited).codes).toContain('strays')
    const { facts } = advised(edited)!
    expect(facts.fight).toBeUndefined()
    expect(facts.settings.setpointC! * 10).toBeCloseTo(Math.round(facts.settings.setpointC! * 10), 6)
    expect(saySettings(facts, words)).toMatch(/^set 2\d\.\d\s°C/)
    expect(sayAdvice(facts, words)).toBe('Tried: then it holds.')
  })
  const narrowCabin = () => {
    const { job, loop } = chained('cabin')
    return { job, loop: { ...loop, survey: { ...loop.survey, answers: { ...loop.survey.answers, tolerance: 0.4 } } } }
  }
  it('where wishes fight, what each wants stands with its figure, and no setting is offered', () => {
    const { facts, loop } = advised(narrowCabin())!
    expect(loop).toBeUndefined()
    expect(saySettings(facts, words)).toBeUndefined()
    expect(sayAdvice(facts, words)).toBe('Tried: no swing meets both: none keeps 2 starts an hour or ±0.4\u00a0K.')
    expect(facts.ways.length).toBeGreaterThan(1)
    for (const way of facts.ways) expect(sayWay(way, words)).toMatch(/\d/)
  })
  it('a way out that is said to help helps: with that tolerance and those starts nothing is left to look at', () => {
    const { job, loop } = narrowCabin()
    const way = advised({ job, loop })!.facts.ways.find((each) => each.way === 'starts')!
    expect(helps(way)).toBe(true)
    const answers = { ...loop.survey.answers, tolerance: way.way === 'starts' ? way.toK! : NaN }
    const eased = { job, loop: { ...loop, survey: { ...loop.survey, answers } } }
    const [range] = way.way === 'starts' ? way.ranges : []
    const [plan] = plansOf(loop.settings.planned)
    const set = { job, loop: withLoopSetting(eased.loop, plan!.id, 'swingK', range!.low) }
    expect(judged(set).codes).not.toContain('strays')
  })
  it('what was tried in vain says so', () => {
    const ways = advised(narrowCabin())!.facts.ways
    const vain = ways.filter((way) => !helps(way))
    expect(vain.length).toBeGreaterThan(0)
    for (const way of vain) expect(sayTried(way, words, 'difference')).toBe('tried: none')
  })
})

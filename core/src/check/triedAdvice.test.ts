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
import { sayAdvice, saySettings } from '../words/adviceWords'
import { checkLoop } from './checkLoop'
import { runOutcome } from './runOutcome'
import { triedAdvice } from './triedAdvice'

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
    findings: checkLoop(context).open.filter(({ severity }) => severity !== 'note').length,
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
          if (!advice?.facts.holds) return
          const after = { job: edited.job, loop: advice.loop! }
          const { codes, findings } = judged(after)
          for (const code of ['strays', 'droop', 'starts'])
            expect([advice.facts, codes]).toEqual([advice.facts, expect.not.arrayContaining([code])])
          expect(findings).toBeLessThanOrEqual(before.findings)
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
    if (advice?.loop) expect(judged({ job, loop: advice.loop }).findings).toBeLessThanOrEqual(before.findings)
  })
  const words = loopContext(chained('room').job, chained('room').loop, fieldData).words
  it('a setpoint that lies off is moved, in steps of the display', () => {
    const edited = disturbed('room', -1.5, 1)
    expect(judged(edited).codes).toContain('strays')
    const { facts } = advised(edited)!
    expect(facts.holds).toBe(true)
    expect(facts.settings.setpointC! * 10).toBeCloseTo(Math.round(facts.settings.setpointC! * 10), 6)
    expect(saySettings(facts, words)).toMatch(/^set 2\d\.\d\s°C/)
    expect(sayAdvice(facts, words)).toBe('Tried: then it holds.')
  })
  it('where wishes fight the ways out stand with their figures', () => {
    const { job, loop } = chained('cabin')
    const narrow = {
      job,
      loop: { ...loop, survey: { ...loop.survey, answers: { ...loop.survey.answers, tolerance: 0.4 } } },
    }
    const { facts } = advised(narrow)!
    expect(facts.holds).toBe(false)
    const said = sayAdvice(facts, words)
    expect(said).toMatch(/^Tried: /)
    expect(said).toMatch(/Ways out: .*let it stray by \d\.\d\sK/)
    for (const way of facts.ways)
      if (way.way === 'tolerance') {
        // What is named was seen: with that tolerance nothing strays any more.
        const wider = { ...narrow, loop: { ...(advised(narrow)!.loop ?? narrow.loop) } }
        const answers = { ...wider.loop.survey.answers, tolerance: way.toK }
        expect(judged({ job, loop: { ...wider.loop, survey: { ...wider.loop.survey, answers } } }).codes).not.toContain(
          'strays',
        )
      }
  })
})

import { describe, expect, it } from '@jest/globals'
import { startChain } from '../actions/startChain'
import type { Answer } from '../kinds/answers'
import type { LoopKind } from '../kinds/kinds'
import { loopContext } from '../loop/context'
import { plansOf } from '../settings/behaviour'
import { dayWeather } from '../simulate/loop/runWeather'
import { loopScenario } from '../simulate/loop/loopScenario'
import { simulate } from '../simulate/simulate'
import { withDefaultPlans } from '../survey/defaultPlans'
import { fieldData } from '../testing/fieldData'
import { hand } from '../testing/hand'
import { surveyed } from '../testing/loops'
import type { Edited } from '../wiring/edited'
import { runOutcome } from './runOutcome'
import { tunedPlans } from './tunedPlans'

const begun = (kind: LoopKind, changes: Readonly<Record<string, Answer>> = {}) =>
  startChain.run(surveyed(kind, changes), {}, hand)

/** The same chain with the plans that it would have by defaults alone. */
const untuned = ({ job, loop }: Edited) => {
  const { controllers: _none, ...settings } = loop.settings
  return withDefaultPlans({ job, loop: { ...loop, settings: { ...settings, planned: {} } } }, fieldData, hand.newId)
}

/** The design day of a chain: what the run says, and how far it goes beyond the tolerance, K. */
function designDay({ job, loop }: Edited) {
  const context = loopContext(job, loop, fieldData)
  const weather = dayWeather(loop, 'design')
  const run = loopScenario(context, context.survey!, weather)
  const { sentences, underK = 0, overK = 0 } = runOutcome(context, run, simulate(run.scenario), weather.extremeC)
  const tolerance = Number(loop.survey.answers['tolerance'])
  return { codes: sentences.map(({ code }) => code), beyondK: Math.max(0, underK - tolerance, overK - tolerance) }
}

const firstOf = ({ loop }: Edited) => plansOf(loop.settings.planned)[0]!
const stepOf = ({ job, loop }: Edited) => {
  const { chain } = loopContext(job, loop, fieldData)
  return chain.devices.find(({ id }) => id === firstOf({ job, loop }).output.device)!.facts.controller!.display.stepC
}

describe('tunedPlans', () => {
  it.each<readonly [LoopKind, Readonly<Record<string, Answer>>]>([
    ['pool', { tolerance: 0.3 }],
    ['enclosure', {}],
    ['enclosure', { cooler: 'unit' }],
    ['room', { floorArea: 40 }],
    ['cold-room', {}],
    ['cabinet', { volume: 2 }],
    ['chiller', {}],
  ])('holds a %s with %j on the design day, where the usual plan strays', (kind, changes) => {
    const made = begun(kind, changes)
    expect(designDay(untuned(made)).beyondK).toBeGreaterThan(0.1)
    const { codes, beyondK } = designDay(made)
    expect(beyondK).toBeLessThanOrEqual(0.05)
    expect(codes).not.toContain('strays')
  })
  it.each<LoopKind>(['floor', 'pool', 'enclosure', 'room', 'cold-room', 'cabinet', 'cabin'])(
    'never does worse than the usual plan: %s',
    (kind) => {
      const made = begun(kind)
      expect(designDay(made).beyondK).toBeLessThanOrEqual(designDay(untuned(made)).beyondK + 0.05)
    },
  )
  it('plans what the controller can be keyed to', () => {
    const made = begun('pool')
    const steps = firstOf(made).setpointC / stepOf(made)
    expect(Math.abs(steps - Math.round(steps))).toBeLessThan(1e-6)
  })
  it('leaves the plan alone where the power is what lacks', () => {
    const edited = begun('room', { floorArea: 300, insulation: 'poor', designOutdoor: -25 })
    expect(designDay(edited).codes).toContain('saturated')
    expect(firstOf(edited).setpointC).toBe(firstOf(untuned(edited)).setpointC)
  })
  it('leaves water that follows the weather, and what is not answered, alone', () => {
    const boiler = untuned(begun('boiler'))
    expect(tunedPlans(boiler, fieldData).edited).toBe(boiler)
    const bare = surveyed('pool')
    expect(tunedPlans(bare, fieldData)).toEqual({ edited: bare, beyondK: 0, overStarts: 0, beyondSettings: true })
  })
})

import { describe, expect, it } from '@jest/globals'
import { answerQuestions } from '../actions/answerQuestions'
import { startChain } from '../actions/startChain'
import { checkLoop } from '../check/checkLoop'
import type { LoopKind } from '../kinds/kinds'
import type { Answer } from '../kinds/answers'
import { loopContext } from '../loop/context'
import { needsReturn } from '../device/needsReturn'
import { fieldData } from '../testing/fieldData'
import { hand } from '../testing/hand'
import { device, surveyed } from '../testing/loops'
import type { Edited } from '../wiring/edited'
import { atHand, isLowAtHand, supplyOutOf, voltsAtHand } from './atHand'
import { placing } from './placing'

describe('atHand', () => {
  it.each([
    ['mains-230-10', {}, true],
    ['mains-230-10', { mainsAtHand: '230' }, true],
    ['mains-230-10', { mainsAtHand: '400' }, true],
    ['mains-230-10', { mainsAtHand: '120' }, false],
    ['mains-230-10', { mainsAtHand: 'none' }, false],
    ['mains-120-15', { mainsAtHand: '240' }, true],
    ['mains-240-20', { mainsAtHand: '120' }, false],
    ['safety-24', { mainsAtHand: '230' }, true],
    ['safety-24', { mainsAtHand: '120' }, false],
    ['safety-24', { mainsAtHand: 'none', lowAtHand: '24ac' }, true],
    ['supply-24dc', { mainsAtHand: 'none', lowAtHand: '24ac' }, false],
    ['class2-24', { mainsAtHand: '120' }, true],
    ['battery-12-lead', { mainsAtHand: 'none' }, true],
    ['dipper', { mainsAtHand: 'none' }, true],
  ] as const)('%s with %j: %s', (profile, answers, is) => expect(atHand(answers, device(profile))).toBe(is))
  it('the transformer that is there gives what its nameplate says, and no other does', () => {
    const { loop } = surveyed('pool', { lowAtHand: '24ac', transformerVa: 30 })
    expect(placing(loop, device('safety-24'), fieldData)).toEqual({ nameplate: { ratedVa: 30 } })
    expect(placing(loop, device('supply-24dc'), fieldData)).toEqual({})
    expect(isLowAtHand(loop.survey.answers, device('mains-230-10'))).toBe(false)
  })
})

const context = ({ job, loop }: Edited) => loopContext(job, loop, fieldData)
const begun = (kind: LoopKind, changes: Readonly<Record<string, Answer>>, practice: 'europe' | 'us' = 'europe') => {
  const { job, loop } = surveyed(kind, changes)
  return startChain.run({ job: { ...job, practice }, loop }, {}, hand)
}
const circuits = (edited: Edited) =>
  context(edited).chain.devices.flatMap(({ facts }) => {
    const out = facts.category === 'supply' ? supplyOutOf(facts) : undefined
    return out ? [out.volts] : []
  })

describe('a proposed chain', () => {
  it('is fed from what is at hand', () => {
    expect(circuits(begun('pool', { mainsAtHand: '120', lowAtHand: 'none' }, 'us'))).not.toContain(240)
    expect(circuits(begun('cabinet', { mainsAtHand: '240' }, 'us')).length).toBeGreaterThan(0)
  })
  it('is fed from a circuit that has to be brought where none that is there would do, and says so', () => {
    const edited = begun('cabinet', { mainsAtHand: '120' }, 'us')
    expect(circuits(edited)).toContain(240)
    expect(checkLoop(context(edited)).open.map(({ code }) => code)).toContain('C144_NOT_AT_HAND')
  })
  it('an answer that changes under a chain is a finding that names both', () => {
    const edited = answerQuestions.run(
      begun('cabinet', { mainsAtHand: '230' }),
      { answers: { mainsAtHand: '120' } },
      hand,
    )
    const found = checkLoop(context(edited)).open.find(({ code }) => code === 'C144_NOT_AT_HAND')!
    expect(`${found.head} ${found.reason}`).toMatch(/X1 gives 230\sV.*120 V/)
  })
  it.each([
    ['spaced', 4],
    ['delays', 1],
  ] as const)('stages %s: %s setpoints', (stageSchool, setpoints) => {
    const { loop, job } = begun('chiller', { stageSchool, stages: 4 })
    const sets = Object.values(loop.settings.planned).map(({ setpointC }) => setpointC)
    expect(sets).toHaveLength(4)
    expect(new Set(sets).size).toBe(setpoints)
    const codes = checkLoop(context({ job, loop })).open.map(({ code }) => code)
    expect(codes).not.toContain('C090_STAGE_OUT_OF_ORDER')
  })
})

describe('what the mains at hand can feed', () => {
  const runs = (volts: number) =>
    ({
      ports: {
        power: { kind: 'load', title: 'power', load: { kind: 'resistive', powerW: 100, volts }, does: 'element' },
      },
    }) as unknown as Parameters<typeof voltsAtHand>[1]
  it.each([
    ['240', 208, false],
    ['208', 240, false],
    ['240', 120, true],
    ['480', 277, true],
    ['480', 120, true],
    ['480', 240, false],
    ['120', 240, true],
    ['120', 208, false],
    ['none', 24, true],
    ['none', 230, false],
    [undefined, 230, true],
  ])('%s at hand, %s V: %s', (mainsAtHand, volts, can) =>
    expect(voltsAtHand(mainsAtHand === undefined ? {} : { mainsAtHand }, runs(volts))).toBe(can),
  )
})

describe('a proposal where no neutral or common is', () => {
  const control = (answers: Parameters<typeof begun>[1], practice?: Parameters<typeof begun>[2]) => {
    const edited = begun('room', answers, practice)
    return {
      facts: context(edited).chain.devices.find(({ facts }) => facts.controller)!.facts,
      codes: checkLoop(context(edited)).open.map(({ code }) => code),
    }
  }
  it.each(['europe', 'us'] as const)('takes a control that runs without, in %s', (practice) => {
    const mainsAtHand = practice === 'us' ? '240' : '230'
    const without = control({ mainsAtHand, returnWire: 'none' }, practice)
    expect(needsReturn(without.facts)).toBe(false)
    expect(without.codes).not.toContain('C158_NO_RETURN_WIRE')
  })
  it('in the United States a thermostat on R and C is proposed where C is there', () =>
    expect(needsReturn(control({ mainsAtHand: '240', returnWire: 'there' }, 'us').facts)).toBe(true))
})

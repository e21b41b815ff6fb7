import { describe, expect, it } from '@jest/globals'
import { answerQuestions } from '../actions/answerQuestions'
import { chooseDevice } from '../actions/chooseDevice'
import { removeDeviceFromChain } from '../actions/removeDeviceFromChain'
import { startChain } from '../actions/startChain'
import { writeDevice } from '../actions/writeDevice'
import { dutyOf } from '../device/duty'
import type { Answer } from '../kinds/answers'
import type { LoopKind } from '../kinds/kinds'
import { loopContext } from '../loop/context'
import { contactLoad } from '../wiring/contactLoad'
import type { Edited } from '../wiring/edited'
import { checkLoop } from '../check/checkLoop'
import { fieldData } from '../testing/fieldData'
import { hand } from '../testing/hand'
import { surveyed } from '../testing/loops'

const context = ({ job, loop }: Edited) => loopContext(job, loop, fieldData)
const begun = (kind: LoopKind, changes: Readonly<Record<string, Answer>>) =>
  startChain.run(surveyed(kind, changes), {}, hand)
const loads = (edited: Edited) => context(edited).chain.devices.filter(({ facts }) => dutyOf(facts, EFFECTS) > 0)
const EFFECTS = ['element', 'fuel', 'cooling'] as const
const duties = (edited: Edited) => loads(edited).map(({ facts }) => Math.round(dutyOf(facts, EFFECTS)))
const answer = (edited: Edited, power: number | undefined) =>
  answerQuestions.run(edited, power === undefined ? { answers: {}, none: ['power'] } : { answers: { power } }, hand)
const power = (edited: Edited) => context(edited).survey!.figures['power']!
const codes = (edited: Edited) => checkLoop(context(edited)).open.map(({ code }) => code)

describe('the power of the survey', () => {
  it.each([
    ['cabinet', 6000],
    ['room', 4000],
    ['boiler', 40_000],
    ['chiller', 12_000],
    ['cold-room', 2500],
    ['pool', 60_000],
    ['cabin', 4500],
  ] as const)('%s: the proposal\u2019s loads give what was answered, and nothing says otherwise', (kind, powerW) => {
    const edited = begun(kind, { power: powerW })
    expect(duties(edited).reduce((a, b) => a + b, 0)).toBeCloseTo(powerW, -1)
    expect(power(edited)).toMatchObject({ source: 'nameplate' })
    expect(power(edited).value).toBeCloseTo(powerW, 6)
    expect(codes(edited)).not.toContain('C143_POWERS_DIFFER')
  })
  it('contact and wire go by it: 6000 W at 230 V are 26 A', () => {
    const [load] = loads(begun('cabinet', { power: 6000, stages: 1 }))
    const port = Object.values(load!.facts.ports).find(({ kind }) => kind === 'load')!
    expect(port.kind === 'load' ? contactLoad([], port.load).loadA : 0).toBeCloseTo(26.09, 2)
  })
  it('follows the answer as long as nobody read another on a plate', () => {
    const edited = answer(begun('cabinet', { power: 3000 }), 4500)
    expect(duties(edited)).toEqual([4500])
    expect(codes(edited)).not.toContain('C143_POWERS_DIFFER')
  })
  it('goes from the plates with the answer', () => {
    const edited = answer(begun('cabinet', { power: 3000 }), undefined)
    expect(loads(edited).map(({ nameplate }) => nameplate?.powerW)).toEqual([undefined])
    expect(power(edited).source).toBe('chain')
  })
  it('is shared again when a load comes or goes', () => {
    const one = begun('cabinet', { power: 6000 })
    const two = chooseDevice.run(one, { profile: 'oven-element-4000' }, hand)
    expect(duties(two).reduce((a, b) => a + b, 0)).toBe(6000)
    expect(duties(two)).toHaveLength(2)
    const [, added] = loads(two)
    expect(duties(removeDeviceFromChain.run(two, { device: added!.id }, hand))).toEqual([6000])
  })
  it('a plate that was read counts before the answer; the difference is a finding, and its remedy settles it', () => {
    const edited = begun('cabinet', { power: 6000 })
    const read = writeDevice.run(edited, { device: loads(edited)[0]!.id, nameplate: { powerW: 4000 } }, hand)
    expect(power(read)).toMatchObject({ value: 4000, source: 'nameplate' })
    const found = checkLoop(context(read)).open.find(({ code }) => code === 'C143_POWERS_DIFFER')!
    expect(`${found.head} ${found.reason}`).toMatch(/6000\sW.*4000\sW.*4000\sW counts/)
    expect(found.fix).toMatchObject({ do: 'answer', question: 'power', value: 4000 })
    // An answer after that leaves what was read.
    expect(duties(answer(read, 5000))).toEqual([4000])
  })
  it('what was measured counts before a plate', () => {
    const { job, loop } = begun('cabinet', { power: 6000 })
    const ways = { power: { way: 'volts-amps', values: { volts: 230, amps1: 20 } } }
    const survey = { ...loop.survey, answers: { ...loop.survey.answers, power: 4600 }, ways }
    const measured = { job, loop: { ...loop, survey } }
    expect(power(measured)).toMatchObject({ value: 4600, source: 'measured' })
    const found = checkLoop(context(measured)).open.find(({ code }) => code === 'C143_POWERS_DIFFER')!
    expect(found.fix).toMatchObject({ do: 'plates' })
    expect(found.reason).toContain('as it was measured')
  })
})

import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { findingKey } from '../check/finding'
import { worseFindings } from '../check/worseFindings'
import { loopKinds } from '../kinds/kinds'
import { chained } from '../testing/chains'
import { hand } from '../testing/hand'
import { randomSurvey } from '../testing/randomSurvey'
import { ruleCases } from '../testing/ruleCases'
import { demoLoops } from '../testing/safetyPage'
import type { Edited } from '../wiring/edited'
import { carryOutRemedy } from './carryOutRemedy'
import { chooseDevice } from './chooseDevice'
import { startChain } from './startChain'
import { openIn, triedRemedy } from './triedRemedy'

const EACH = Number(process.env['NACHTIGAL_REMEDIES'] ?? 2)
const SEED = process.env['NACHTIGAL_SEED']

/** What tells two states of a loop apart: everything but ids, which are new ones each time. */
const stateOf = (edited: Edited) =>
  openIn(edited, hand)
    .map((found) => `${findingKey(found)} ${JSON.stringify(found.figures)}`)
    .sort()
    .join('\n')

/** Carries out whatever helps, the first that is offered each time, until nothing is. */
function follow(begun: Edited) {
  let edited = begun
  const most = openIn(begun, hand).length + 2
  const seen = [stateOf(begun)]
  for (;;) {
    const open = openIn(edited, hand)
    const next = open.find((found) => triedRemedy(edited, found, hand))
    if (!next) return { edited, steps: seen.length - 1, most, seen }
    const before = open
    edited = carryOutRemedy.run(edited, { finding: findingKey(next) }, hand)
    const after = openIn(edited, hand)
    expect(after.map(findingKey)).not.toContain(findingKey(next))
    expect([next.code, worseFindings(before, after, next.severity).map(({ code }) => code)]).toEqual([next.code, []])
    seen.push(stateOf(edited))
    expect(seen.length - 1).toBeLessThanOrEqual(most)
  }
}

/** Ends, in no more steps than there were findings plus two, and meets no state twice. */
function ends(begun: Edited) {
  const { seen, steps, most } = follow(begun)
  expect(steps).toBeLessThanOrEqual(most)
  expect(new Set(seen).size).toBe(seen.length)
}

describe('carrying out remedies ends', () => {
  it.each(Object.entries(ruleCases).map(([code, [trips]]) => [code, trips] as const))(
    'from what trips %s',
    (_, trips) => ends(trips()),
  )
  it.each(
    ['otterholm', 'otterholm-found'].flatMap((file) =>
      demoLoops(file).map((edited) => [file, edited.loop.name, edited] as const),
    ),
  )('from %s, %s', (_, __, edited) => ends(edited))
  it.each(loopKinds)('from what is proposed after a random survey: %s', (kind) =>
    fc.assert(
      fc.property(randomSurvey(kind), (surveyed) => ends(startChain.run(surveyed, {}, hand))),
      { numRuns: EACH, seed: SEED === undefined ? 24 : Number(SEED) },
    ),
  )
  it.each(loopKinds)('from a chain that somebody put together by hand: %s', (kind) =>
    fc.assert(
      fc.property(
        randomSurvey(kind),
        fc.array(fc.nat(hand.shelf!.length - 1), { minLength: 1, maxLength: 5 }),
        (surveyed, picks) => {
          let edited = surveyed
          for (const at of picks) {
            try {
              edited = chooseDevice.run(edited, { profile: hand.shelf![at]!.id }, hand)
            } catch {
              // What cannot be joined is no chain.
            }
          }
          ends(edited)
        },
      ),
      { numRuns: EACH, seed: SEED === undefined ? 24 : Number(SEED) },
    ),
  )
})

describe('a remedy is tried before it is offered', () => {
  const found = () => demoLoops('otterholm-found').find(({ loop }) => loop.name === 'Plaster cabinet')!
  it('the limiter that is put in is one that stays open until a hand resets it', () => {
    const edited = found()
    const missing = openIn(edited, hand).find(({ code }) => code === 'C013_NO_LIMITER')!
    const made = triedRemedy(edited, missing, hand)!
    expect(made.say).toMatch(/^Put .* between$/)
    const codes = openIn(made.edited, hand).map(({ code }) => code)
    expect(codes).not.toContain('C013_NO_LIMITER')
    expect(codes).not.toContain('C133_LIMITER_RESETS_ITSELF')
  })
  it('what has no remedy, or none that helps, is refused by name', () => {
    const sound = chained('floor')
    expect(() => carryOutRemedy.run(sound, { finding: 'C013_NO_LIMITER/x' }, hand)).toThrow(/nothing that is open here/)
    const edited = found()
    const without = openIn(edited, hand).find(({ fix }) => fix === undefined)!
    expect(() => carryOutRemedy.run(edited, { finding: findingKey(without) }, hand)).toThrow(/no remedy/)
    expect(triedRemedy(edited, without, hand)).toBeUndefined()
  })
  it('with nothing on the shelf nothing is offered', () => {
    const edited = found()
    const missing = openIn(edited, hand).find(({ code }) => code === 'C013_NO_LIMITER')!
    expect(triedRemedy(edited, missing, { ...hand, shelf: [] })).toBeUndefined()
  })
})

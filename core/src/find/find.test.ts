import { describe, expect, it } from '@jest/globals'
import { actions } from '../actions/registry'
import { loopContext } from '../loop/context'
import { chained } from '../testing/chains'
import { fieldData } from '../testing/fieldData'
import { practices } from '../units/practice'
import { termIn, terms, type Term } from '../words/terms'
import { actionEntries, actionPlaces } from './actionPlaces'
import { loopEntries } from './loopEntries'
import { otherWord } from './otherWords'

describe('otherWord', () => {
  it.each([
    ['ground', 'europe', 'earth'],
    ['Hysteresis', 'us', 'differential'],
    ['hyst', 'europe', 'swing'],
    ['interlock', 'europe', 'permissive'],
    ['jumper', 'europe', 'by-pass'],
    ['sensor', 'us', 'probe'],
    ['rcd', 'us', 'Class A ground-fault protection'],
  ] as const)('%s is in %s %s', (typed, practice, here) => {
    expect(otherWord(typed, practice)?.here).toBe(here)
  })
  it.each([
    ['swing', 'europe'],
    ['differential', 'us'],
    ['earth', 'uk'],
    ['zzz', 'uk'],
    [' ', 'us'],
    ['ea', 'us'],
  ] as const)('%s needs no other word in %s', (typed, practice) => {
    expect(otherWord(typed, practice)).toBeUndefined()
  })
  it('knows every term of one practice in every other', () => {
    for (const practice of practices)
      for (const term of Object.keys(terms) as Term[])
        for (const other of practices) {
          const word = termIn(other, term)
          const own = practices.some((p) => p === practice && Object.values(terms).some((each) => each[p] === word))
          if (!own) expect([word, practice, otherWord(word, practice)]).not.toEqual([word, practice, undefined])
        }
  })
})

describe('loopEntries', () => {
  const { job, loop } = chained('floor')
  const entries = loopEntries(loopContext(job, loop, fieldData))
  it('has an entry for every wire, device, setting and test, each with an id of its own', () => {
    const { rows, chain } = loopContext(job, loop, fieldData)
    const of = (kind: string) => entries.filter((each) => each.kind === kind)
    expect(of('wire')).toHaveLength(rows.length)
    expect(of('device')).toHaveLength(chain.devices.length)
    expect(of('test').length).toBeGreaterThan(5)
    expect(of('setting').length).toBeGreaterThan(12)
    expect(new Set(entries.map(({ id }) => id)).size).toBe(entries.length)
  })
  it('finds a wire by its number and its terminals', () => {
    const [row] = loopContext(job, loop, fieldData).rows
    const wire = entries.find(({ kind }) => kind === 'wire')!
    expect(wire.what).toBe(`Wire ${row!.number} ${row!.from.tag} ${row!.from.label} to ${row!.to.tag} ${row!.to.label}`)
    expect(wire.at).toEqual(['wire', row!.id])
  })
  it('is the very same for the same documents', () => {
    expect(loopEntries(loopContext(job, loop, fieldData))).toBe(entries)
  })
})

describe('actionPlaces', () => {
  it('knows where each action is done, and no other', () => {
    expect(Object.keys(actionPlaces).sort()).toEqual(actions.map(({ id }) => id))
  })
  it('puts what is done on the open page first', () => {
    expect(actionEntries('l', 'Loop', 'wire')[0]!.at[0]).toBe('wire')
  })
})

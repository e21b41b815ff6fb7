import { describe, expect, it } from '@jest/globals'
import { chained } from '../testing/chains'
import { applyCommand } from './applyChange'
import { resolveChain } from './chain'
import type { JobDocument, LoopDocument } from './documents'
import { migration } from './migrate'

const at = '2026-03-01T10:00:00Z'
const renamed = (text: string, pairs: readonly (readonly [string, string])[]) =>
  pairs.reduce((now, [from, to]) => now.replaceAll(from, to), text)

/** A cabinet and its outlet limiter, as a job of version 2 kept them under the names of then. */
function old() {
  const { job, loop } = chained('cabinet', {}, ['mains-230-20', 'wheatear', 'oven-element-2000', 'whinchat'])
  const then = <T>(value: T): T =>
    JSON.parse(
      renamed(JSON.stringify(value), [
        ['wheatear', 'merlin'],
        ['Wheatear', 'Merlin'],
        ['whinchat', 'wheatear'],
        ['Whinchat', 'Wheatear'],
      ]),
    ) as T
  return { now: { job, loop }, job: { ...then(job), version: 2 }, loop: { ...then(loop), version: 3 } }
}

function forward<J extends { readonly id: string }, L extends { readonly id: string }>(job: J, loop: L) {
  const documents = { [job.id]: job, [loop.id]: loop }
  const applied = applyCommand(documents, { change: migration(documents, at) })
  if (!applied.ok) throw new Error('it clashes')
  return { job: applied.documents[job.id] as JobDocument, loop: applied.documents[loop.id] as LoopDocument }
}

describe('devices of the shelf that were named anew', () => {
  it('copies, and what refers to them, come forward, though one takes the name that the other had', () => {
    const { now, job, loop } = old()
    expect(Object.keys(job.profiles)).toEqual(expect.arrayContaining(['merlin', 'wheatear']))
    const after = forward(job, loop)
    expect(after.job).toEqual(now.job)
    expect(after.loop).toEqual(now.loop)
    expect(resolveChain(after.job, after.loop.chain).devices.map(({ name }) => name)).toEqual(
      expect.arrayContaining(['Wheatear', 'Whinchat']),
    )
  })
  it('a name that a fitter gave stays, and so does a version that was used', () => {
    const { job, loop } = old()
    const id = Object.keys(loop.chain.devices).find((each) => loop.chain.devices[each]!.profile === 'merlin')!
    const { merlin, ...others } = job.profiles
    const after = forward(
      { ...job, profiles: { ...others, 'merlin.v2': { ...merlin!, version: 2 } } },
      {
        ...loop,
        chain: {
          ...loop.chain,
          devices: {
            ...loop.chain.devices,
            [id]: { ...loop.chain.devices[id]!, profile: 'merlin.v2', name: 'Merlin of the west room' },
          },
        },
      },
    )
    expect(after.loop.chain.devices[id]).toMatchObject({ profile: 'wheatear.v2', name: 'Merlin of the west room' })
    expect(after.job.profiles['wheatear.v2']).toMatchObject({ id: 'wheatear', name: 'Wheatear', version: 2 })
  })
  it('what was found on site refers to the copy of now, in the words that it was written in', () => {
    const { job, loop } = old()
    const found = { what: 'Merlin', profile: 'merlin' }
    const after = forward(job, { ...loop, survey: { ...loop.survey, found } })
    expect(after.loop.survey.found).toEqual({ what: 'Merlin', profile: 'wheatear' })
  })
  it('what is of the present version is not touched', () => {
    const { now } = old()
    expect(migration({ [now.job.id]: now.job, [now.loop.id]: now.loop }, at)).toEqual([])
  })
})

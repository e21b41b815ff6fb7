import { describe, expect, it } from '@jest/globals'
import { emptyLoop, type LoopDocument } from '@nachtigal/core/document/documents'
import { answersOf } from '@nachtigal/core/kinds/answersOf'
import { loopKinds } from '@nachtigal/core/kinds/kinds'
import { proposedHazards } from '@nachtigal/core/kinds/proposedHazards'
import { surveyParts } from './surveyParts'

const loop = (kind: (typeof loopKinds)[number], survey: Partial<LoopDocument['survey']> = {}): LoopDocument => {
  const bare = emptyLoop('l', 'j', kind, 'Loop', 1)
  return { ...bare, survey: { ...bare.survey, ...survey } }
}
const part = (of: LoopDocument, id: string, missing = 0) => surveyParts(of, missing).find((each) => each.id === id)!

describe('surveyParts', () => {
  it.each(loopKinds)(
    '%s: questions first, then what was found, what could hurt, the proposal; addresses differ',
    (kind) => {
      const ids = surveyParts(loop(kind), 3).map(({ id }) => id)
      expect(ids.slice(-3)).toEqual(['found', 'hurt', 'proposal'])
      expect(ids.length).toBeGreaterThan(5)
      expect(new Set(ids).size).toBe(ids.length)
      expect(ids.every((id) => /^[a-z]+(-[a-z]+)*$/.test(id))).toBe(true)
    },
  )
  it('counts what must still be answered, and what was', () => {
    const hold = 'what-it-must-hold'
    expect(part(loop('pool'), hold)).toMatchObject({ says: expect.stringContaining('to answer') })
    const before = part(loop('pool'), hold).open
    expect(part(loop('pool', { answers: { target: 26 } }), hold).open).toBe(before - 1)
    // What is assumed is not waited for.
    expect(part(loop('pool'), 'the-place')).toMatchObject({ open: 0, says: '0 of 6 answered' })
  })
  it('wants the finding written down, or that there was none', () => {
    expect(part(loop('fan'), 'found').open).toBe(1)
    expect(part(loop('fan', { complaint: 'Too loud' }), 'found')).toMatchObject({ open: 1, says: 'complaint only' })
    expect(part(loop('fan', { found: { state: 'none' } }), 'found').open).toBe(0)
    const values = { a: { order: 1, name: 'Dial', text: '23' } }
    expect(part(loop('fan', { found: { state: 'there', values } }), 'found').says).toBe('1 value')
  })
  it('wants every proposed hazard ticked', () => {
    const proposed = proposedHazards('cabin', answersOf(loop('cabin')))
    expect(part(loop('cabin'), 'hurt').open).toBe(proposed.length)
    const hazards = Object.fromEntries(proposed.map(({ id }) => [id, true as const]))
    expect(part(loop('cabin', { hazards }), 'hurt').open).toBe(0)
  })
  it('has the proposal wait for what is missing', () => {
    expect(part(loop('room'), 'proposal', 2)).toMatchObject({ open: 2, says: 'waits for answers' })
    expect(part(loop('room'), 'proposal', 0)).toMatchObject({ open: 0, says: 'ready' })
  })
})

import { describe, expect, it } from '@jest/globals'
import type { Command } from '@nachtigal/core/document/command'
import {
  commandDropped,
  commandMade,
  commandParked,
  commandSaved,
  commandsRestored,
  documentsReducer,
  jobRead,
  nextToSend,
  rowsRead,
  selectJob,
  wentOffline,
} from './documentsSlice'

const job = { id: 'j', type: 'job', name: 'Old', place: '' } as never
const start = documentsReducer(undefined, jobRead({ job, loops: {}, revision: 3 }))
const command = (id: string, path: string[], from: unknown, to: unknown): Command => ({
  id,
  jobId: 'j',
  baseRevision: 3,
  at: '',
  by: 'me',
  change: [{ document: 'j', path, from, to }],
})
const shown = (documents: typeof start) => selectJob({ documents }, 'j')?.job as unknown as Record<string, unknown>
const rename = command('a', ['name'], 'Old', 'New')

describe('documents', () => {
  it('show a change at once and keep it when the server has it', () => {
    const made = documentsReducer(start, commandMade(rename))
    expect(shown(made)['name']).toBe('New')
    expect(made.jobs['j']!.documents['j']).toMatchObject({ name: 'Old' })
    const saved = documentsReducer(made, commandSaved({ command: rename, revision: 4, at: 'now' }))
    expect(saved).toMatchObject({ pending: [], savedAt: 'now', jobs: { j: { revision: 4 } } })
    expect(shown(saved)['name']).toBe('New')
  })
  it('show what stands on the server while a command is parked, and let the rest go on', () => {
    const queue = [rename, command('b', ['name'], 'New', 'Newer'), command('c', ['place'], '', 'Here')]
    let state = queue.reduce((next, c) => documentsReducer(next, commandMade(c)), start)
    expect(nextToSend(state)?.id).toBe('a')
    state = documentsReducer(state, commandParked({ id: 'a', message: 'clash', clashes: [] }))
    expect(shown(state)).toMatchObject({ name: 'Old', place: 'Here' })
    expect(nextToSend(state)?.id).toBe('c')
    state = documentsReducer(state, commandDropped('a'))
    expect(nextToSend(state)?.id).toBe('b')
    expect(state.parked).toEqual({})
  })
  it('know that a row of somebody else is still to be read, where the own one came in after it', () => {
    const made = documentsReducer(start, commandMade(rename))
    const saved = documentsReducer(made, commandSaved({ command: rename, revision: 5, at: 'now' }))
    expect(shown(saved)['name']).toBe('New')
    expect(saved.jobs['j']!.revision).toBe(3)
    const theirs = command('t', ['place'], '', 'There')
    const told = documentsReducer(made, rowsRead({ jobId: 'j', after: 3, revision: 5, commands: [theirs, rename] }))
    expect([told.jobs['j']!.revision, shown(told)['place']]).toEqual([5, 'There'])
  })
  it('take commands kept on the device back in, each once and in order', () => {
    const state = documentsReducer(
      documentsReducer(start, commandMade(rename)),
      commandsRestored([command('z', ['place'], '', 'x'), rename]),
    )
    expect(state.pending.map(({ id }) => id)).toEqual(['z', 'a'])
  })
  it('remember that the server is away until it answers', () => {
    const away = documentsReducer(start, wentOffline(null))
    expect(away.online).toBe(false)
    expect(documentsReducer(away, commandSaved({ command: rename, revision: 4, at: '' })).online).toBe(true)
  })
})

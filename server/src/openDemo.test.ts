import path from 'node:path'
import { fileURLToPath } from 'node:url'
import { describe, expect, it } from '@jest/globals'
import { demoNamed, openDemo } from './openDemo'
import { AppError } from './appError'

const folder = fileURLToPath(new URL('../../demo', import.meta.url))

/** A store that takes in files by their name, and knows those that it has. */
function storeOf(known: readonly string[] = []) {
  const taken: string[] = []
  const importFile = (stream: { path: string | Buffer; destroy(): void }) => {
    stream.destroy()
    const name = path.basename(String(stream.path))
    taken.push(name)
    return known.includes(name)
      ? Promise.reject(new AppError('JOB_EXISTS', 'it is here', { jobId: `kept ${name}` }))
      : Promise.resolve({ jobId: name })
  }
  return { taken, store: { importFile } as never }
}

describe('the demo jobs', () => {
  it('are opened with the one to begin with last', async () => {
    const { taken, store } = storeOf()
    expect(await openDemo(store, folder)).toEqual({ jobId: 'otterholm.nachtigal.json' })
    expect(taken).toEqual([
      'otterholm-outpost.nachtigal.json',
      'juniper-hollow.nachtigal.json',
      'otterholm-found.nachtigal.json',
      'otterholm.nachtigal.json',
    ])
  })
  it('may be those of one place alone; what is here already is not opened again', async () => {
    const { taken, store } = storeOf(['otterholm.nachtigal.json'])
    expect(await openDemo(store, folder, 'otterholm')).toEqual({ jobId: 'kept otterholm.nachtigal.json' })
    expect(taken).toHaveLength(2)
  })
  it.each([
    ['otterholm', 'otterholm'],
    ['all', 'all'],
    ['nonsense', 'all'],
    [undefined, 'all'],
  ])('%s names %s', (word, demo) => expect(demoNamed(word)).toBe(demo))
})

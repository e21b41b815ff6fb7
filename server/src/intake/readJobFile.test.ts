import { describe, expect, it } from '@jest/globals'
import { DOCUMENT_BOUNDS, MOST_WIDE } from '@nachtigal/contract/bounds'
import type { JobIntake } from './jobIntake'
import { readJobFile } from './readJobFile'

/** Takes whatever comes and writes down its place. */
function taker() {
  const places: string[] = []
  const intake = {
    take: (place: readonly (string | number)[]) => {
      places.push(place.join('.'))
      return Promise.resolve()
    },
  } as unknown as JobIntake
  return { places, intake }
}
async function* inPieces(text: string, bytes = 50_000) {
  const all = Buffer.from(text)
  for (let at = 0; at < all.length; at += bytes) yield await Promise.resolve(all.subarray(at, at + bytes))
}
const keys = (count: number) => Object.fromEntries(Array.from({ length: count }, (_, i) => [`k${i}`, i]))
const file = (more: object) => JSON.stringify({ format: 'nachtigal-job', ...more })

describe('a job file on its way in', () => {
  it('is handed on part by part', async () => {
    const { places, intake } = taker()
    await readJobFile(inPieces(file({ job: { id: 'a' }, loops: { l: {} }, log: [{}, {}], photos: { p: {} } })), intake)
    const parts = ['format', 'job', 'loops.l', 'loops', 'log.0', 'log.1', 'log', 'photos.p', 'photos']
    expect(places).toEqual(parts)
  })
  it('holds an object as wide as is allowed', async () => {
    const { places, intake } = taker()
    await readJobFile(inPieces(file({ job: keys(MOST_WIDE) })), intake)
    expect(places).toContain('job')
  })
  it.each([
    ['a job', (wide: object) => ({ job: wide })],
    ['a loop', (wide: object) => ({ loops: { l: { deep: [wide] } } })],
    ['a row', (wide: object) => ({ log: [{ command: { change: [{ to: wide }] } }] })],
  ])('is refused where %s holds an object that is too wide, before it is built', async (_what, made) => {
    const { places, intake } = taker()
    const refused = readJobFile(inPieces(file(made(keys(MOST_WIDE + 1)))), intake)
    await expect(refused).rejects.toMatchObject({ code: 'FILE_REFUSED', message: /more than 30000 keys/ })
    expect(places).toEqual(['format'])
  })
  it('is refused where a part holds too many values, however they lie', async () => {
    const { places, intake } = taker()
    const many = Array.from({ length: DOCUMENT_BOUNDS.keys / 100 + 1 }, () => new Array<number>(200).fill(1))
    await expect(readJobFile(inPieces(file({ job: { many } })), intake)).rejects.toMatchObject({
      code: 'FILE_REFUSED',
      message: /more than 400000 values/,
    })
    expect(places).toEqual(['format'])
  })
  it('counts anew for each part', async () => {
    const { places, intake } = taker()
    const row = { a: new Array<number>(1000).fill(1) }
    await readJobFile(inPieces(file({ log: new Array<object>(1000).fill(row) })), intake)
    expect(places).toHaveLength(1002)
  })
})

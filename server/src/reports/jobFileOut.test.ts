import { Writable } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import { describe, expect, it } from '@jest/globals'
import { jobFileOut } from './jobFileOut'

async function* json() {
  yield '{"a":'
  yield '1}'
}
const photos = Array.from({ length: 501 }, (_, i) => `hash-${i}`)

/** One who takes what comes no faster than he can. */
const slow = () => {
  const taken: Buffer[] = []
  const sink = new Writable({
    highWaterMark: 1,
    write(chunk: Buffer, _encoding, done) {
      taken.push(chunk)
      setImmediate(done)
    },
  })
  return { sink, bytes: () => Buffer.concat(taken) }
}

describe('a job with many photos', () => {
  it('goes out to its end, to one who takes it slowly', async () => {
    const { sink, bytes } = slow()
    const photo = () => Promise.resolve(new Uint8Array(2000))
    await pipeline(jobFileOut({ name: 'Job', json: json(), photos, photo }), sink)
    // The list of what it holds stands at the end: 501 photos and the job itself.
    const end = bytes().subarray(-22)
    expect([end.readUInt32LE(0), end.readUInt16LE(10)]).toEqual([0x06054b50, 502])
  })
  it('breaks off where a photo cannot be read, and takes nothing along', async () => {
    const photo = (hash: string) =>
      hash === 'hash-7' ? Promise.reject(new Error('away')) : Promise.resolve(new Uint8Array(2000))
    const going = pipeline(jobFileOut({ name: 'Job', json: json(), photos, photo }), slow().sink)
    await expect(going).rejects.toThrow('away')
  })
})

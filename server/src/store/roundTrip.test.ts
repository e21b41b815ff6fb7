import { createHash, randomBytes } from 'node:crypto'
import { createReadStream, createWriteStream, mkdtempSync, rmSync, statSync } from 'node:fs'
import type { AddressInfo } from 'node:net'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { Readable } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import { crc32 } from 'node:zlib'
import { describe, expect, it } from '@jest/globals'
import { longJob } from '../load/longJob'
import { testServer } from '../testing'

const PHOTOS = 501
const PHOTO_BYTES = 280_000
/** More than 100,000 take minutes: a long hunt asks for them. */
const ROWS = Number(process.env['NACHTIGAL_ROUND_ROWS'] ?? 3000)

const dot = Buffer.from(
  'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
  'base64',
)
const LAST_CHUNK = 12

/** A whole picture that is like no other, made large by what stands in a chunk of text. */
function photo(): Buffer {
  const inner = Buffer.concat([Buffer.from('tEXtnote\0'), Buffer.from(randomBytes(PHOTO_BYTES / 2).toString('hex'))])
  const length = Buffer.alloc(4)
  length.writeUInt32BE(inner.length - 4)
  const check = Buffer.alloc(4)
  check.writeUInt32BE(crc32(inner))
  return Buffer.concat([dot.subarray(0, -LAST_CHUNK), length, inner, check, dot.subarray(-LAST_CHUNK)])
}

describe('a job goes out and is taken in again, however much it holds', () => {
  it(`${PHOTOS} photos, over 128 MB, ${ROWS} rows: to the letter, on another bench`, async () => {
    const [from, to] = await Promise.all([testServer(), testServer()])
    const folder = mkdtempSync(path.join(tmpdir(), 'nachtigal-round-'))
    const listening = from.app.listen(0, '127.0.0.1')
    try {
      const { jobId } = await from.store.importFile(
        Readable.from(longJob('Round', ROWS)).map((text) => Buffer.from(text as string)),
      )
      const hashes: string[] = []
      for (let n = 0; n < PHOTOS; n++) {
        const body = photo()
        const hash = createHash('sha256').update(body).digest('hex')
        await from.store.putPhoto(jobId, hash, body)
        hashes.push(hash)
      }
      const { port } = listening.address() as AddressInfo
      const file = path.join(folder, 'job.zip')
      const answer = await fetch(`http://127.0.0.1:${port}/api/jobs/${jobId}/file`)
      await pipeline(Readable.fromWeb(answer.body as never), createWriteStream(file))
      expect(statSync(file).size).toBeGreaterThan(128 * 1024 * 1024)
      await to.store.importFile(createReadStream(file))
      expect(await to.store.read(jobId)).toEqual(await from.store.read(jobId))
      for (const hash of hashes) {
        const [before, after] = [await from.store.photo(jobId, hash), await to.store.photo(jobId, hash)]
        expect(Buffer.compare(Buffer.from(before.body), Buffer.from(after.body))).toBe(0)
      }
      const verdict = await to.store.verify(jobId, 0)
      expect([verdict.brokenAt, verdict.rows]).toEqual([undefined, ROWS])
    } finally {
      listening.closeAllConnections()
      listening.close()
      rmSync(folder, { recursive: true, force: true })
      await Promise.all([from.close(), to.close()])
    }
  }, 600_000)
})

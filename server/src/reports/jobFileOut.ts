import type { EventEmitter } from 'node:events'
import { type PassThrough, Readable } from 'node:stream'
import { ZipFile } from 'yazl'
import { JOB_IN_ZIP, PHOTOS_IN_ZIP } from '@nachtigal/contract/jobFileSchema'
import type { JobExport } from '../store/exportJob'

/** Time that the files in a zip carry: the same job gives the same file. */
const NO_TIME = new Date(Date.UTC(2000, 0, 1))

/** A job file as it goes out: JSON, or a zip with the photos where there are any. Each photo is fetched when its turn comes. */
export function jobFileOut({ json, photos, photo }: JobExport): Readable {
  if (photos.length === 0) return Readable.from(json)
  const zip = new ZipFile()
  zip.addReadStreamLazy(JOB_IN_ZIP, { mtime: NO_TIME }, (open) => open(null, Readable.from(json)))
  for (const hash of photos)
    zip.addReadStreamLazy(`${PHOTOS_IN_ZIP}${hash}`, { mtime: NO_TIME, compress: false }, (open) => {
      photo(hash).then(
        (body) => open(null, Readable.from([Buffer.from(body)])),
        (error: unknown) => open(error, Readable.from([])),
      )
    })
  zip.end()
  // What it writes to is a stream of today's kind, which its types do not say.
  const out = zip.outputStream as PassThrough
  // A photo that cannot be read ends the file where it stands: whoever fetches it sees that it is not whole.
  ;(zip as unknown as EventEmitter).on('error', (error: Error) => out.destroy(error))
  return out
}

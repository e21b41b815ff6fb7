import { createHash } from 'node:crypto'
import { applyCommand, type Documents } from '@nachtigal/core/document/applyChange'
import { canonicalJson } from '@nachtigal/core/document/canonicalJson'
import { type Change, type Command, firstHash, type LogRow } from '@nachtigal/core/document/command'
import { emptyJob, emptyLoop } from '@nachtigal/core/document/documents'
import { rowHash } from '../store/rowHash'

/** An id that is the same each time for the same words. */
const idOf = (words: string): string => {
  const hex = createHash('sha256').update(words).digest('hex')
  return `${hex.slice(0, 8)}-${hex.slice(8, 12)}-4${hex.slice(13, 16)}-8${hex.slice(17, 20)}-${hex.slice(20, 32)}`
}

const LOOPS = 10
const WORDS = ['pump', 'valve', 'probe', 'relay', 'limiter', 'manifold', 'screed', 'burner', 'damper', 'sensor']

/** A job with a log of so many rows, as a job file in pieces: what years of work leave. Made up, and the same each time. */
export async function* longJob(name: string, rows: number): AsyncGenerator<string> {
  const jobId = idOf(`job ${name}`)
  const log: string[] = []
  const loopIds = Array.from({ length: LOOPS }, (_, i) => idOf(`loop ${name} ${i}`))
  let state: Documents = {}
  let last: LogRow | undefined
  for (let n = 1; n <= rows; n++) {
    const at = new Date(Date.UTC(2020, 0, 1) + n * 60_000).toISOString()
    const command: Command = {
      id: idOf(`command ${name} ${n}`),
      jobId,
      ...(n > 1 ? { loopId: loopIds[n % LOOPS]! } : {}),
      baseRevision: n - 1,
      at,
      by: n % 3 === 0 ? 'Ilse Farn' : 'Ann Oakes',
      change: [changeOf(n, name, jobId, loopIds, state, at)],
    }
    const applied = applyCommand(state, command)
    if (!applied.ok) throw new Error(`row ${n} does not follow`)
    state = applied.documents
    const row = { sequence: n, receivedAt: at, command, previousHash: last?.hash ?? firstHash }
    last = { ...row, hash: rowHash(row) }
    log.push(JSON.stringify(last))
  }
  const { [jobId]: job, ...loops } = state
  yield `{"format":"nachtigal-job","version":2,"job":${canonicalJson(job)},"loops":${canonicalJson(loops)},"log":[`
  for (let i = 0; i < log.length; i += 500) yield `${i > 0 ? ',' : ''}${log.slice(i, i + 500).join(',')}`
  yield ']}'
}

function changeOf(
  n: number,
  name: string,
  jobId: string,
  loopIds: readonly string[],
  state: Documents,
  at: string,
): Change {
  if (n === 1) {
    const basics = { name, place: 'Otterholm', zone: 'Europe/Oslo', temperatureUnit: 'C', system: 'metric' } as const
    return { document: jobId, path: [], from: null, to: emptyJob(jobId, basics) }
  }
  const document = loopIds[n % loopIds.length]!
  if (state[document] === undefined)
    return { document, path: [], from: null, to: emptyLoop(document, jobId, 'floor', `Floor ${n % loopIds.length}`, n) }
  // A few of each, changed again and again: a loop does not grow with its log.
  const key = `note-${Math.floor(n / loopIds.length) % 40}`
  const notes = (state[document] as { readonly notes?: Readonly<Record<string, unknown>> }).notes ?? {}
  const text = `${WORDS[n % 7]} ${WORDS[n % 10]} looked at, round ${n}`
  return { document, path: ['notes', key], from: notes[key] ?? null, to: { order: n, text, at, by: 'Ann Oakes' } }
}

import { randomUUID } from 'node:crypto'
import { setTimeout as pause } from 'node:timers/promises'
import { afterAll, describe, expect, it } from '@jest/globals'
import type { JobFile, LogPage, LogVerdict } from '@nachtigal/contract/api'
import { Chance } from '@nachtigal/core/testing/spoilt'
import { longJob } from '../load/longJob'
import { command, newJob } from '../testing'
import { Folders, sendTo, ServerProcess } from './serverProcess'

const ROUNDS = Number(process.env['NACHTIGAL_KILL_ROUNDS'] ?? 12)
const SEED = Number(process.env['NACHTIGAL_KILL_SEED'] ?? 18)
const WRITERS = 3
const IMPORTED_ROWS = 300
/** Of the time that an import takes here: it is killed within it, and some time after. */
const UNTIL = 1.5
/** In every such round it is killed only when the import has answered, however slow the machine is just then. */
const ANSWERED_EACH = 6

const folders = new Folders()
let server: ServerProcess | undefined
afterAll(async () => {
  await server?.end('SIGKILL')
  folders.clear()
})

interface Writer {
  readonly jobId: string
  /** What stands in the job's name, as far as it was answered. */
  name: string
  /** Sent, but never answered: it may have been taken or not. */
  open: ReturnType<typeof command> | undefined
  readonly answered: Map<string, number>
}

const read = async <T>(url: string, path: string): Promise<T> => (await (await fetch(`${url}${path}`)).json()) as T

const take = (url: string, file: string) =>
  fetch(`${url}/api/import`, { method: 'POST', headers: { 'content-type': 'application/json' }, body: file }).then(
    (answer) => answer.status,
    () => undefined,
  )

/** A job as a file: one that is not here yet. */
async function anotherFile() {
  let file = ''
  for await (const piece of longJob(randomUUID(), IMPORTED_ROWS)) file += piece
  return file
}

/** Types until the server is gone, each change on what stands there. */
async function type(url: string, writer: Writer) {
  for (let n = 0; ; n++) {
    const to = `${n}-${randomUUID()}`
    const next =
      writer.open ?? command(writer.jobId, [{ document: writer.jobId, path: ['name'], from: writer.name, to }])
    writer.open = next
    const sent = await sendTo(url, next).catch(() => undefined)
    if (!sent) return
    // What was not answered is sent again with its id, and answered as it was taken.
    expect(sent).toMatchObject({ status: 200 })
    writer.answered.set(next.id, sent.body.sequence!)
    writer.name = String(next.change[0]!.to)
    writer.open = undefined
  }
}

describe('killed in the middle of typing and importing', () => {
  it(
    `${ROUNDS} times from seed ${SEED}, loses nothing that was answered and leaves no half an import`,
    async () => {
      const chance = new Chance(SEED)
      const folder = await folders.data()
      server = ServerProcess.start({ folder })
      let url = await server.url()
      const writers: Writer[] = []
      for (let n = 0; n < WRITERS; n++) {
        const { jobId, create } = newJob()
        const { body } = await sendTo(url, create)
        writers.push({ jobId, name: 'Job', open: undefined, answered: new Map([[create.id, body.sequence!]]) })
      }
      const begun = performance.now()
      expect(await take(url, await anotherFile())).toBe(201)
      const importMs = Math.ceil(performance.now() - begun)
      let file = await anotherFile()
      let imported = 0
      for (let round = 0; round < ROUNDS; round++) {
        const typing = writers.map((writer) => type(url, writer))
        const importing = take(url, file)
        if (round % ANSWERED_EACH === 0) await importing
        else await pause(chance.below(UNTIL * importMs))
        await server.end('SIGKILL')
        await Promise.all(typing)
        const answer = await importing
        server = ServerProcess.start({ folder })
        url = await server.url()

        const jobs = await read<{ id: string; revision: number }[]>(url, '/api/jobs')
        const { job, log } = JSON.parse(file) as JobFile
        const there = jobs.find(({ id }) => id === job.id)
        if (answer === 201) expect(there?.revision).toBe(log.length)
        // Whole or not at all, also where the answer was lost on the way.
        else expect([undefined, log.length]).toContain(there?.revision)
        if (there) {
          imported++
          file = await anotherFile()
        }
        for (const { jobId } of writers) {
          const verdict = await read<LogVerdict>(url, `/api/jobs/${jobId}/log/verify?from=0`)
          expect(verdict.brokenAt).toBeUndefined()
        }
      }
      for (const { jobId, answered } of writers) {
        const kept = new Map<string, number>()
        for (let before: number | undefined; ;) {
          const { rows } = await read<LogPage>(
            url,
            `/api/jobs/${jobId}/log?limit=500${before === undefined ? '' : `&before=${before}`}`,
          )
          for (const row of rows) kept.set(row.command.id, row.sequence)
          before = rows.at(-1)?.sequence
          if (rows.length === 0 || before === 1) break
        }
        const lost = [...answered].filter(([id, sequence]) => kept.get(id) !== sequence)
        expect(lost).toEqual([])
      }
      // It was killed in the middle of something, not before and not after all of it.
      const typed = writers.reduce((sum, { answered }) => sum + answered.size, 0)
      if (process.env['NACHTIGAL_KILL_SAY']) console.log({ typed, imported })
      expect(typed).toBeGreaterThan(ROUNDS)
      expect(imported).toBeGreaterThan(0)
      expect(imported).toBeLessThan(ROUNDS)
    },
    60_000 + ROUNDS * 20_000,
  )
})

import { readFileSync } from 'node:fs'
import { gunzipSync } from 'node:zlib'
import { describe, expect, it } from '@jest/globals'
import request from 'supertest'
import type { JobFile, JobState, LogPage } from '@nachtigal/contract/api'
import { switchingOf } from '@nachtigal/core/settings/behaviour'
import type { LogRow } from '@nachtigal/core/document/command'
import { LOOP_VERSION } from '@nachtigal/core/document/fields/loopFields'
import { documents, jobs, logRows } from '../db/schema'
import { testServer } from '../testing'
import { rowHash } from './rowHash'

/** What version 2 held of an on/off plan. */
interface PlanTwo {
  readonly kind: string
  readonly setpointC: number
  readonly swingK: number
  readonly onC: number
  readonly offC: number
}

const versionTwo = () =>
  JSON.parse(
    gunzipSync(readFileSync(new URL('./fixtures/jobFileVersion2.json.gz', import.meta.url))).toString('utf8'),
  ) as JobFile
const plansOf = ({ loops }: Pick<JobFile, 'loops'>) =>
  Object.entries(loops).flatMap(([loop, { settings }]) =>
    Object.entries(settings.planned).map(([id, plan]) => ({ loop, id, plan })),
  )

/** More rows on a file: each renames the job. */
function longer(file: JobFile, more: number): JobFile {
  const log = [...file.log]
  let name = file.job.name
  for (let i = 0; i < more; i++) {
    const last = log.at(-1)!
    const sequence = last.sequence + 1
    const to = `${file.job.name} ${i}`
    const row: Omit<LogRow, 'hash'> = {
      sequence,
      receivedAt: last.receivedAt,
      command: {
        id: `00000000-0000-4000-8000-${String(i).padStart(12, '0')}`,
        jobId: file.job.id,
        baseRevision: sequence - 1,
        at: last.receivedAt,
        by: 'Ilse Farn',
        change: [{ document: file.job.id, path: ['name'], from: name, to }],
      },
      previousHash: last.hash,
    }
    name = to
    log.push({ ...row, hash: rowHash(row) })
  }
  return { ...file, job: { ...file.job, name }, log }
}

/** A plan of a file of version 2, changed together with the row that wrote it last. */
function contradicting(file: JobFile): { readonly file: JobFile; readonly loop: string; readonly id: string } {
  const { loop, id, plan } = plansOf(file).find(({ plan: { kind } }) => kind === 'on-off')!
  const to = { ...plan, swingK: 5 }
  const last = file.log.at(-1)!
  const row: Omit<LogRow, 'hash'> = {
    sequence: last.sequence + 1,
    receivedAt: last.receivedAt,
    command: {
      id: '00000000-0000-4000-9000-000000000000',
      jobId: file.job.id,
      loopId: loop,
      baseRevision: last.sequence,
      at: last.receivedAt,
      by: 'Ilse Farn',
      change: [{ document: loop, path: ['settings', 'planned', id], from: plan, to }],
    },
    previousHash: last.hash,
  }
  const held = file.loops[loop]!
  const settings = { ...held.settings, planned: { ...held.settings.planned, [id]: to as typeof plan } }
  return {
    loop,
    id,
    file: {
      ...file,
      loops: { ...file.loops, [loop]: { ...held, settings } },
      log: [...file.log, { ...row, hash: rowHash(row) }],
    },
  }
}

async function opened(file: JobFile) {
  const own = await testServer()
  await request(own.app).post('/api/import').send(file).expect(201)
  const { body } = await request(own.app).get(`/api/jobs/${file.job.id}`).expect(200)
  return { own, state: body as JobState }
}

describe('a job of version 2', () => {
  it('opens with every plan switching where it did, and its log goes on', async () => {
    const old = versionTwo()
    const { own, state } = await opened(old)
    try {
      expect(Object.values(state.loops).map(({ version }) => version)).toEqual(
        Object.keys(old.loops).map(() => LOOP_VERSION),
      )
      let counted = 0
      for (const { loop, id, plan } of plansOf(old)) {
        const now = state.loops[loop]!.settings.planned[id]!
        if (now.kind !== 'on-off') {
          expect(now).toEqual(plan)
          continue
        }
        const { onC, offC } = plan as unknown as PlanTwo
        expect(now).not.toHaveProperty('onC')
        expect(switchingOf(now).onC).toBeCloseTo(onC, 9)
        expect(switchingOf(now).offC).toBeCloseTo(offC, 9)
        counted++
      }
      expect(counted).toBeGreaterThan(10)
      const { body } = await request(own.app).get(`/api/jobs/${old.job.id}/log/verify`).expect(200)
      expect(body).toEqual({ rows: old.log.length + 1, checked: old.log.length + 1 })
    } finally {
      await own.close()
    }
  })
  it('whose points and swing disagree keeps the points, and the log says so', async () => {
    const { file, loop, id } = contradicting(versionTwo())
    const { onC, offC, swingK, setpointC } = file.loops[loop]!.settings.planned[id] as unknown as PlanTwo
    expect(Math.abs(onC - offC)).not.toBeCloseTo(swingK, 3)
    const { own, state } = await opened(file)
    try {
      const now = state.loops[loop]!.settings.planned[id]!
      expect(now).toMatchObject({ setpointC })
      if (now.kind !== 'on-off') throw new Error('it switches')
      expect(switchingOf(now)).toMatchObject({ onC, offC, swingK: Math.abs(onC - offC) })
      const { rows } = (await request(own.app).get(`/api/jobs/${file.job.id}/log`).expect(200)).body as LogPage
      const brought = rows[0]!.command
      expect(brought).toMatchObject({ by: 'Nachtigal', why: expect.stringContaining('points were kept') })
      expect(brought.change.find(({ path }) => path.includes(id))).toMatchObject({ from: { swingK: 5, onC, offC } })
    } finally {
      await own.close()
    }
  })
  it('with 10,000 rows opens from a file and from a database', async () => {
    const long = longer(versionTwo(), 10_000)
    const { own, state } = await opened(long)
    const other = await testServer()
    try {
      expect(state.revision).toBe(long.log.length + 1)
      const last = long.log.at(-1)!
      await other.db.insert(jobs).values({ id: long.job.id, revision: last.sequence, changedAt: last.receivedAt })
      await other.db.insert(documents).values(
        Object.entries({ [long.job.id]: long.job, ...long.loops }).map(([id, body]) => ({
          id,
          jobId: long.job.id,
          kind: body.type,
          body,
        })),
      )
      for (let i = 0; i < long.log.length; i += 500)
        await other.db
          .insert(logRows)
          .values(long.log.slice(i, i + 500).map((row) => ({ jobId: long.job.id, commandId: row.command.id, ...row })))
      expect(await other.store.migrate(true)).toBe(1)
      expect(await other.store.migrate(true)).toBe(0)
      const { body } = await request(other.app).get(`/api/jobs/${long.job.id}`).expect(200)
      expect((body as JobState).loops).toEqual(state.loops)
    } finally {
      await own.close()
      await other.close()
    }
  })
})

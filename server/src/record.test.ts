import { createHash, randomUUID } from 'node:crypto'
import { readFileSync } from 'node:fs'
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals'
import request from 'supertest'
import type { JobFile, JobState, LogPage } from '@nachtigal/contract/api'
import { JOB_FILE_VERSION } from '@nachtigal/contract/jobFileSchema'
import { loopContext } from '@nachtigal/core/loop/context'
import { signingBlockedBy } from '@nachtigal/core/progress/stepStatus'
import { applyCommand } from '@nachtigal/core/document/applyChange'
import type { Change } from '@nachtigal/core/document/command'
import type { LoopDocument } from '@nachtigal/core/document/documents'
import { handoverTicks } from '@nachtigal/core/document/handover'
import { LOOP_VERSION } from '@nachtigal/core/document/fields/loopFields'
import { migration } from '@nachtigal/core/document/migrate'
import { keyingSheet } from '@nachtigal/core/commissioning/keyingSheet'
import { proveAndSwitchOn } from '../../demo/story'
import { provedReadings } from '../../core/src/testing/soundReadings'
import { command, demoFile, testServer } from './testing'
import { jobs, documents, logRows } from './db/schema'

const versionOne = () =>
  JSON.parse(readFileSync(new URL('./store/fixtures/jobFileVersion1.json', import.meta.url), 'utf8')) as JobFile

let server: Awaited<ReturnType<typeof testServer>>
let file: JobFile
beforeAll(async () => {
  server = await testServer()
  file = demoFile()
  await request(server.app).post('/api/import').send(file).expect(201)
})
afterAll(() => server.close())

const jobId = () => file.job.id
const loopNamed = (name: string) => Object.values(file.loops).find((loop) => loop.name === name)!
const post = (change: Change[], more: object = {}) =>
  request(server.app)
    .post(`/api/jobs/${jobId()}/commands`)
    .send({ ...command(jobId(), change), ...more })
const log = async (query: string) =>
  (await request(server.app).get(`/api/jobs/${jobId()}/log?${query}`).expect(200)).body as LogPage

describe('the log', () => {
  it('is looked through by loop, kind and words, over more than one page', async () => {
    const floor = loopNamed('Hatchling floor')
    const tests = await log(`loop=${floor.id}&kind=tests`)
    expect(tests.rows.length).toBeGreaterThan(5)
    expect(tests.rows.every(({ command: { loopId } }) => loopId === floor.id)).toBe(true)
    const words = await log('words=rise%20again')
    expect(words.rows).toEqual([])
    const rise = await log('words=Rise+fall')
    expect(rise.rows.length).toBeGreaterThan(1)
    const older = await log(`loop=${floor.id}&before=${tests.rows.at(-1)!.sequence}`)
    expect(older.rows.every(({ sequence }) => sequence < tests.rows.at(-1)!.sequence)).toBe(true)
    expect((await log('words=zebra')).rows).toEqual([])
    // What makes no sense in the address does not count, and nothing falls over.
    expect((await log('kind=rocket&before=-3&words=%25')).total).toBe(file.log.length)
  })
  it('holds its chain, and says where it was changed', async () => {
    expect((await request(server.app).get(`/api/jobs/${jobId()}/log/verify`).expect(200)).body).toEqual({
      rows: file.log.length,
      checked: file.log.length,
    })
    const other = await testServer()
    try {
      await request(other.app).post('/api/import').send(file).expect(201)
      const { eq, and } = await import('drizzle-orm')
      await other.db
        .update(logRows)
        .set({ receivedAt: '2020-01-01T00:00:00Z' })
        .where(and(eq(logRows.jobId, jobId()), eq(logRows.sequence, 40)))
      expect((await request(other.app).get(`/api/jobs/${jobId()}/log/verify?from=0`)).body).toMatchObject({
        brokenAt: 40,
      })
    } finally {
      await other.close()
    }
  })
  it('gives the job as it was after any of its rows', async () => {
    for (const sequence of [1, 25, 120, file.log.length]) {
      const { body } = await request(server.app).get(`/api/jobs/${jobId()}/at/${sequence}`).expect(200)
      const state = body as JobState
      const replayed = file.log.slice(0, sequence).reduce((documentsSoFar, { command: each }) => {
        const next = applyCommand(documentsSoFar, each)
        return next.ok ? next.documents : documentsSoFar
      }, {})
      expect({ [jobId()]: state.job, ...state.loops }).toEqual(replayed)
    }
    await request(server.app).get(`/api/jobs/${jobId()}/at/0`).expect(404)
    await request(server.app).get(`/api/jobs/${jobId()}/at/x`).expect(404)
  })
  it('goes out as CSV that no table program runs, and as JSON', async () => {
    const floor = loopNamed('Hatchling floor')
    await post([
      {
        document: floor.id,
        path: ['notes', 'n1'],
        from: null,
        to: { order: 1, text: '=cmd|calc', at: '2026-03-01T10:00:00Z', by: 'Ann' },
      },
    ]).expect(200)
    const csv = (await request(server.app).get(`/api/jobs/${jobId()}/log.csv`).expect(200)).text
    expect(csv).toContain("'=cmd|calc")
    expect(csv.split('\r\n')[0]).toContain('no.,when,received,who,loop,did,what,before,after')
    const rows = (await request(server.app).get(`/api/jobs/${jobId()}/log.json`).expect(200)).body as unknown[]
    expect(rows).toHaveLength(file.log.length + 1)
  })
})

describe('a job that was taken back', () => {
  it('still has its log, looked through, verified and written out', async () => {
    const own = await testServer()
    try {
      await request(own.app).post('/api/import').send(versionOne()).expect(201)
      const old = versionOne()
      const { job } = (await request(own.app).get(`/api/jobs/${old.job.id}`)).body as JobState
      const gone = command(old.job.id, [{ document: old.job.id, path: [], from: job, to: null }])
      await request(own.app).post(`/api/jobs/${old.job.id}/commands`).send(gone).expect(200)
      const page = (await request(own.app).get(`/api/jobs/${old.job.id}/log?words=floor`).expect(200)).body as LogPage
      expect(page.rows.length).toBeGreaterThan(0)
      expect((await request(own.app).get(`/api/jobs/${old.job.id}/log.csv`).expect(200)).text).toContain('no.,when')
      expect((await request(own.app).get(`/api/jobs/${old.job.id}/log/verify`)).body).not.toHaveProperty('brokenAt')
    } finally {
      await own.close()
    }
  })
})

/** A body as its bytes, whatever it says it is. */
const bytes = (response: request.Response, done: (error: Error | null, body: Buffer) => void) => {
  const parts: Buffer[] = []
  const stream = response as unknown as NodeJS.ReadableStream
  stream.on('data', (part: Buffer) => parts.push(part))
  stream.on('end', () => done(null, Buffer.concat(parts)))
}

describe('photos', () => {
  const png = Buffer.from(
    'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
    'base64',
  )
  const hash = createHash('sha256').update(png).digest('hex')
  const put = (body: Buffer, under = hash) =>
    request(server.app).put(`/api/jobs/${jobId()}/photos/${under}`).type('application/octet-stream').send(body)
  it('are kept by the hash of their bytes, and travel in the job file', async () => {
    await put(png).expect(204)
    await put(png).expect(204)
    const got = await request(server.app).get(`/api/jobs/${jobId()}/photos/${hash}`).expect(200)
    expect(got.headers['content-type']).toBe('image/png')
    expect(got.headers['x-content-type-options']).toBe('nosniff')
    expect(Buffer.compare(got.body as Buffer, png)).toBe(0)
    const out = await request(server.app).get(`/api/jobs/${jobId()}/file`).buffer().parse(bytes).expect(200)
    expect(out.headers['content-type']).toBe('application/zip')
    expect(out.headers['content-disposition']).toContain('.nachtigal.zip')
    const other = await testServer()
    try {
      await request(other.app)
        .post('/api/import')
        .type('application/zip')
        .send(out.body as Buffer)
        .expect(201)
      const there = await request(other.app).get(`/api/jobs/${jobId()}/photos/${hash}`).expect(200)
      expect(Buffer.compare(there.body as Buffer, png)).toBe(0)
      const log = (app: typeof other.app) => request(app).get(`/api/jobs/${jobId()}/log.json`)
      expect((await log(other.app)).body).toEqual((await log(server.app)).body)
      const again = await request(other.app).get(`/api/jobs/${jobId()}/file`).buffer().parse(bytes)
      expect(Buffer.compare(again.body as Buffer, out.body as Buffer)).toBe(0)
    } finally {
      await other.close()
    }
  })
  it('inside the JSON, as files of a while ago hold them, are taken too', async () => {
    const own = await testServer()
    try {
      const photos = { [hash]: { type: 'image/png', base64: png.toString('base64') } }
      await request(own.app)
        .post('/api/import')
        .send({ ...file, photos })
        .expect(201)
      await request(own.app).get(`/api/jobs/${jobId()}/photos/${hash}`).expect(200)
    } finally {
      await own.close()
    }
  })
  it.each([
    ['text', Buffer.from('<script>alert(1)</script>'), 'PHOTO_REFUSED'],
    ['nothing', Buffer.alloc(0), 'PHOTO_REFUSED'],
    ['other bytes under its hash', Buffer.concat([png, Buffer.from('x')]), 'PHOTO_REFUSED'],
    ['half of a picture', png.subarray(0, png.length - 20), 'PHOTO_REFUSED'],
  ])('refuse %s', async (_, body, code) => {
    expect((await put(body).expect(422)).body.error.code).toBe(code)
  })
  it('refuse what is too large, and answer 404 for none', async () => {
    await put(Buffer.concat([png, Buffer.alloc(3_100_000)])).expect(413)
    await request(server.app)
      .get(`/api/jobs/${jobId()}/photos/${'0'.repeat(64)}`)
      .expect(404)
  })
})

describe('older and newer files', () => {
  it('one of version 1 is brought to the present: its questions become readings, its log goes on', async () => {
    const own = await testServer()
    try {
      const old = versionOne()
      await request(own.app).post('/api/import').send(old).expect(201)
      const { loops, revision } = (await request(own.app).get(`/api/jobs/${old.job.id}`)).body as JobState
      const [loop] = Object.values(loops)
      expect(loop!.version).toBe(LOOP_VERSION)
      expect(loop!.proof).not.toHaveProperty('answers')
      const read = Object.values(loop!.proof.readings).map(({ test, step, text }) => [test.split('/')[0], step, text])
      expect(read).toEqual(
        expect.arrayContaining([
          ['before', 'commanded', 'yes'],
          ['before', 'answered', 'no'],
        ]),
      )
      expect(revision).toBe(old.log.length + 1)
      expect((await request(own.app).get(`/api/jobs/${old.job.id}/log/verify`)).body).toEqual({
        rows: old.log.length + 1,
        checked: old.log.length + 1,
      })
      const again = (await request(own.app).get(`/api/jobs/${old.job.id}/file`)).body as JobFile
      expect(again.version).toBe(JOB_FILE_VERSION)
      const third = await testServer()
      try {
        await request(third.app).post('/api/import').send(again).expect(201)
      } finally {
        await third.close()
      }
    } finally {
      await own.close()
    }
  })
  it('a database of version 1 is brought to the present when the server starts, once', async () => {
    const own = await testServer()
    try {
      const old = versionOne()
      const last = old.log.at(-1)!
      await own.db.insert(jobs).values({ id: old.job.id, revision: last.sequence, changedAt: last.receivedAt })
      await own.db.insert(documents).values(
        Object.entries({ [old.job.id]: old.job, ...old.loops }).map(([id, body]) => ({
          id,
          jobId: old.job.id,
          kind: body.type,
          body,
        })),
      )
      await own.db
        .insert(logRows)
        .values(old.log.map((row) => ({ jobId: old.job.id, commandId: row.command.id, ...row })))
      expect(await own.store.migrate(true)).toBe(1)
      expect(await own.store.migrate(true)).toBe(0)
      const { loops } = (await request(own.app).get(`/api/jobs/${old.job.id}`)).body as JobState
      expect(Object.values(loops)[0]!.version).toBe(LOOP_VERSION)
    } finally {
      await own.close()
    }
  })
  it('a newer one is refused with what to do', async () => {
    const { error } = (
      await request(server.app)
        .post('/api/import')
        .send({ ...file, version: JOB_FILE_VERSION + 1 })
        .expect(422)
    ).body
    expect(error.message).toMatch(/written by a newer Nachtigal; this one reads up to 3\. Update this bench/)
    expect(error.field ?? error.facts?.field).toBe('version')
  })
  it('an old one that was edited by hand is refused like any other', async () => {
    const old = structuredClone(versionOne())
    ;(old.log[3]!.command as { by: string }).by = 'Somebody else'
    expect((await request(server.app).post('/api/import').send(old).expect(422)).body.error.code).toBe(
      'FILE_CHAIN_BROKEN',
    )
  })
  it('migrates nothing that is new', () =>
    expect(migration({ a: file.job, ...file.loops }, '2026-01-01T00:00:00Z')).toEqual([]))
})

describe('handed over', () => {
  const at = '2026-03-01T10:00:00Z'
  it('locks the loop; opened again, what is changed stands on the sheet as since hand-over', async () => {
    const { job, loops } = (await request(server.app).get(`/api/jobs/${jobId()}`)).body as JobState
    const floor = Object.values(loops).find(({ name }) => name === 'Hatchling floor')!
    const data = server.shelf.data
    const context = loopContext(job, floor, data, job, Object.values(loops))
    const signed = { by: 'Ann', at, instrument: 'Ermine ER-0412' }
    const refused = await post([{ document: floor.id, path: ['handover', 'signed'], from: null, to: signed }]).expect(
      422,
    )
    expect(refused.body.error.message).toContain('Prove is not done: 2 of 8 tests.')
    expect(refused.body.error.message).toContain('Not ticked: spare fuses are in the panel.')
    const readings = Object.entries(provedReadings(context, 1000))
    for (let i = 0; i < readings.length; i += 40)
      await post(
        readings.slice(i, i + 40).map(([, reading]) => ({
          document: floor.id,
          path: ['proof', 'readings', randomUUID()],
          from: null,
          to: reading,
        })),
      ).expect(200)
    for (const [id, tick] of Object.entries(ticks))
      await post([{ document: floor.id, path: ['handover', 'ticks', id], from: null, to: tick }]).expect(200)
    await post([{ document: floor.id, path: ['handover', 'signed'], from: null, to: signed }], {
      loopId: floor.id,
    }).expect(200)

    const [plan, planned] = Object.entries(floor.settings.planned)[0]!
    const warmer: Change = {
      document: floor.id,
      path: ['settings', 'planned', plan],
      from: planned,
      to: { ...planned, offsetK: 0.5 },
    }
    const locked = await post([warmer]).expect(423)
    expect(locked.body.error).toMatchObject({ code: 'LOOP_LOCKED' })
    expect(locked.body.error.message).toContain('Open it again under Hand over')
    await post([
      {
        document: floor.id,
        path: [],
        from: (await request(server.app).get(`/api/jobs/${jobId()}`)).body.loops[floor.id],
        to: null,
      },
    ]).expect(423)
    // Notes may come later.
    await post([
      {
        document: floor.id,
        path: ['notes', 'later'],
        from: null,
        to: { order: 9, text: 'Filter cleaned', at, by: 'Ann' },
      },
    ]).expect(200)
    await post(
      [{ document: floor.id, path: ['handover', 'reopened'], from: null, to: { by: 'Ann', at, why: 'Cooler' } }],
      { loopId: floor.id },
    ).expect(200)
    await post([warmer]).expect(200)
    const sheet = await request(server.app).get(`/api/jobs/${jobId()}/loops/${floor.id}/as-left.pdf`).expect(200)
    const { PDFParse } = await import('pdf-parse')
    const parser = new PDFParse({ data: sheet.body as Buffer })
    const text = (await parser.getText()).text.replace(/\s+/g, ' ')
    await parser.destroy()
    expect(text).toContain('Since hand-over')
    expect(text).toContain('Plan: offset 0.0 K to offset 0.5 K')
  })
  it.each(['panel-card', 'owners-page', 'tests'])(
    '%s is made for every loop',
    async (sheet) => {
      for (const loop of Object.values(file.loops)) {
        const { headers } = await request(server.app)
          .get(`/api/jobs/${jobId()}/loops/${loop.id}/${sheet}.pdf`)
          .expect(200)
        expect(headers['content-type']).toContain('application/pdf')
      }
    },
    120_000,
  )
})

describe('every loop of the demo job', () => {
  const contextOf = (loop: LoopDocument) =>
    loopContext(file.job, loop, server.shelf.data, file.job, Object.values(file.loops))
  const read = (text: string, unit: string, value?: number) => ({
    ...{ text, unit, state: 'value' as const, at: '2026-03-01T10:00:00Z', by: 'Ann' },
    ...(value === undefined ? {} : { value }),
  })
  /** The loop wired, switched on, keyed, proved and ticked, as sound work leaves it. */
  function workedThrough(given: LoopDocument): LoopDocument {
    let loop = given
    let n = 0
    for (const row of contextOf(loop).rows) {
      const state = { landed: true as const, number: row.number, lengthM: 4, tested: read('0.2', 'ohm', 0.2) }
      loop = { ...loop, wiring: { ...loop.wiring, rows: { ...loop.wiring.rows, [row.id]: state } } }
    }
    proveAndSwitchOn({
      shelf: server.shelf.profiles,
      data: server.shelf.data,
      by: 'Ann',
      uuid: (of) => `${of} ${n++}`,
      now: () => '2026-03-01T10:00:00Z',
      current: () => ({ job: file.job, loop }),
      put: () => undefined,
      act: (action, input, { ids = [] } = {}) => {
        const named = [...ids]
        const hand = { by: 'Ann', at: '2026-03-01T10:00:00Z', data: server.shelf.data }
        loop = action.run({ job: file.job, loop }, input, { ...hand, newId: () => named.shift() ?? `made ${n++}` }).loop
      },
      context: () => contextOf(loop),
    })
    for (const { device, rows } of keyingSheet(contextOf(loop)))
      for (const { code, planned, unit } of rows) {
        const value = Number(planned.replace('\u2212', '-'))
        const { asLeft } = loop.settings
        const left = { ...asLeft[device.id], [code]: read(planned, unit, Number.isNaN(value) ? undefined : value) }
        loop = { ...loop, settings: { ...loop.settings, asLeft: { ...asLeft, [device.id]: left } } }
      }
    const readings = { ...loop.proof.readings, ...provedReadings(contextOf(loop), 100_000) }
    return { ...loop, proof: { ...loop.proof, readings }, handover: { ticks } }
  }
  it.each(Object.values(demoFile().loops).map((loop) => [loop.name, loop.id] as const))(
    '%s can be proved and handed over',
    (_, id) => {
      const loop = workedThrough(file.loops[id] as LoopDocument)
      expect(signingBlockedBy(contextOf(loop))).toEqual([])
      expect(signingBlockedBy(contextOf({ ...loop, proof: { readings: {} } })).join(' ')).toContain('Prove is not done')
    },
  )
})

const ticks = Object.fromEntries(
  Object.keys(handoverTicks).map((id) => [id, { by: 'Ann', at: '2026-03-01T10:00:00Z' }]),
)

import { randomUUID } from 'node:crypto'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { setTimeout as pause } from 'node:timers/promises'
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals'
import pg from 'pg'
import request from 'supertest'
import { Backups } from '../backup/backups'
import { openServer } from '../db/openDatabase'
import { type Notice, serverFeed } from '../store/changeFeed'
import { command, newJob, serverOn } from '../testing'
import { migrations } from '../testing/emptyDatabase'
import { postgresPrograms, TemporaryPostgres } from './temporaryPostgres'

const installed = postgresPrograms() !== undefined
const suite = installed ? describe : describe.skip
if (!installed) console.warn('skipped: no PostgreSQL server is installed here (Debian: apt-get install postgresql)')
const now = () => new Date().toISOString()

suite('a PostgreSQL server that goes and comes', () => {
  let postgres: TemporaryPostgres
  let database: Awaited<ReturnType<typeof openServer>>
  let server: ReturnType<typeof serverOn>
  beforeAll(async () => {
    postgres = await TemporaryPostgres.make()
    database = await openServer(postgres.url, { migrations, now })
    server = serverOn(database)
  })
  afterAll(async () => {
    await database.close()
    await postgres.close()
  })
  const send = (body: ReturnType<typeof command>) =>
    request(server.app).post(`/api/jobs/${body.jobId}/commands`).send(body)

  it.each(['SIGINT', 'SIGKILL'] as const)(
    'ended by %s in the middle of writing: nothing acknowledged is lost, each is told to come again, and it goes on',
    async (signal) => {
      const { jobId, create } = newJob()
      await send(create).expect(200)
      const answered = new Map<string, number>()
      let name = 'Job'
      let ended: Promise<void> | undefined
      let refused = 0
      for (let n = 0; n < 400 && (refused < 5 || n < 60); n++) {
        const next = command(jobId, [{ document: jobId, path: ['name'], from: name, to: `Name ${n}` }])
        if (n === 20) ended = postgres.end(signal)
        const { status, headers, body } = await send(next)
        if (status === 200) {
          answered.set(next.id, (body as { sequence: number }).sequence)
          name = `Name ${n}`
          continue
        }
        expect([503, status]).toEqual([status, 503])
        expect(headers['retry-after']).toBe('2')
        expect((body as { error: { code: string } }).error.code).toBe('DATABASE_AWAY')
        refused++
        await pause(10)
      }
      await ended
      expect(refused).toBeGreaterThanOrEqual(5)
      const away = await request(server.app).get('/api/health').expect(503)
      expect(away.body).toMatchObject({ ready: false, database: { engine: 'server', state: 'away' } })
      await request(server.app).get('/api/jobs').expect(503)
      await postgres.start()
      await database.availability.settled()
      await request(server.app).get('/api/health').expect(200)
      const { rows } = await server.store.log(jobId, 1000)
      const kept = new Map(rows.map((row) => [row.command.id, row.sequence]))
      for (const [id, sequence] of answered) expect(kept.get(id)).toBe(sequence)
      expect((await server.store.verify(jobId, 0)).brokenAt).toBeUndefined()
      // One that was in the middle of it may have been kept without an answer: sent again it is answered, or clashes; never twice.
      await send(command(jobId, [{ document: jobId, path: ['place'], from: 'Here', to: 'There' }])).expect(200)
    },
  )

  it('idle when it restarts, the program lives on', async () => {
    await server.store.list()
    await postgres.end('SIGINT')
    await pause(200)
    await postgres.start()
    await request(server.app).get('/api/jobs')
    await database.availability.settled()
    await request(server.app).get('/api/jobs').expect(200)
  })

  it('a program that starts before it waits for it', async () => {
    await postgres.end('SIGINT')
    const said: string[] = []
    const opening = openServer(postgres.url, { migrations, now, warn: (message) => said.push(message) })
    await pause(500)
    await postgres.start()
    const second = await opening
    expect(said[0]).toContain('does not answer yet')
    await second.close()
    await request(server.app).get('/api/jobs')
    await database.availability.settled()
  })

  it('what one process changes is told to the readers of another, and after a break each is told to look', async () => {
    const heard: (Notice | 'look')[] = []
    const feed = serverFeed(postgres.url, () => undefined)
    feed.listen((notice) => heard.push(notice))
    const until = async (holds: () => boolean) => {
      for (let i = 0; i < 300 && !holds(); i++) await pause(20)
      expect(holds()).toBe(true)
    }
    const { jobId, create } = newJob()
    await pause(300)
    await send(create).expect(200)
    await until(() => heard.some((each) => each !== 'look' && each.job === jobId && each.sequence === 1))
    await postgres.end('SIGINT')
    await postgres.start()
    await until(() => heard.includes('look'))
    await request(server.app).get('/api/jobs')
    await database.availability.settled()
    await send(command(jobId, [{ document: jobId, path: ['name'], from: 'Job', to: 'New' }])).expect(200)
    await until(() => heard.some((each) => each !== 'look' && each.job === jobId && each.sequence === 2))
    await feed.close()
  })

  it('four that start at once on an empty database bring it up one after another', async () => {
    const admin = new pg.Client({ connectionString: postgres.url })
    await admin.connect()
    await admin.query('CREATE DATABASE fresh')
    await admin.end()
    const url = new URL(postgres.url)
    url.pathname = '/fresh'
    const four = await Promise.all(Array.from({ length: 4 }, () => openServer(url.href, { migrations, now })))
    for (const each of four) expect(await serverOn(each).store.list()).toEqual([])
    await Promise.all(four.map((each) => each.close()))
  })

  it('two processes at one database hold the same, and overwrite nothing silently', async () => {
    const other = await openServer(postgres.url, { migrations, now })
    const second = serverOn(other)
    const { jobId, create } = newJob()
    await send(create).expect(200)
    let name = 'Job'
    for (let n = 0; n < 30; n++) {
      const { store } = n % 2 === 0 ? server : second
      await store.apply(command(jobId, [{ document: jobId, path: ['name'], from: name, to: `N${n}` }]))
      name = `N${n}`
    }
    const both = await Promise.allSettled(
      [server, second].map(({ store }, i) =>
        store.apply(command(jobId, [{ document: jobId, path: ['name'], from: name, to: `race ${i}` }])),
      ),
    )
    expect(both.map(({ status }) => status).sort()).toEqual(['fulfilled', 'rejected'])
    expect((await server.store.read(jobId)).job.name).toBe((await second.store.read(jobId)).job.name)
    const twice = command(jobId, [{ document: jobId, path: ['place'], from: 'Here', to: 'X' }], { id: randomUUID() })
    const replies = await Promise.all([server.store.apply(twice), second.store.apply(twice)])
    expect(replies.map(({ repeated }) => repeated).sort()).toEqual([false, true])
    await other.close()
  })

  it('a backup of it is dumped, counted in a database beside it, and brought back', async () => {
    const home = mkdtempSync(path.join(tmpdir(), 'nachtigal-dumps-'))
    const backups = new Backups({ database, folders: [home], version: '1', now, warn: () => undefined })
    const { jobId, create } = newJob()
    await send(create).expect(200)
    const name = await backups.make('daily')
    const beside = new pg.Client({ connectionString: postgres.url })
    await beside.connect()
    const { rows } = await beside.query("SELECT datname FROM pg_database WHERE datname LIKE 'nachtigal_check%'")
    expect(rows).toEqual([])
    await beside.end()
    await send(command(jobId, [{ document: jobId, path: ['name'], from: 'Job', to: 'Newer' }])).expect(200)
    expect((await backups.list())[0]!.since).toEqual({ jobs: 1, rows: 1 })
    await backups.restore(name)
    server.store.forget()
    expect((await server.store.read(jobId)).job.name).toBe('Job')
    rmSync(home, { recursive: true, force: true })
  })

  it('a user who may make no database beside it has his backups read through instead', async () => {
    const home = mkdtempSync(path.join(tmpdir(), 'nachtigal-dumps-'))
    const admin = new pg.Client({ connectionString: postgres.url })
    await admin.connect()
    await admin.query('CREATE ROLE plain LOGIN')
    await admin.query('CREATE DATABASE plain OWNER plain')
    await admin.end()
    const url = new URL(postgres.url)
    url.pathname = '/plain'
    url.username = 'plain'
    const own = await openServer(url.href, { migrations, now })
    await serverOn(own).store.apply(newJob().create)
    const backups = new Backups({ database: own, folders: [home], version: '1', now, warn: () => undefined })
    await backups.make('daily')
    expect(await backups.list()).toEqual([expect.objectContaining({ jobs: 1, rows: 1 })])
    await own.close()
    rmSync(home, { recursive: true, force: true })
  })
})

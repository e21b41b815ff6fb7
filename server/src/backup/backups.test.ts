import {
  cpSync,
  existsSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  truncateSync,
  writeFileSync,
} from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { afterEach, beforeEach, describe, expect, it } from '@jest/globals'
import request from 'supertest'
import { DamagedFolder, openEmbedded, putInPlace } from '../db/openDatabase'
import { command, newJob, serverOn } from '../testing'
import { emptyData, migrations } from '../testing/emptyDatabase'
import { Backups, backupsIn } from './backups'

let folder: string
let clock: number
/** Each time it is asked a second later: backups are named by it. */
const now = () => new Date((clock += 1000)).toISOString()
const warned: string[] = []
beforeEach(() => {
  folder = mkdtempSync(path.join(tmpdir(), 'nachtigal-test-'))
  clock = Date.UTC(2026, 0, 5, 8)
  warned.length = 0
})
afterEach(() => {
  rmSync(folder, { recursive: true, force: true })
})

const open = async () => {
  const data = path.join(folder, 'data')
  if (!existsSync(data)) await emptyData(data)
  const database = await openEmbedded(data, { migrations, now })
  const backups = new Backups({
    database,
    folders: [path.join(folder, 'backups'), path.join(folder, 'away')],
    version: '1',
    now,
    warn: (message) => warned.push(message),
  })
  return { ...serverOn(database), database, backups }
}

describe('backups', () => {
  it('are made, hold everything, lie elsewhere too, are brought back, and that is taken back', async () => {
    const { store, backups, database } = await open()
    const { jobId, create } = newJob()
    await store.apply(create)
    const name = await backups.make('asked')
    expect(existsSync(path.join(folder, 'away', name, 'backup.json'))).toBe(true)
    await store.apply(command(jobId, [{ document: jobId, path: ['name'], from: 'Job', to: 'Newer' }]))
    expect(await backups.list()).toEqual([
      { name, at: expect.any(String), why: 'asked', jobs: 1, rows: 1, photos: 0, since: { jobs: 1, rows: 1 } },
    ])
    await backups.restore(name)
    store.forget()
    expect((await store.read(jobId)).job.name).toBe('Job')
    const kept = (await backups.list()).find(({ why }) => why === 'restore')!
    await backups.restore(kept.name)
    store.forget()
    expect((await store.read(jobId)).job.name).toBe('Newer')
    expect((await store.verify(jobId, 0)).brokenAt).toBeUndefined()
    await store.apply(command(jobId, [{ document: jobId, path: ['place'], from: 'Here', to: 'There' }]))
    await database.close()
  }, 180_000)

  it('one that does not hold what it should is not kept', async () => {
    const { store, database } = await open()
    await store.apply(newJob().create)
    const early = path.join(folder, 'early')
    await database.embedded!.copyTo(early)
    await store.apply(newJob().create)
    const lying = {
      ...database,
      embedded: { ...database.embedded!, copyTo: async (to: string) => cpSync(early, to, { recursive: true }) },
    }
    const home = path.join(folder, 'backups')
    const backups = new Backups({ database: lying, folders: [home], version: '1', now, warn: () => undefined })
    await expect(backups.make('daily')).rejects.toThrow(/the backup is not whole: job .* is not in it/)
    expect(readdirSync(home)).toEqual([])
    await database.close()
  }, 120_000)

  it('a folder elsewhere that cannot be written is said, and the backup stands', async () => {
    const { backups, database } = await open()
    writeFileSync(path.join(folder, 'away'), 'a file')
    await backups.make('daily')
    expect(warned.join()).toContain('could not be put into')
    expect(backupsIn(path.join(folder, 'backups'))).toHaveLength(1)
    await database.close()
  }, 120_000)

  it('a damaged database is told from a foreign one, and opens again from its newest backup', async () => {
    const first = await open()
    const { jobId, create } = newJob()
    await first.store.apply(create)
    await first.backups.make('daily')
    await first.database.close()
    const home = path.join(folder, 'data', 'postgres')
    truncateSync(path.join(home, 'global', 'pg_control'), 100)
    await expect(open()).rejects.toThrow(DamagedFolder)
    const [newest] = backupsIn(path.join(folder, 'backups'))
    const aside = putInPlace(home, path.join(folder, 'backups', newest!.name, 'postgres'), now())
    expect(existsSync(aside!)).toBe(true)
    const again = await open()
    expect((await again.store.read(jobId)).job.name).toBe('Job')
    await again.database.close()
  }, 180_000)

  it('one is made before tables are changed, and a log of before is looked through by words and moments after', async () => {
    const old = path.join(folder, 'migrations')
    cpSync(migrations, old, { recursive: true })
    const journal = path.join(old, 'meta', '_journal.json')
    const all = JSON.parse(readFileSync(journal, 'utf8')) as { entries: { tag: string }[] }
    const added = all.entries.findIndex(({ tag }) => tag === '0003_log_index')
    writeFileSync(journal, JSON.stringify({ ...all, entries: all.entries.slice(0, added) }))
    const before = await openEmbedded(path.join(folder, 'data'), { migrations: old, now })
    const { jobId, job } = newJob()
    const made = command(jobId, [{ document: jobId, path: [], from: null, to: job }])
    const row = { sequence: 1, receivedAt: now(), command: made, previousHash: '0'.repeat(64) }
    const { rowHash } = await import('../store/rowHash')
    const { sql } = await import('drizzle-orm')
    await before.db.execute(sql`INSERT INTO jobs VALUES (${jobId}, 1, ${row.receivedAt})`)
    await before.db.execute(
      sql`INSERT INTO documents VALUES (${jobId}, ${jobId}, 'job', ${JSON.stringify(job)}::jsonb)`,
    )
    await before.db.execute(
      sql`INSERT INTO log_rows VALUES (${jobId}, 1, ${made.id}, ${row.receivedAt}, ${JSON.stringify(made)}::jsonb, ${row.previousHash}, ${rowHash(row)})`,
    )
    await before.close()
    const saved: number[] = []
    const after = await openEmbedded(path.join(folder, 'data'), {
      migrations,
      now,
      beforeMigration: async (database) => {
        const backups = new Backups({
          database,
          folders: [path.join(folder, 'backups')],
          version: '1',
          now,
          warn: () => undefined,
        })
        await backups.make('migration')
        saved.push(backupsIn(path.join(folder, 'backups')).length)
      },
    })
    expect(saved).toEqual([1])
    const { store } = serverOn(after)
    await store.migrate(true)
    expect((await store.log(jobId, 10, { words: 'job ann' })).rows).toHaveLength(1)
    expect((await store.at(jobId, 1)).job.name).toBe('Job')
    await store.apply(command(jobId, [{ document: jobId, path: ['name'], from: 'Job', to: 'Goes on' }]))
    expect(await store.verify(jobId, 0)).toEqual({ rows: 2, checked: 2 })
    await after.close()
  }, 180_000)
})

describe('backups from a page', () => {
  it('are for whoever sits at the machine: nobody that something on it speaks for', async () => {
    const { app, database } = await open()
    await request(app).get('/api/backups').expect(200, [])
    for (const header of ['X-Forwarded-For', 'Forwarded', 'Via', 'X-Real-IP'])
      expect((await request(app).get('/api/backups').set(header, '10.0.0.9').expect(403)).body.error.code).toBe(
        'NOT_AT_MACHINE',
      )
    expect(
      (await request(app).post('/api/backups/2026-01-05T08-00-00Z-daily/restore').send({}).expect(404)).body.error.code,
    ).toBe('BACKUP_UNKNOWN')
    await request(app).post('/api/backups/..%2f..%2fetc/restore').send({}).expect(404)
    await database.close()
  }, 120_000)
})

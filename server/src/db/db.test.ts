import { existsSync, mkdirSync, mkdtempSync, rmSync, symlinkSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { afterEach, beforeEach, describe, expect, it } from '@jest/globals'
import { sql } from 'drizzle-orm'
import { newJob, serverOn } from '../testing'
import { emptyData, migrations, now } from '../testing/emptyDatabase'
import { FolderInUse, lockFolder, lockRefused } from './folderLock'
import { openEmbedded } from './openDatabase'
import { OpenRefused } from './openRefused'

const options = { migrations, now }
let folder: string
beforeEach(() => {
  folder = mkdtempSync(path.join(tmpdir(), 'nachtigal-test-'))
})
afterEach(() => {
  rmSync(folder, { recursive: true, force: true })
})

describe('data folder', () => {
  it('is held by one at a time, and says by whom and since when', async () => {
    const lock = await lockFolder(folder, now)
    await expect(lockFolder(folder, now)).rejects.toThrow(FolderInUse)
    await expect(lockFolder(folder, now)).rejects.toThrow(`process ${process.pid} on `)
    await expect(lockFolder(folder, now)).rejects.toThrow('since 2026-01-05T08:00:00.000Z')
    await lock.release()
    await (await lockFolder(folder, now)).release()
  })
  it('is the same folder by whatever name it is reached', async () => {
    const lock = await lockFolder(folder, now)
    const link = `${folder}-link`
    symlinkSync(folder, link)
    try {
      for (const spelt of [link, `${folder}/.`, `${folder}/../${path.basename(folder)}`])
        await expect(lockFolder(spelt, now)).rejects.toThrow(FolderInUse)
    } finally {
      rmSync(link)
      await lock.release()
    }
  })
  it('is had by one alone of eight that come at once', async () => {
    for (let round = 0; round < 5; round++) {
      const tried = await Promise.allSettled(Array.from({ length: 8 }, () => lockFolder(folder, now)))
      const had = tried.flatMap((each) => (each.status === 'fulfilled' ? [each.value] : []))
      expect(had).toHaveLength(1)
      await had[0]!.release()
    }
  })
  it('keeps what was answered, syncs each commit to the disk, and opens again', async () => {
    const { create, jobId } = newJob()
    const first = await openEmbedded(folder, options)
    const before = await first.embedded!.syncs()
    await serverOn(first).store.apply(create)
    expect(await first.embedded!.syncs()).toBeGreaterThan(before)
    await first.close()
    const again = await openEmbedded(folder, options)
    expect((await serverOn(again).store.read(jobId)).job.name).toBe('Job')
    await again.close()
  })
  it('is refused when it holds something that is no database, and nothing is touched', async () => {
    const home = path.join(folder, 'postgres')
    mkdirSync(home)
    writeFileSync(path.join(home, 'holiday.txt'), 'photos')
    await expect(openEmbedded(folder, options)).rejects.toThrow('no PG_VERSION but holds holiday.txt')
    expect(existsSync(path.join(home, 'holiday.txt'))).toBe(true)
    await (await lockFolder(folder, now)).release()
  })
  it('is refused in words when it is a file, or of another engine', async () => {
    const file = path.join(folder, 'file')
    writeFileSync(file, 'x')
    await expect(openEmbedded(file, options)).rejects.toThrow(/is a file, not a folder/)
    const home = path.join(folder, 'postgres')
    mkdirSync(home)
    writeFileSync(path.join(home, 'PG_VERSION'), '16\n')
    await expect(openEmbedded(folder, options)).rejects.toThrow(/engine version 16, this program opens 18/)
  })
})

describe('a database that must not be opened', () => {
  const refusal = async () => {
    const error: unknown = await openEmbedded(folder, options).then(
      () => undefined,
      (thrown: unknown) => thrown,
    )
    expect(error).toBeInstanceOf(OpenRefused)
    await (await lockFolder(folder, now)).release()
    return (error as OpenRefused).message
  }
  it('one that a newer program wrote is refused in words, and not touched', async () => {
    await emptyData(folder)
    const first = await openEmbedded(folder, options)
    await first.db.execute(
      sql`INSERT INTO drizzle.__drizzle_migrations (hash, created_at) VALUES ('x', ${Date.UTC(2099, 0)})`,
    )
    await first.close()
    expect(await refusal()).toContain('written by a newer Nachtigal. Update this one')
  })
  it('one whose tables cannot be brought up says so without a bare engine error', async () => {
    await emptyData(folder)
    const first = await openEmbedded(folder, options)
    await first.db.execute(sql`DELETE FROM drizzle.__drizzle_migrations`)
    await first.close()
    expect(await refusal()).toMatch(/cannot be made ready: relation "documents" already exists\..* npm run restore/)
  })
})

describe('a file system', () => {
  it.each(['ENOLCK', 'ENOTSUP'])('that knows no locks (%s) is refused in words', (code) =>
    expect(lockRefused(Object.assign(new Error('x'), { code }), '/data')).toMatchObject({
      message: expect.stringMatching(new RegExp(`knows no locks \\(${code}\\).* Choose a folder on a local disk`)),
    }),
  )
})

describe('an engine that breaks', () => {
  it('is started anew; what was answered is there, and meanwhile each is told that it is away', async () => {
    await emptyData(folder)
    const database = await openEmbedded(folder, options)
    const { store } = serverOn(database)
    const { create, jobId } = newJob()
    await store.apply(create)
    await database.embedded!.breakDown()
    await expect(store.list()).rejects.toThrow()
    expect(database.availability.away?.kind).toBe('away')
    await database.availability.settled()
    expect(database.availability.away).toBeUndefined()
    expect((await store.read(jobId)).job.name).toBe('Job')
    await database.close()
  })
})

import { existsSync, mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { PGlite } from '@electric-sql/pglite'
import { afterEach, beforeEach, describe, expect, it } from '@jest/globals'
import { createJobStore } from '../store/jobStore'
import { migrations, newJob } from '../testing'
import { FolderInUse, lockFolder } from './folderLock'
import { openEmbedded, tidy } from './openDatabase'

let folder: string
beforeEach(() => {
  folder = mkdtempSync(path.join(tmpdir(), 'nachtigal-test-'))
})
afterEach(() => {
  rmSync(folder, { recursive: true, force: true })
})

describe('data folder', () => {
  it('is held by one at a time, and says by whom', async () => {
    const release = await lockFolder(folder)
    await expect(lockFolder(folder)).rejects.toThrow(FolderInUse)
    await expect(lockFolder(folder)).rejects.toThrow(`process ${process.pid}`)
    await release()
    await (
      await lockFolder(folder)
    )()
  })
  it('keeps what was answered, syncs each commit to the disk, and opens again', async () => {
    const { create, jobId } = newJob()
    const first = await openEmbedded(folder, migrations)
    const before = first.syncs!()
    await createJobStore(first.db, {}, () => '2026-01-05T08:00:00.000Z').apply(create)
    expect(first.syncs!()).toBeGreaterThan(before)
    await first.close()
    const again = await openEmbedded(folder, migrations)
    expect((await createJobStore(again.db, {}, () => '').read(jobId)).job.name).toBe('Job')
    await again.close()
  }, 60_000)
  it('is tidied in the background without a fault', async () => {
    const client = await PGlite.create()
    await client.exec('CREATE TABLE t (a int); INSERT INTO t SELECT generate_series(1, 1000); DELETE FROM t')
    await expect(tidy(client)).resolves.toBeUndefined()
    const { rows } = await client.query<{ n: number }>("SELECT relpages AS n FROM pg_class WHERE relname = 't'")
    expect(rows[0]!.n).toBe(0)
    await client.close()
  }, 60_000)
  it('is refused when it holds something that is no database, and nothing is touched', async () => {
    const home = path.join(folder, 'postgres')
    mkdirSync(home)
    writeFileSync(path.join(home, 'holiday.txt'), 'photos')
    await expect(openEmbedded(folder, migrations)).rejects.toThrow('no PG_VERSION but holds holiday.txt')
    expect(existsSync(path.join(home, 'holiday.txt'))).toBe(true)
    await (
      await lockFolder(folder)
    )()
  })
})

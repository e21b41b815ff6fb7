import { existsSync, mkdirSync, readdirSync, renameSync, rmSync } from 'node:fs'
import path from 'node:path'
import { PGlite } from '@electric-sql/pglite'
import type { PgDatabase, PgQueryResultHKT } from 'drizzle-orm/pg-core'
import { drizzle as drizzleEmbedded } from 'drizzle-orm/pglite'
import { migrate as migrateEmbedded } from 'drizzle-orm/pglite/migrator'
import { drizzle as drizzleServer } from 'drizzle-orm/node-postgres'
import { migrate as migrateServer } from 'drizzle-orm/node-postgres/migrator'
import pg from 'pg'
import { DurableFs } from './durableFs'
import { lockFolder } from './folderLock'

export type Database = PgDatabase<PgQueryResultHKT>

export interface OpenDatabase {
  readonly db: Database
  readonly close: () => Promise<void>
  /** Times that a commit reached the disk; embedded only. */
  readonly syncs?: () => number
}

const TIDY_MS = 10 * 60_000

/**
 * The embedded database turns fsync off by itself; here a commit is on the disk when it is answered. Its default method for the
 * log, fdatasync, does nothing in this build, so it is fsync.
 */
const durableParams = [
  ...PGlite.defaultStartParams.filter((param) => param !== '-F'),
  '-c',
  'fsync=on',
  '-c',
  'wal_sync_method=fsync',
]

/** Embedded database in memory, for tests. */
export async function openInMemory(migrations: string): Promise<OpenDatabase> {
  const client = await PGlite.create()
  const db = drizzleEmbedded(client)
  await migrateEmbedded(db, { migrationsFolder: migrations })
  return { db: db as unknown as Database, close: () => client.close() }
}

/**
 * Opens the embedded database in a folder, made on first use in a temporary place and renamed when it is whole.
 * @param warn told what went wrong in the background, where nobody waits for an answer
 * @throws FolderInUse when another server has it, Error when the folder holds something else
 */
export async function openEmbedded(
  folder: string,
  migrations: string,
  warn: (message: string) => void = () => undefined,
): Promise<OpenDatabase> {
  mkdirSync(folder, { recursive: true })
  const release = await lockFolder(folder)
  try {
    const home = path.join(folder, 'postgres')
    if (!existsSync(home)) await create(home)
    if (!existsSync(path.join(home, 'PG_VERSION')))
      throw new Error(
        `${home} is not a database: it has no PG_VERSION but holds ${readdirSync(home).slice(0, 5).join(', ') || 'nothing'}. Move it away, nothing was touched.`,
      )
    const fs = new DurableFs(home)
    const client = await PGlite.create({ fs, startParams: durableParams })
    const db = drizzleEmbedded(client)
    await migrateEmbedded(db, { migrationsFolder: migrations })
    // It has no background processes: what a server does by itself is scheduled here.
    const timer = setInterval(() => {
      tidy(client).catch((error: unknown) => warn(`tidying the database failed: ${String(error)}`))
    }, TIDY_MS)
    timer.unref()
    const close = async () => {
      clearInterval(timer)
      await client.exec('CHECKPOINT')
      await client.close()
      await release()
    }
    return { db: db as unknown as Database, close, syncs: () => fs.syncs }
  } catch (error) {
    await release()
    throw error
  }
}

/** What a database server does in the background. Each is sent alone: together they would be one transaction, which VACUUM refuses. */
export async function tidy(client: Pick<PGlite, 'exec'>) {
  await client.exec('CHECKPOINT')
  await client.exec('VACUUM ANALYZE')
}

async function create(home: string) {
  const making = `${home}.making`
  rmSync(making, { recursive: true, force: true })
  const client = await PGlite.create({ fs: new DurableFs(making) })
  await client.close()
  renameSync(making, home)
}

/** The same schema on a PostgreSQL server. */
export async function openServer(url: string, migrations: string): Promise<OpenDatabase> {
  const pool = new pg.Pool({ connectionString: url })
  const db = drizzleServer(pool)
  await migrateServer(db, { migrationsFolder: migrations })
  return { db: db as unknown as Database, close: () => pool.end() }
}

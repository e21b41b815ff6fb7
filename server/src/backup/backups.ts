import { execFile } from 'node:child_process'
import { randomBytes } from 'node:crypto'
import { existsSync, readdirSync, readFileSync } from 'node:fs'
import { cp, mkdir, rename, rm, stat, statfs, writeFile } from 'node:fs/promises'
import path from 'node:path'
import { promisify } from 'node:util'
import pg from 'pg'
import type { BackupSummary } from '@nachtigal/contract/api'
import { AppError } from '../appError'
import { openCopy, type OpenDatabase, openForLook } from '../db/openDatabase'
import { type Holding, holdingOf, missingIn, since } from './inspect'
import { outlived } from './keepBackups'

type Why = BackupSummary['why']

/** What is written beside a backup: when and why it was made, and what it holds. */
interface BackupRecord {
  readonly at: string
  readonly why: Why
  readonly engine: 'embedded' | 'server'
  readonly version: string
  readonly holding: Holding
}

interface Deps {
  readonly database: Pick<OpenDatabase, 'db' | 'embedded' | 'url'> & Partial<Pick<OpenDatabase, 'availability'>>
  /** Folders that backups are put into; the first is where they are made and brought back from. */
  readonly folders: readonly string[]
  readonly version: string
  readonly now: () => string
  readonly warn: (message: string) => void
}

/** Runs a program of the PostgreSQL server's. @throws Error in words where it is not installed */
async function run(program: string, args: readonly string[]) {
  try {
    await promisify(execFile)(program, args)
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code === 'ENOENT')
      throw new Error(`${program} is not installed here: install the PostgreSQL client programs`, { cause: error })
    throw error
  }
}
/** Brings the dump of a backup back over what stands at a server now, all of it or nothing. @param from folder of the backup */
export const restoreDump = (url: string, from: string) =>
  run('pg_restore', [
    '--clean',
    '--if-exists',
    '--no-owner',
    '--single-transaction',
    '--dbname',
    url,
    path.join(from, DUMP),
  ])

const NAME = /^\d{4}-\d\d-\d\dT\d\d-\d\d-\d\dZ(-\w+)?$/
const RECORD = 'backup.json'
const COPY = 'postgres'
const DUMP = 'nachtigal.dump'

/** A backup is named by when it was made and why. */
const nameOf = (at: string, why: Why) => `${at.slice(0, 19).replaceAll(':', '-')}Z-${why}`

/** What was written beside a backup; nothing where it cannot be read. */
const readRecord = (folder: string, name: string): BackupRecord | undefined => {
  try {
    return JSON.parse(readFileSync(path.join(folder, name, RECORD), 'utf8')) as BackupRecord
  } catch {
    return undefined
  }
}

/** Whole backups in a folder, newest first. */
export function backupsIn(folder: string): readonly (BackupRecord & { readonly name: string })[] {
  if (!existsSync(folder)) return []
  return readdirSync(folder)
    .filter((name) => NAME.test(name))
    .flatMap((name) => {
      const record = readRecord(folder, name)
      return record ? [{ ...record, name }] : []
    })
    .sort((a, b) => (a.at < b.at ? 1 : -1))
}

/** Makes backups, checks each by opening it, keeps some of the days and weeks, and brings one back. */
export class Backups {
  private busy: Promise<unknown> = Promise.resolve()

  constructor(private readonly deps: Deps) {}

  private get home() {
    return this.deps.folders[0]!
  }

  /** Whole backups, newest first, each with what would be lost by bringing it back. */
  async list(): Promise<readonly BackupSummary[]> {
    const now = this.deps.database.availability?.away ? undefined : await holdingOf(this.deps.database.db)
    return backupsIn(this.home).map(({ name, at, why, holding }) => ({
      name,
      at,
      why,
      jobs: holding.jobs,
      rows: holding.rows,
      photos: holding.photos,
      ...(now ? { since: since(now, holding) } : {}),
    }))
  }

  /** One at a time: two of them would get in each other's way. */
  private inTurn<T>(work: () => Promise<T>): Promise<T> {
    const mine = this.busy.then(work, work)
    this.busy = mine.catch(() => undefined)
    return mine
  }

  /** Makes a backup and checks it. @returns its name @throws Error when it cannot be made or does not hold what it should */
  make(why: Why): Promise<string> {
    return this.inTurn(() => this.makeNow(why))
  }

  /** @param spared one that is not cleared away, however old */
  private async makeNow(why: Why, spared?: string): Promise<string> {
    const { database, version, now } = this.deps
    const at = now()
    const name = nameOf(at, why)
    const making = path.join(this.home, `${name}.making`)
    const made = path.join(this.home, name)
    if (existsSync(made)) return name
    await mkdir(this.home, { recursive: true })
    await rm(making, { recursive: true, force: true })
    await mkdir(making)
    try {
      const original = await holdingOf(database.db)
      const holding = database.embedded ? await this.copy(making) : await this.dump(making, original)
      const wrong = missingIn(holding, original)
      if (wrong) throw new Error(`the backup is not whole: ${wrong}`)
      const record: BackupRecord = { at, why, engine: database.embedded ? 'embedded' : 'server', version, holding }
      await writeFile(path.join(making, RECORD), `${JSON.stringify(record)}\n`)
      await rename(making, made)
    } catch (error) {
      await rm(making, { recursive: true, force: true })
      throw error
    }
    await this.carryAway(name)
    await this.clear(this.home, spared)
    return name
  }

  private async copy(making: string): Promise<Holding> {
    const { folder } = this.deps.database.embedded!
    await checkRoom(path.join(folder, COPY), this.home)
    const to = path.join(making, COPY)
    await this.deps.database.embedded!.copyTo(to)
    const opened = await openCopy(to)
    try {
      return await holdingOf(opened.db)
    } finally {
      await opened.close()
    }
  }

  /**
   * A dump of a server's database, brought back into a database beside it and counted there. Where this user may make none it is read
   * through to its end, which shows that it is whole.
   */
  private async dump(making: string, original: Holding): Promise<Holding> {
    const url = this.deps.database.url!
    const file = path.join(making, DUMP)
    await run('pg_dump', ['--format=custom', '--no-owner', '--file', file, url])
    const beside = await madeBeside(url)
    if (!beside) {
      await run('pg_restore', ['--file', '/dev/null', file])
      return original
    }
    try {
      await run('pg_restore', ['--no-owner', '--exit-on-error', '--dbname', beside.url, file])
      const opened = openForLook(beside.url)
      try {
        return await holdingOf(opened.db)
      } finally {
        await opened.close()
      }
    } finally {
      await beside.remove()
    }
  }

  /** Puts a whole backup into the other folders, too. One that cannot be reached is said, and the next night tries again. */
  private async carryAway(name: string) {
    for (const folder of this.deps.folders.slice(1))
      try {
        const to = path.join(folder, name)
        await mkdir(folder, { recursive: true })
        if (existsSync(to)) continue
        await rm(`${to}.making`, { recursive: true, force: true })
        await cp(path.join(this.home, name), `${to}.making`, { recursive: true })
        await rename(`${to}.making`, to)
        await this.clear(folder, undefined)
      } catch (error) {
        this.deps.warn(`the backup could not be put into ${folder}: ${(error as Error).message}`)
      }
  }

  private async clear(folder: string, spared: string | undefined) {
    for (const name of outlived(backupsIn(folder)))
      if (name !== spared) await rm(path.join(folder, name), { recursive: true, force: true })
  }

  /**
   * Brings a backup back. What stands there now is backed up first, so that this can be taken back too.
   * @throws AppError where there is no such backup
   */
  restore(name: string): Promise<void> {
    return this.inTurn(async () => {
      const { database } = this.deps
      const record = NAME.test(name) ? readRecord(this.home, name) : undefined
      if (!record) throw new AppError('BACKUP_UNKNOWN', `there is no backup ${name.slice(0, 60)}`, { name })
      if ((record.engine === 'embedded') !== (database.embedded !== undefined))
        throw new AppError('BACKUP_REFUSED', `this backup is of the other kind of database`, { name })
      await this.makeNow('restore', name)
      const from = path.join(this.home, name)
      if (database.embedded) await database.embedded.replaceBy(path.join(from, COPY))
      else await restoreDump(database.url!, from)
    })
  }
}

/** What a PostgreSQL server says to a user who may make no database. */
const MAY_NOT = '42501'

/** Makes an empty database at the same server for a while; nothing where this user may not. */
async function madeBeside(url: string) {
  const name = `nachtigal_check_${randomBytes(8).toString('hex')}`
  const ask = async (statement: string) => {
    const client = new pg.Client({ connectionString: url })
    await client.connect()
    await client.query(statement).finally(() => client.end())
  }
  try {
    await ask(`CREATE DATABASE ${name} TEMPLATE template0`)
  } catch (error) {
    if ((error as { code?: unknown }).code === MAY_NOT) return undefined
    throw error
  }
  const own = new URL(url)
  own.pathname = `/${name}`
  return { url: own.href, remove: () => ask(`DROP DATABASE ${name}`) }
}

const MB = 1024 * 1024
/** Room that is left besides, so that a backup never fills the disk that jobs are kept on. */
const SPARE_MB = 256

async function checkRoom(home: string, folder: string) {
  const [size, { bavail, bsize }] = await Promise.all([sizeOf(home), statfs(folder)])
  const free = bavail * bsize
  if (free < size + SPARE_MB * MB)
    throw new Error(
      `there is no room for a backup: it takes ${Math.ceil(size / MB)} MB and ${SPARE_MB} MB must stay free, ${Math.floor(free / MB)} MB are`,
    )
}

/** Size of a folder or file, bytes. */
async function sizeOf(at: string): Promise<number> {
  const found = await stat(at)
  if (!found.isDirectory()) return found.size
  const inner = await Promise.all(readdirSync(at).map((name) => sizeOf(path.join(at, name))))
  return inner.reduce((sum, size) => sum + size, 0)
}

/** Hour of the night at which backups are made, by the clock of the machine. */
const HOUR = 3
const LOOK_MS = 10 * 60_000
const FIRST_MS = 5 * 60_000

/** Makes a backup each night; one that was missed because the machine was off is made when it is on again. */
export function nightly(backups: Backups, folder: string, warn: (message: string) => void): () => void {
  let failed = 0
  const look = async () => {
    const [newest] = backupsIn(folder)
    const today = new Date()
    const made = newest && new Date(newest.at)
    const due = made === undefined || (today.getHours() >= HOUR && made.toDateString() !== today.toDateString())
    if (!due || Date.now() < failed + 60 * 60_000) return
    try {
      await backups.make('daily')
    } catch (error) {
      // Tried again in an hour: said each time.
      failed = Date.now()
      warn(`no backup was made: ${(error as Error).message}`)
    }
  }
  const timer = setInterval(() => void look(), LOOK_MS)
  timer.unref()
  const first = setTimeout(() => void look(), FIRST_MS)
  first.unref()
  return () => {
    clearInterval(timer)
    clearTimeout(first)
  }
}

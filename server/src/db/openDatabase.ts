import { cpSync, existsSync, readFileSync, renameSync, rmSync } from 'node:fs'
import { once } from 'node:events'
import path from 'node:path'
import { setImmediate as turnOver, setTimeout as pause } from 'node:timers/promises'
import type { PGlite } from '@electric-sql/pglite'
import type { PgDatabase, PgQueryResultHKT } from 'drizzle-orm/pg-core'
import { drizzle } from 'drizzle-orm/node-postgres'
import { migrate } from 'drizzle-orm/node-postgres/migrator'
import pg from 'pg'
import { Availability, codesIn, saidBy, type Trouble, troubleIn } from './availability'
import { type BegunEngine, beginEmbedded } from './beginEmbedded'
import { type EmbeddedThread, openedThread, startThread } from './embeddedThread'
import type { Holder } from './folderLock'
import { folderProblem, OpenRefused } from './openRefused'
import { ProtocolStream } from './protocolStream'

export type Database = PgDatabase<PgQueryResultHKT>

export interface OpenDatabase {
  readonly db: Database
  readonly engine: 'embedded' | 'server' | 'memory'
  readonly availability: Availability
  readonly close: () => Promise<void>
  /** Does what no other process at this database may do in the same moment. */
  readonly alone: <T>(work: () => Promise<T>) => Promise<T>
  /** Address of the server, for those who listen to it or take backups of it. */
  readonly url?: string
  /** Embedded only: the folder, who holds it, what was synced, and a copy of it as it stands. */
  readonly embedded?: {
    readonly folder: string
    readonly holder: Holder
    readonly syncs: () => Promise<number>
    readonly copyTo: (to: string) => Promise<void>
    /** Puts a copy in the place of what is there, which is set aside, and goes on with it. */
    readonly replaceBy: (copy: string) => Promise<void>
    /** Ends the engine in the middle of whatever it does, as a fault would. */
    readonly breakDown: () => Promise<void>
  }
}

export interface OpenOptions {
  /** Folder of the migrations. */
  readonly migrations: string
  readonly now: () => string
  /** Told what went wrong where nobody waits for an answer. */
  readonly warn?: (message: string) => void
  /** Embedded only: what has begun already, while the rest of the program was read. */
  readonly begun?: Promise<BegunEngine>
  /** Called before migrations are applied to a database that already holds something. */
  readonly beforeMigration?: (database: Omit<OpenDatabase, 'close' | 'availability' | 'alone'>) => Promise<void>
}

/** Whoever speaks to the embedded engine is its one user; another name would be turned away, and end it. */
const ITS_USER = { user: 'postgres', database: 'postgres', password: '' }

const TIDY_MS = 10 * 60_000
const silent = () => undefined

/** Embedded database in memory, on this thread, for tests: the same driver, no disk. */
export async function openInMemory(
  { migrations, now, warn = silent }: OpenOptions,
  client: PGlite,
): Promise<OpenDatabase> {
  const pool = poolOf({
    ...ITS_USER,
    stream: () =>
      new ProtocolStream(
        (message) => client.execProtocolRaw(message),
        async () => {
          await client.exec('ROLLBACK; DEALLOCATE ALL')
        },
      ),
    max: 1,
  })
  const db = drizzle(pool) as unknown as Database
  await openTables(pool, { db, engine: 'memory' }, { migrations, now })
  const availability = new Availability(() => pool.query('SELECT 1'), now, warn)
  const close = async () => {
    availability.close()
    await pool.end()
    await client.close()
  }
  return { db, engine: 'memory', availability, close, alone: (work) => work() }
}

/**
 * Opens the embedded database in a folder, in a thread of its own. It is made on first use in a temporary place and renamed when it
 * is whole. An engine that breaks is started anew.
 * @throws FolderInUse when another server has it, OpenRefused in words when it cannot be used, DamagedFolder when it is broken
 */
export async function openEmbedded(folder: string, options: OpenOptions): Promise<OpenDatabase> {
  const { now, warn = silent } = options
  const { lock, home, fresh, opened } = await (options.begun ?? beginEmbedded(folder, now))
  let thread: EmbeddedThread | undefined
  let closing = false
  // Two engines on one folder would spoil it: whoever ends one and starts another does so alone.
  let turn: Promise<unknown> = Promise.resolve()
  const inTurn = <T>(work: () => Promise<T>): Promise<T> => {
    const mine = turn.then(work, work)
    turn = mine.catch(() => undefined)
    return mine
  }
  /** Connections to the engine as it runs now. */
  const lines = new Set<ProtocolStream>()
  const start = async (opening = openedThread(home)) => {
    const started = await opening
    // What an earlier engine knew of them, its statements under names, this one does not: they are let go before anything is asked.
    await Promise.all(
      [...lines].map((line) => {
        const closed = once(line, 'close')
        line.destroy()
        return closed
      }),
    )
    await turnOver()
    thread = started
    void started.gone.then((why) => {
      if (thread === started && !closing) availability.lost('away', why)
    })
  }
  const live: EmbeddedThread['ask'] = (question) =>
    thread
      ? thread.ask(question)
      : Promise.reject(Object.assign(new Error('the engine is being started'), { code: 'ENGINE_GONE' }))
  const pool = poolOf({
    ...ITS_USER,
    stream: () => {
      const line = new ProtocolStream(
        (message) => live((engine) => engine.exchange(message)),
        () => live((engine) => engine.greet()),
      )
      lines.add(line)
      line.on('close', () => lines.delete(line))
      return line
    },
    // One engine, one conversation: whoever comes meanwhile waits in the pool.
    max: 1,
  })
  const availability = new Availability(
    () =>
      inTurn(async () => {
        // Whatever state a broken engine is in, a fresh one reads the disk as after a power cut.
        const old = thread
        thread = undefined
        await old?.end()
        await start()
        await pool.query('SELECT 1')
      }),
    now,
    warn,
  )
  try {
    try {
      await start(opened)
    } catch (error) {
      const said = openProblem(error, folder, home)
      throw said instanceof OpenRefused || fresh ? said : new DamagedFolder(folder, home, error)
    }
    const db = drizzle(pool) as unknown as Database
    const embedded = {
      folder,
      holder: lock.holder,
      syncs: () => live((engine) => engine.syncs()),
      copyTo: (to: string) => live((engine) => engine.copyTo(home, to)),
      replaceBy: (copy: string) =>
        inTurn(async () => {
          // Nobody is answered meanwhile: the engine is away until it runs on the copy.
          const old = thread
          thread = undefined
          await old?.ask((engine) => engine.close())
          await old?.end()
          const aside = putInPlace(home, copy, now())
          try {
            await start()
            await openTables(pool, { db, engine: 'embedded', embedded }, options)
          } catch (error) {
            await (thread as EmbeddedThread | undefined)?.end()
            rmSync(home, { recursive: true, force: true })
            if (aside) renameSync(aside, home)
            await start()
            throw error
          }
        }),
      breakDown: async () => {
        await thread?.end()
      },
    }
    await openTables(pool, { db, engine: 'embedded', embedded }, options)
    // It has no background processes: what a server does by itself is scheduled here.
    const timer = setInterval(() => {
      if (!availability.away)
        live((engine) => engine.tidy()).catch((error: unknown) => warn(`tidying the database failed: ${String(error)}`))
    }, TIDY_MS)
    timer.unref()
    const close = async () => {
      closing = true
      clearInterval(timer)
      availability.close()
      await pool.end()
      await live((engine) => engine.close()).catch((error: unknown) => warn(`closing the database: ${String(error)}`))
      await thread?.end()
      await lock.release()
    }
    return { db, engine: 'embedded', availability, close, alone: (work) => work(), embedded }
  } catch (error) {
    closing = true
    availability.close()
    await pool.end()
    await thread?.end()
    await lock.release()
    throw openProblem(error, folder, home)
  }
}

/** Codes by which the engine says that what it reads is spoilt or gone. */
const DAMAGED = new Set(['XX001', 'XX002', '58P01', '58030'])
const AS_CODE: Partial<Record<Trouble, string>> = { full: 'ENOSPC', 'read-only': 'EROFS', busy: 'EMFILE' }

/** What keeps a folder from being opened, in words; anything that is not the folder's fault is handed on as it is. */
function openProblem(error: unknown, folder: string, home: string): unknown {
  if (error instanceof OpenRefused) return error
  if (codesIn(error).some((code) => DAMAGED.has(code))) return new DamagedFolder(folder, home, error)
  const kind = troubleIn(error)
  const code = kind && AS_CODE[kind]
  const said = folderProblem(code === undefined ? error : { code, cause: error }, folder)
  if (said instanceof OpenRefused || kind === 'away' || codesIn(error).length === 0) return said
  return new OpenRefused(
    `the database in ${home} cannot be made ready: ${saidBy(error)}. A disk that fails or too few open files (ulimit -n) do this; nothing that was answered is lost. Start again, and if it stays so, bring a backup back: npm run restore.`,
    error,
  )
}

/** Puts a copy of a database in the place of another. @returns where that was set aside, if there was one */
export function putInPlace(home: string, copy: string, at: string): string | undefined {
  const making = `${home}.making`
  rmSync(making, { recursive: true, force: true })
  cpSync(copy, making, { recursive: true })
  const aside = existsSync(home) ? `${home}.set-aside-${at.slice(0, 19).replaceAll(':', '-')}Z` : undefined
  if (aside) renameSync(home, aside)
  renameSync(making, home)
  return aside
}

/** Opens a copy of a folder for a look into it, in a thread of its own. */
export async function openCopy(home: string): Promise<{ readonly db: Database; readonly close: () => Promise<void> }> {
  const thread = startThread()
  await thread.ask((engine) => engine.open(home))
  const pool = poolOf({
    ...ITS_USER,
    stream: () =>
      new ProtocolStream(
        (message) => thread.ask((engine) => engine.exchange(message)),
        () => thread.ask((engine) => engine.greet()),
      ),
    max: 1,
  })
  const close = async () => {
    await pool.end()
    await thread.ask((engine) => engine.close())
    await thread.end()
  }
  return { db: drizzle(pool) as unknown as Database, close }
}

/** The folder holds a database that no longer opens. */
export class DamagedFolder extends OpenRefused {
  constructor(
    readonly folder: string,
    readonly home: string,
    cause: unknown,
  ) {
    super(
      `the database in ${home} is damaged and does not open: ${cause instanceof Error ? cause.message : String(cause)}`,
      cause,
    )
  }
}

/** A pool whose connections may die at any time without taking the program with them. */
function poolOf(config: pg.PoolConfig): pg.Pool {
  const pool = new pg.Pool({ idleTimeoutMillis: 0, connectionTimeoutMillis: 5000, ...config })
  // Without these a connection that the server ends while it idles would end this process. Whoever uses it next is told.
  pool.on('error', silent)
  pool.on('connect', (client) => {
    client.on('error', silent)
  })
  return pool
}

/** Brings the tables to the present; says in words when they are from a newer program. */
async function openTables(
  pool: pg.Pool,
  opened: Omit<OpenDatabase, 'close' | 'availability' | 'alone'>,
  { migrations, beforeMigration }: OpenOptions,
) {
  const journal = JSON.parse(readFileSync(path.join(migrations, 'meta', '_journal.json'), 'utf8')) as {
    entries: { when: number }[]
  }
  const newest = Math.max(...journal.entries.map(({ when }) => when))
  const { rows } = await pool.query<{ there: string | null }>(
    "SELECT to_regclass('drizzle.__drizzle_migrations')::text AS there",
  )
  if (rows[0]?.there) {
    const applied = await pool.query<{ at: string | null }>(
      'SELECT max(created_at)::text AS at FROM drizzle.__drizzle_migrations',
    )
    const at = Number(applied.rows[0]?.at ?? 0)
    if (at > newest)
      throw new OpenRefused(
        'this database was written by a newer Nachtigal. Update this one, or choose another folder with NACHTIGAL_DATA; nothing was touched.',
      )
    if (at === newest) return
    if (at > 0) await beforeMigration?.(opened)
  }
  await migrate(opened.db as never, { migrationsFolder: migrations })
}

/** Connections of one server process: many short questions, few long ones. */
const MOST_CONNECTIONS = 10

/**
 * The same schema on a PostgreSQL server. One that does not answer yet is waited for, with growing pauses.
 * @throws OpenRefused when it refuses this user or holds something newer
 */
export async function openServer(url: string, options: OpenOptions): Promise<OpenDatabase> {
  const { now, warn = silent } = options
  const pool = poolOf({ connectionString: url, max: MOST_CONNECTIONS })
  const db = drizzle(pool) as unknown as Database
  const opened = { db, engine: 'server' as const, url }
  for (let wait = 250; ; wait = Math.min(wait * 2, 5000))
    try {
      await oneAtATime(pool, () => openTables(pool, opened, options))
      break
    } catch (error) {
      if (troubleIn(error) !== 'away') {
        await pool.end()
        throw error
      }
      warn(`the PostgreSQL server does not answer yet (${(error as Error).message}); asked again in ${wait} ms`)
      await pause(wait)
    }
  const availability = new Availability(() => pool.query('SELECT 1'), now, warn)
  const close = async () => {
    availability.close()
    await pool.end()
  }
  return { ...opened, availability, close, alone: (work) => oneAtATime(pool, work) }
}

/** Opens a database on a PostgreSQL server for a look into it: nothing of it is changed. */
export function openForLook(url: string): { readonly db: Database; readonly close: () => Promise<void> } {
  const pool = poolOf({ connectionString: url, max: 1 })
  return { db: drizzle(pool) as unknown as Database, close: () => pool.end() }
}

/** Number of the lock that processes at one PostgreSQL server hold while they bring its tables and jobs to the present. */
const BRINGING_UP = 7_331_018

/** Several processes may be started at once: what changes tables or whole jobs is done by one after another. */
async function oneAtATime<T>(pool: pg.Pool, work: () => Promise<T>): Promise<T> {
  const client = await pool.connect()
  try {
    await client.query('SELECT pg_advisory_lock($1)', [BRINGING_UP])
    return await work()
  } finally {
    // Let go with the connection, in whatever state that is.
    client.release(true)
  }
}

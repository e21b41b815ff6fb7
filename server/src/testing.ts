import { randomUUID } from 'node:crypto'
import { readFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { fileURLToPath } from 'node:url'
import { PGlite } from '@electric-sql/pglite'
import pg from 'pg'
import pino from 'pino'
import type { JobFile } from '@nachtigal/contract/api'
import type { Change, Command } from '@nachtigal/core/document/command'
import { emptyJob } from '@nachtigal/core/document/documents'
import { Backups } from './backup/backups'
import { createApp } from './createApp'
import { openInMemory, type OpenDatabase, openServer } from './db/openDatabase'
import { healthOf } from './health'
import { openDemo } from './openDemo'
import { readShelf } from './readShelf'
import { createPdfRenderer } from './reports/renderPdf'
import { sheetMaker } from './sheets/sheetMaker'
import { ownFeed } from './store/changeFeed'
import { createJobStore } from './store/jobStore'
import { createShelfStore } from './store/shelfStore'
import { emptyArchive, migrations, now } from './testing/emptyDatabase'

const at = (path: string) => fileURLToPath(new URL(path, import.meta.url))
export const demoFile = () => JSON.parse(readFileSync(at('../../demo/otterholm.nachtigal.json'), 'utf8')) as JobFile

/** A database of its own on the PostgreSQL server of `NACHTIGAL_TEST_DATABASE`, so that the same tests hold there too. */
async function openOwnDatabase(url: string): Promise<OpenDatabase> {
  const name = `nachtigal_${randomUUID().replaceAll('-', '')}`
  const ask = async (statement: string) => {
    const client = new pg.Client({ connectionString: url })
    await client.connect()
    await client.query(statement).finally(() => client.end())
  }
  await ask(`CREATE DATABASE ${name}`)
  const own = new URL(url)
  own.pathname = `/${name}`
  const database = await openServer(own.href, { migrations, now })
  return {
    ...database,
    close: async () => {
      await database.close()
      await ask(`DROP DATABASE ${name}`)
    },
  }
}

/** A whole server with a clock that stands, on a database in memory unless a PostgreSQL server is named. */
export async function testServer(webFolder?: string) {
  const url = process.env['NACHTIGAL_TEST_DATABASE']
  const database = url
    ? await openOwnDatabase(url)
    : await openInMemory({ migrations, now }, await PGlite.create({ loadDataDir: await emptyArchive() }))
  return { ...serverOn(database, webFolder), close: database.close }
}

/** The same on a database that is open already. */
export function serverOn(database: OpenDatabase, webFolder?: string) {
  const shelf = readShelf(at('../../shelf'))
  const feed = ownFeed()
  const backups = new Backups({
    database,
    folders: [path.join(database.embedded?.folder ?? tmpdir(), 'backups-of-tests')],
    version: '0',
    now,
    warn: () => undefined,
  })
  const store = createJobStore({ db: database.db, data: shelf.data, now, feed })
  const app = createApp({
    store,
    shelfStore: createShelfStore(database.db, shelf, now),
    shelf,
    makeSheet: sheetMaker(shelf.data, createPdfRenderer(at('../../node_modules'))),
    feed,
    availability: database.availability,
    openDemo: () => openDemo(store, at('../../demo'), 'otterholm'),
    health: () => healthOf(database, '0', () => store.list()),
    ...(database.embedded
      ? {
          backups: {
            list: () => backups.list(),
            make: () => backups.make('asked'),
            restore: (name: string) => backups.restore(name),
          },
        }
      : {}),
    log: pino({ level: 'silent' }),
    now,
    onlyNames: [],
    ...(webFolder ? { webFolder } : {}),
  })
  return { app, store, shelf, feed, database, db: database.db }
}

export function command(jobId: string, change: Change[], more: Partial<Command> = {}): Command {
  return { id: randomUUID(), jobId, baseRevision: 0, at: '2026-01-05T08:00:00Z', by: 'Ann', change, ...more }
}

export function newJob(more: { readonly place?: string } = {}) {
  const jobId = randomUUID()
  const job = emptyJob(jobId, {
    name: 'Job',
    place: 'Here',
    zone: 'Europe/Oslo',
    temperatureUnit: 'C',
    system: 'metric',
    ...more,
  })
  return { jobId, job, create: command(jobId, [{ document: jobId, path: [], from: null, to: job }]) }
}

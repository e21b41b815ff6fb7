import { createReadStream, readFileSync } from 'node:fs'
import type { Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import path from 'node:path'
import type { Express } from 'express'
import type { Logger } from 'pino'
import { Backups, nightly } from './backup/backups'
import { createApp } from './createApp'
import { openEmbedded, type OpenOptions, openServer } from './db/openDatabase'
import { healthOf, roomGuard } from './health'
import { readShelf } from './readShelf'
import type { BackupDesk } from './routes/backupRoutes'
import { sheetThread } from './sheets/sheetThread'
import { ownFeed, serverFeed } from './store/changeFeed'
import { createJobStore } from './store/jobStore'
import { createShelfStore } from './store/shelfStore'

const env = (name: string) => process.env[name] || undefined

/** What the environment says of where and how to run. */
export interface Settings {
  /** Folder of the program. */
  readonly root: string
  /** Address of a PostgreSQL server; embedded where there is none. */
  readonly url: string | undefined
  readonly folder: string
  /** Folders of backups: the first is made in, the others are copied to. */
  readonly backups: readonly string[]
  readonly host: string
  readonly port: number
  /** Names besides its own that it answers to: those that a proxy before it is reached by. */
  readonly names: readonly string[]
  readonly leastFreeMb: number
  readonly demo: boolean
  readonly version: string
}

/** Room that must be left on the disk for anything to be written, MB. */
const LEAST_FREE_MB = 64

export function settingsFrom(root: string, demo: boolean): Settings {
  const url = env('DATABASE_URL')
  const folder = env('NACHTIGAL_DATA') ?? path.join(root, 'data')
  const away = env('NACHTIGAL_BACKUPS')
  const own = path.join(folder, 'backups')
  return {
    root,
    url,
    folder,
    backups: away === undefined ? [own] : url ? [away] : [own, away],
    host: env('HOST') ?? '127.0.0.1',
    port: Number(env('PORT') ?? 4310),
    names: (env('NACHTIGAL_NAMES') ?? '').split(/[\s,]+/).filter(Boolean),
    leastFreeMb: Number(env('NACHTIGAL_LEAST_FREE_MB') ?? LEAST_FREE_MB),
    demo,
    version: (JSON.parse(readFileSync(path.join(root, 'package.json'), 'utf8')) as { version: string }).version,
  }
}

/** The job as it is to be, and as it was found. The last one stands on top of the list. */
const demoFiles = ['otterholm-found.nachtigal.json', 'otterholm.nachtigal.json']

export interface Running {
  readonly address: string
  /** Ends everything in order. */
  readonly stop: () => Promise<void>
}

/** Starts the server: database, demo job when asked and empty, backups, listener. */
export async function startServer(settings: Settings, log: Logger): Promise<Running> {
  const { root, url, folder, host } = settings
  const at = (...parts: string[]) => path.join(root, ...parts)
  const now = () => new Date().toISOString()
  const warn = (message: string) => log.error(message)
  const backupsOf = (database: ConstructorParameters<typeof Backups>[0]['database']) =>
    new Backups({ database, folders: settings.backups, version: settings.version, now, warn })
  const options: OpenOptions = {
    migrations: at('server', 'migrations'),
    now,
    warn,
    beforeMigration: async (database) => {
      await backupsOf(database).make('migration')
    },
  }
  const database = url ? await openServer(url, options) : await openEmbedded(folder, options)
  const shelf = readShelf(at('shelf'))
  const feed = url ? serverFeed(url, warn) : ownFeed()
  const store = createJobStore({ db: database.db, data: shelf.data, now, feed })
  await database.alone(async () => {
    await store.migrate(!url, (message) => console.log(message))
    if (settings.demo && (await store.list()).length === 0)
      for (const file of demoFiles) await store.importFile(createReadStream(at('demo', file)))
  })
  const backups = backupsOf(database)
  const desk: BackupDesk = {
    list: () => backups.list(),
    make: () => backups.make('asked'),
    restore: async (name) => {
      try {
        await backups.restore(name)
      } finally {
        store.forget()
      }
      await store.migrate(!url)
      feed.told('look')
    },
  }
  const sheets = sheetThread({ data: shelf.data, modules: at('node_modules') })
  const { embedded } = database
  const app = createApp({
    store,
    shelfStore: createShelfStore(database.db, shelf, now),
    shelf,
    makeSheet: sheets.makeSheet,
    feed,
    availability: database.availability,
    health: () => healthOf(database, settings.version, () => store.list()),
    backups: desk,
    ...(embedded ? { guard: roomGuard(embedded.folder, settings.leastFreeMb) } : {}),
    log,
    now,
    ...(['127.0.0.1', '::1', 'localhost'].includes(host) ? { onlyNames: settings.names } : {}),
    webFolder: at('web', 'dist'),
  })
  const listening = await listen(app, host, settings.port)
  const rest = nightly(backups, settings.backups[0]!, warn)
  const stop = async () => {
    rest()
    await closed(listening)
    await Promise.all([feed.close(), sheets.close()])
    await database.close()
  }
  return { address: addressOf(listening, host), stop }
}

const FREE_PORTS_TRIED = 20

/** Listens on a port, or on the next free one where it is taken. */
export function listen(app: Express, host: string, wanted: number): Promise<Server> {
  const on = (port: number, tries: number): Promise<Server> =>
    new Promise((resolve, reject) => {
      const server = app.listen(port, host, (error?: Error) => {
        if (!error) resolve(server)
        else if ((error as NodeJS.ErrnoException).code === 'EADDRINUSE' && tries > 0 && wanted !== 0)
          on(port + 1, tries - 1).then(resolve, reject)
        else reject(error)
      })
    })
  return on(wanted, FREE_PORTS_TRIED)
}

export function addressOf(server: Server, host: string): string {
  const { port } = server.address() as AddressInfo
  return `http://${host.includes(':') ? `[${host}]` : host}:${port}`
}

/** A browser holds a line open on which it is told of changes: it is not waited for. */
const CLOSE_AFTER_MS = 1000

export const closed = (server: Server) =>
  new Promise<void>((resolve) => {
    server.close(() => resolve())
    server.closeIdleConnections()
    setTimeout(() => server.closeAllConnections(), CLOSE_AFTER_MS).unref()
  })

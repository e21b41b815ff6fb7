import { readFileSync } from 'node:fs'
import path from 'node:path'
import type { Logger } from 'pino'
import { Backups, nightly } from './backup/backups'
import { createApp } from './createApp'
import { dataFolder } from './dataFolder'
import type { BegunEngine } from './db/beginEmbedded'
import { openEmbedded, type OpenOptions, openServer } from './db/openDatabase'
import { OpenRefused } from './db/openRefused'
import { healthOf, refuseWithoutRoom } from './health'
import { addressOf, closed, listen, renewCertificate, type TlsFiles } from './listening'
import { type Demo, demoNamed, openDemo } from './openDemo'
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
  /** Files for TLS; plain where there are none. */
  readonly tls: TlsFiles | undefined
  readonly leastFreeMb: number
  readonly baseAddress?: string
  /** Demo jobs that are opened where there is no job yet. */
  readonly demo: Demo | undefined
  readonly version: string
}

/** Room that must be left on the disk for anything to be written, MB. */
const LEAST_FREE_MB = 64

/** Settings of the server from its environment. */
export function settingsFrom(root: string, demo: boolean): Settings {
  const url = env('DATABASE_URL')
  const folder = dataFolder(root)
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
    tls: tlsFrom(env('NACHTIGAL_TLS_CERT'), env('NACHTIGAL_TLS_KEY')),
    leastFreeMb: Number(env('NACHTIGAL_LEAST_FREE_MB') ?? LEAST_FREE_MB),
    ...baseAddressFrom(env('NACHTIGAL_ADDRESS')),
    demo: demo ? demoNamed(env('NACHTIGAL_DEMO')) : undefined,
    version: (JSON.parse(readFileSync(path.join(root, 'package.json'), 'utf8')) as { version: string }).version,
  }
}

const MOST_ADDRESS = 200

/** @throws OpenRefused where it is no address that a phone could open */
function baseAddressFrom(text: string | undefined): { readonly baseAddress?: string } {
  if (text === undefined) return {}
  const address = URL.canParse(text) ? new URL(text) : undefined
  if (!address || !/^https?:$/.test(address.protocol) || address.search || address.hash || text.length > MOST_ADDRESS)
    throw new OpenRefused(
      `NACHTIGAL_ADDRESS is ${text.slice(0, 60)}: it takes the address under which others open this server, as https://bench.example`,
    )
  return { baseAddress: address.href.replace(/\/+$/, '') }
}

/** @throws OpenRefused where one of the two is named without the other: a network would be served in the clear unawares */
function tlsFrom(cert: string | undefined, key: string | undefined): TlsFiles | undefined {
  if (cert === undefined && key === undefined) return undefined
  if (cert === undefined || key === undefined)
    throw new OpenRefused('NACHTIGAL_TLS_CERT and NACHTIGAL_TLS_KEY belong together: name both files, or neither')
  return { cert, key }
}

export interface Running {
  readonly address: string
  /** Ends everything in order. */
  readonly stop: () => Promise<void>
  /** Takes a certificate that was renewed. @throws OpenRefused where it cannot be used */
  readonly renew?: () => void
}

/**
 * Starts the server: database, demo job when asked and empty, backups, listener.
 * @param begun the embedded engine, where it was started already
 */
export async function startServer(settings: Settings, log: Logger, begun?: Promise<BegunEngine>): Promise<Running> {
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
    ...(begun ? { begun } : {}),
    beforeMigration: async (database) => {
      await backupsOf(database).make('migration')
    },
  }
  const opening = url ? openServer(url, options) : openEmbedded(folder, options)
  opening.catch(() => undefined)
  // Read while the database is opened.
  const shelf = readShelf(at('shelf'))
  const database = await opening
  const feed = url ? serverFeed(url, warn) : ownFeed()
  const store = createJobStore({ db: database.db, data: shelf.data, now, feed })
  await database.alone(async () => {
    await store.migrate(!url, (message) => console.log(message))
    if (settings.demo && (await store.list()).length === 0) await openDemo(store, at('demo'), settings.demo)
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
    openDemo: () => openDemo(store, at('demo')),
    ...(embedded ? { refuses: refuseWithoutRoom(embedded.folder, settings.leastFreeMb) } : {}),
    log,
    now,
    ...(settings.baseAddress === undefined ? {} : { baseAddress: settings.baseAddress }),
    ...(['127.0.0.1', '::1', 'localhost'].includes(host) ? { onlyNames: settings.names } : {}),
    webFolder: at('web', 'dist'),
  })
  const listening = await listen(app, host, settings.port, settings.tls)
  const rest = nightly(backups, settings.backups[0]!, warn)
  const stop = async () => {
    rest()
    await closed(listening)
    await Promise.all([feed.close(), sheets.close()])
    await database.close()
  }
  const renew = () => {
    if (settings.tls) renewCertificate(listening, settings.tls)
  }
  return { address: addressOf(listening, host), stop, renew }
}

import { createReadStream, readFileSync } from 'node:fs'
import type { AddressInfo } from 'node:net'
import path from 'node:path'
import { fileURLToPath } from 'node:url'
import pino from 'pino'
import { createApp } from './createApp'
import { openEmbedded, openServer } from './db/openDatabase'
import { OpenRefused } from './db/openRefused'
import { healthOf, roomGuard } from './health'
import { readShelf } from './readShelf'
import { sheetThread } from './sheets/sheetThread'
import { ownFeed, serverFeed } from './store/changeFeed'
import { createJobStore } from './store/jobStore'
import { createShelfStore } from './store/shelfStore'

const root = process.env['NACHTIGAL_ROOT'] ?? path.resolve(path.dirname(fileURLToPath(import.meta.url)), '../..')
const at = (...parts: string[]) => path.join(root, ...parts)
const env = (name: string) => process.env[name] || undefined
const FREE_PORTS_TRIED = 20
/** Room that must be left on the disk for anything to be written, MB. */
const LEAST_FREE_MB = 64
const CLOSE_AFTER_MS = 1000
const { version } = JSON.parse(readFileSync(at('package.json'), 'utf8')) as { version: string }
/** The job as it is to be, and as it was found. The last one stands on top of the list. */
const demoFiles = ['otterholm-found.nachtigal.json', 'otterholm.nachtigal.json']

/** Starts the server: database, demo job when asked and empty, listener; ends cleanly on a signal. */
async function main() {
  const log = pino({ level: env('LOG_LEVEL') ?? 'warn' })
  const now = () => new Date().toISOString()
  const url = env('DATABASE_URL')
  const warn = (message: string) => log.error(message)
  const options = { migrations: at('server', 'migrations'), now, warn }
  const database = url
    ? await openServer(url, options)
    : await openEmbedded(env('NACHTIGAL_DATA') ?? at('data'), options)
  const shelf = readShelf(at('shelf'))
  const feed = url ? serverFeed(url, warn) : ownFeed()
  const store = createJobStore({ db: database.db, data: shelf.data, now, feed })
  await store.migrate(!url, (message) => console.log(message))
  if (process.argv.includes('--demo') && (await store.list()).length === 0)
    for (const file of demoFiles) await store.importFile(createReadStream(at('demo', file)))
  const host = env('HOST') ?? '127.0.0.1'
  const sheets = sheetThread({ data: shelf.data, modules: at('node_modules') })
  const { embedded } = database
  const app = createApp({
    store,
    shelfStore: createShelfStore(database.db, shelf, now),
    shelf,
    makeSheet: sheets.makeSheet,
    feed,
    availability: database.availability,
    health: () => healthOf(database, version, () => store.list()),
    ...(embedded ? { guard: roomGuard(embedded.folder, Number(env('NACHTIGAL_LEAST_FREE_MB') ?? LEAST_FREE_MB)) } : {}),
    log,
    now,
    loopbackOnly: ['127.0.0.1', '::1', 'localhost'].includes(host),
    webFolder: at('web', 'dist'),
  })

  const wanted = Number(env('PORT') ?? 4310)
  const listen = (port: number, tries: number): Promise<import('node:http').Server> =>
    new Promise((resolve, reject) => {
      const server = app.listen(port, host, (error?: Error) => {
        if (!error) resolve(server)
        else if ((error as NodeJS.ErrnoException).code === 'EADDRINUSE' && tries > 0 && wanted !== 0)
          listen(port + 1, tries - 1).then(resolve, reject)
        else reject(error)
      })
    })
  const server = await listen(wanted, FREE_PORTS_TRIED)
  const { port } = server.address() as AddressInfo

  let stopping = false
  const stop = (signal: string) => {
    if (stopping) return
    stopping = true
    log.info({ signal }, 'stopping')
    server.close(() => {
      void Promise.all([feed.close(), sheets.close()])
        .then(() => database.close())
        .then(() => process.exit(0))
    })
    server.closeIdleConnections()
    // A browser holds a connection open on which it is told of changes: it is not waited for.
    setTimeout(() => server.closeAllConnections(), CLOSE_AFTER_MS).unref()
  }
  process.on('SIGINT', stop)
  process.on('SIGTERM', stop)
  // Said last: whoever waits for it may ask to end at once.
  console.log(`Nachtigal is ready: http://${host.includes(':') ? `[${host}]` : host}:${port}`)
}

main().catch((error: unknown) => {
  console.error(error instanceof OpenRefused ? error.message : error)
  process.exit(1)
})

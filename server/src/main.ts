import { readFileSync } from 'node:fs'
import type { AddressInfo } from 'node:net'
import path from 'node:path'
import { fileURLToPath } from 'node:url'
import pino from 'pino'
import type { JobFile } from '@nachtigal/contract/api'
import { createApp } from './createApp'
import { FolderInUse } from './db/folderLock'
import { openEmbedded, openServer } from './db/openDatabase'
import { readShelf } from './readShelf'
import { createPdfRenderer } from './reports/renderPdf'
import { createJobStore } from './store/jobStore'
import { createShelfStore } from './store/shelfStore'

const root = process.env['NACHTIGAL_ROOT'] ?? path.resolve(path.dirname(fileURLToPath(import.meta.url)), '../..')
const at = (...parts: string[]) => path.join(root, ...parts)
const env = (name: string) => process.env[name] || undefined
const FREE_PORTS_TRIED = 20
/** The job as it is to be, and as it was found. The last one stands on top of the list. */
const demoFiles = ['otterholm-found.nachtigal.json', 'otterholm.nachtigal.json']

/** Starts the server: database, demo job when asked and empty, listener; ends cleanly on a signal. */
async function main() {
  const log = pino({ level: env('LOG_LEVEL') ?? 'warn' })
  const url = env('DATABASE_URL')
  const migrations = at('server', 'migrations')
  const database = url
    ? await openServer(url, migrations)
    : await openEmbedded(env('NACHTIGAL_DATA') ?? at('data'), migrations, (message) => log.error(message))
  const now = () => new Date().toISOString()
  const shelf = readShelf(at('shelf'))
  const store = createJobStore(database.db, shelf.data, now)
  await store.migrate()
  if (process.argv.includes('--demo') && (await store.list()).length === 0)
    for (const file of demoFiles) await store.importFile(JSON.parse(readFileSync(at('demo', file), 'utf8')) as JobFile)
  const host = env('HOST') ?? '127.0.0.1'
  const app = createApp({
    store,
    shelfStore: createShelfStore(database.db, shelf, now),
    shelf,
    renderPdf: createPdfRenderer(at('node_modules')),
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
      void database.close().then(() => process.exit(0))
    })
    server.closeIdleConnections()
    // A browser may hold its connection open: do not wait for it for ever.
    setTimeout(() => server.closeAllConnections(), 2000).unref()
  }
  process.on('SIGINT', stop)
  process.on('SIGTERM', stop)
  // Said last: whoever waits for it may ask to end at once.
  console.log(`Nachtigal is ready: http://${host.includes(':') ? `[${host}]` : host}:${port}`)
}

main().catch((error: unknown) => {
  console.error(error instanceof FolderInUse ? error.message : error)
  process.exit(1)
})

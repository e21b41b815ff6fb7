import path from 'node:path'
import { fileURLToPath } from 'node:url'
import pino from 'pino'
import { DamagedFolder } from './db/openDatabase'
import { OpenRefused } from './db/openRefused'
import { loggedError } from './loggedError'
import { startRescue } from './rescue'
import { type Running, settingsFrom, startServer } from './startServer'

const root = process.env['NACHTIGAL_ROOT'] ?? path.resolve(path.dirname(fileURLToPath(import.meta.url)), '../..')

/** Starts the server, or where its database is damaged the page that brings a backup back; ends cleanly on a signal. */
async function serve() {
  const log = pino({ level: process.env['LOG_LEVEL'] || 'warn', serializers: { err: loggedError } })
  const settings = settingsFrom(root, process.argv.includes('--demo'))
  let running: Running | undefined
  let stopping = false
  const stop = (signal: string) => {
    if (stopping) return
    stopping = true
    log.info({ signal }, 'stopping')
    void running?.stop().then(() => process.exit(0))
  }
  process.on('SIGINT', stop)
  process.on('SIGTERM', stop)
  process.on('SIGHUP', () => {
    try {
      running?.renew?.()
    } catch (error) {
      console.error((error as Error).message)
    }
  })
  const run = async () => {
    try {
      running = await startServer(settings, log)
    } catch (error) {
      if (!(error instanceof DamagedFolder)) throw error
      console.error(error.message)
      running = await startRescue(settings, error, async () => {
        await running?.stop()
        await run()
      })
    }
    // Said last: whoever waits for it may ask to end at once.
    console.log(`Nachtigal is ready: ${running.address}`)
  }
  await run()
}

/** The server's program: ends in words where it cannot serve. */
export const program = () =>
  serve().catch((error: unknown) => {
    console.error(error instanceof OpenRefused ? error.message : error)
    process.exit(1)
  })

import pino from 'pino'
import type { BegunEngine } from './db/beginEmbedded'
import { DamagedFolder } from './db/openDatabase'
import { OpenRefused } from './db/openRefused'
import { loggedError } from './loggedError'
import { programRoot } from './programRoot'
import { startRescue } from './rescue'
import { type Running, settingsFrom, startServer } from './startServer'

/** Starts the server, or where its database is damaged the page that brings a backup back; ends cleanly on a signal. */
async function serve(begun: Promise<BegunEngine> | undefined) {
  const log = pino({ level: process.env['LOG_LEVEL'] || 'warn', serializers: { err: loggedError } })
  const settings = settingsFrom(programRoot, process.argv.includes('--demo'))
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
  const run = async (first?: Promise<BegunEngine>) => {
    try {
      running = await startServer(settings, log, first)
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
  await run(begun)
}

/**
 * The server's program: ends in words where it cannot serve.
 * @param begun the embedded engine, where it was started already
 */
export const program = (begun?: Promise<BegunEngine>) =>
  serve(begun).catch((error: unknown) => {
    console.error(error instanceof OpenRefused ? error.message : error)
    process.exit(1)
  })

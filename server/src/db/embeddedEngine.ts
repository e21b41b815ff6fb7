import { cpSync, existsSync, renameSync, rmSync } from 'node:fs'
import { PGlite } from '@electric-sql/pglite'
import { DurableFs } from './durableFs'

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
  // New words of the log are put into their index a few at a time: all of 4 MB at once would keep everybody waiting.
  '-c',
  'gin_pending_list_limit=64kB',
]

/** The embedded engine on one folder, as its thread runs it. */
export class EmbeddedEngine {
  private client: PGlite | undefined
  private files: DurableFs | undefined

  private get running() {
    if (!this.client) throw new Error('the embedded database is not open')
    return this.client
  }

  /** Opens a folder; one that is not there yet is made beside and renamed when it is whole. */
  async open(home: string): Promise<void> {
    if (!existsSync(home)) {
      const making = `${home}.making`
      rmSync(making, { recursive: true, force: true })
      const made = await PGlite.create({ fs: new DurableFs(making) })
      await made.close()
      renameSync(making, home)
    }
    this.files = new DurableFs(home)
    this.client = await PGlite.create({ fs: this.files, startParams: durableParams })
  }

  exchange(message: Uint8Array): Promise<Uint8Array> {
    return this.running.execProtocolRaw(message)
  }

  /** Ends what an earlier connection may have left open: a transaction, and statements under names that the next one gives again. */
  async greet(): Promise<void> {
    await this.running.exec('ROLLBACK; DEALLOCATE ALL')
  }

  /** Times that something was synced to the disk. */
  syncs(): number {
    return this.files?.syncs ?? 0
  }

  /** What a database server does in the background. Each is sent alone: together they would be one transaction, which VACUUM refuses. */
  async tidy(): Promise<void> {
    await this.running.exec('CHECKPOINT')
    await this.running.exec('VACUUM ANALYZE')
  }

  /** A copy of the folder as it stands: nothing else reaches the engine until it is made. */
  async copyTo(home: string, to: string): Promise<void> {
    await this.running.exec('CHECKPOINT')
    cpSync(home, to, { recursive: true, errorOnExist: true, force: false })
  }

  async close(): Promise<void> {
    await this.running.exec('CHECKPOINT')
    await this.running.close()
    this.client = undefined
  }
}

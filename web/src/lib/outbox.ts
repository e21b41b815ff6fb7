import Dexie, { type EntityTable } from 'dexie'
import { fill, routes } from '@nachtigal/contract/api'
import type { ErrorBody } from '@nachtigal/contract/errors'
import type { Clash } from '@nachtigal/core/job/applyChange'
import type { Command } from '@nachtigal/core/job/command'
import { api } from './api'
import {
  commandDropped,
  commandMade,
  commandParked,
  commandSaved,
  commandsRestored,
  jobRead,
  nextToSend,
  wentOffline,
} from './documentsSlice'
import type { AppStore } from './store'

type Kept = { readonly order?: number; readonly id: string; readonly command: Command }
type KeptPhoto = { readonly hash: string; readonly jobId: string; readonly body: Blob }

const RETRY_MS = 2000

/**
 * Commands on their way to the server. Each is written to the device first, then sent in order; it leaves the device only when
 * the server has answered. Without a server they wait; a clash is parked and shown while the others go on.
 */
export class Outbox {
  private readonly kept: EntityTable<Kept, 'order'>
  private readonly photos: EntityTable<KeptPhoto, 'hash'>
  private sending = false
  private closed = false
  private timer: ReturnType<typeof setTimeout> | undefined

  constructor(
    private readonly store: AppStore,
    private readonly database = new Dexie('nachtigal'),
  ) {
    database.version(1).stores({ commands: '++order, &id' })
    database.version(2).stores({ commands: '++order, &id', photos: '&hash' })
    this.kept = database.table('commands')
    this.photos = database.table('photos')
  }

  /** Takes in what an earlier visit left on the device, then sends. */
  async restore() {
    const rows = await this.kept.orderBy('order').toArray()
    this.store.dispatch(commandsRestored(rows.map(({ command }) => command)))
    void this.send()
  }

  async add(command: Command) {
    this.store.dispatch(commandMade(command))
    await this.kept.add({ id: command.id, command })
    void this.send()
  }

  /** Keeps a photo on the device, then sends it. @returns the hash of its bytes, for a note to name */
  async addPhoto(jobId: string, body: Blob): Promise<string> {
    const digest = await crypto.subtle.digest('SHA-256', await body.arrayBuffer())
    const hash = [...new Uint8Array(digest)].map((byte) => byte.toString(16).padStart(2, '0')).join('')
    await this.photos.put({ hash, jobId, body })
    void this.send()
    return hash
  }

  /** Photos go first: whoever reads the note finds its picture. One that the server will not have is given up. */
  private async sendPhotos() {
    for (const { hash, jobId, body } of await this.photos.toArray()) {
      try {
        const answer = await fetch(fill(routes.photo, { jobId, hash }), { method: 'PUT', body })
        if (answer.ok || (answer.status >= 400 && answer.status < 500 && answer.status !== 404))
          await this.photos.delete(hash)
      } catch {
        return
      }
    }
  }

  /** Gives a parked command up. */
  async drop(id: string) {
    this.store.dispatch(commandDropped(id))
    await this.kept.where('id').equals(id).delete()
    void this.send()
  }

  /** Sends nothing more and lets the device's database go; what waits stays there for the next start. */
  close() {
    this.closed = true
    clearTimeout(this.timer)
    this.database.close()
  }

  private async send() {
    if (this.sending || this.closed) return
    this.sending = true
    clearTimeout(this.timer)
    try {
      await this.sendPhotos()
      for (let next = this.next(); next; next = this.next()) if (!(await this.sendOne(next))) break
    } finally {
      this.sending = false
    }
  }

  private next = () => nextToSend(this.store.getState().documents)

  /** @returns whether to go on with the next one */
  private async sendOne(command: Command): Promise<boolean> {
    const answer = await this.store.dispatch(api.endpoints.sendCommand.initiate(command))
    if (answer.data) {
      const { revision, receivedAt } = answer.data
      const held = this.store.getState().documents.jobs[command.jobId]
      this.store.dispatch(commandSaved({ command, revision, at: receivedAt }))
      await this.kept.where('id').equals(command.id).delete()
      // Somebody else wrote in between: read the whole job anew.
      if (held && revision !== held.revision + 1) await this.read(command.jobId)
      return true
    }
    const failure = answer.error as { status?: unknown; data?: ErrorBody }
    const refused =
      typeof failure.status === 'number' && failure.status >= 400 && failure.status < 500 && failure.status !== 429
    if (!refused) {
      this.store.dispatch(wentOffline())
      this.timer = setTimeout(() => {
        void this.send()
      }, RETRY_MS)
      return false
    }
    const { message = 'refused', facts } = failure.data?.error ?? {}
    this.store.dispatch(commandParked({ id: command.id, message, clashes: (facts?.['clashes'] ?? []) as Clash[] }))
    await this.read(command.jobId)
    return true
  }

  private async read(jobId: string) {
    const answer = await this.store.dispatch(
      api.endpoints.job.initiate(jobId, { forceRefetch: true, subscribe: false }),
    )
    if (answer.data) this.store.dispatch(jobRead(answer.data))
  }
}

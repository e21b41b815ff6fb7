import Dexie, { type EntityTable } from 'dexie'
import { fill, routes } from '@nachtigal/contract/api'
import type { ErrorBody } from '@nachtigal/contract/errors'
import type { Clash } from '@nachtigal/core/document/applyChange'
import type { Command } from '@nachtigal/core/document/command'
import { api } from './api'
import {
  commandDropped,
  commandMade,
  commandParked,
  commandSaved,
  commandsRestored,
  jobRead,
  nextToSend,
  type Trouble,
  wentOffline,
} from './documentsSlice'
import { noticeGiven } from './noticeSlice'
import { sha256 } from '../lib/sha256'
import type { AppStore } from './store'

type Kept = { readonly order?: number; readonly id: string; readonly command: Command }
type KeptPhoto = { readonly hash: string; readonly jobId: string; readonly body: Blob }

const RETRY_MS = 2000
/** Times that a command which meets a fault of the server is sent before it is parked. */
const MOST_TRIES = 3

interface Failure {
  readonly status?: unknown
  readonly originalStatus?: number
  readonly data?: Partial<ErrorBody> | undefined
}

/** Answers that say: not now. */
const NOT_NOW: ReadonlySet<number> = new Set([408, 429, 502, 503, 504])

const statusOf = ({ status, originalStatus }: Failure) => (typeof status === 'number' ? status : originalStatus)
const isFault = (failure: Failure) => (statusOf(failure) ?? 0) >= 500

/**
 * Why a command waits and is sent again later: the server is not there (null), or says that it can keep nothing now. Nothing where
 * sending it again would not help, or is yet to be seen.
 */
function troubleOf(failure: Failure): Trouble | null | undefined {
  const status = statusOf(failure)
  const { error } = failure.data ?? {}
  if (status === undefined) return null
  if (NOT_NOW.has(status)) return error?.code && error.message ? { code: error.code, message: error.message } : null
  // Something else answered in the server's place: a page of the network that wants to be signed in to.
  return status < 400 ? null : undefined
}

/**
 * Commands on their way to the server. Each is written to the device first, then sent in order; it leaves the device only when
 * the server has answered. Without a server they wait; a clash is parked and shown while the others go on.
 */
export class Outbox {
  private readonly kept: EntityTable<Kept, 'order'>
  private readonly photos: EntityTable<KeptPhoto, 'hash'>
  private sending = false
  /** Faults of the server that a command met so far. */
  private readonly tries = new Map<string, number>()
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
    const hash = await sha256(await body.arrayBuffer())
    await this.photos.put({ hash, jobId, body })
    void this.send()
    return hash
  }

  /** Photos go first: whoever reads the note finds its picture. One that the server will not have is given up, and told. */
  private async sendPhotos() {
    for (const { hash, jobId, body } of await this.photos.toArray()) {
      try {
        const answer = await fetch(fill(routes.photo, { jobId, hash }), { method: 'PUT', body })
        if (answer.status === 503 || answer.status === 429) return
        const refused = answer.status >= 400 && answer.status < 500 && answer.status !== 404
        if (answer.ok || refused) await this.photos.delete(hash)
        if (refused) {
          const { error } = (await answer.json().catch(() => ({}))) as Partial<ErrorBody>
          this.store.dispatch(noticeGiven({ text: `A photo was not taken: ${error?.message ?? answer.statusText}` }))
        }
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
      this.tries.delete(command.id)
      // Somebody else wrote in between: read the whole job anew.
      if (held && revision > held.revision + 1) await this.read(command.jobId)
      return true
    }
    const failure = answer.error as Failure
    const trouble = troubleOf(failure)
    // A fault of the server itself may pass; one that comes again and again is this command's, and the others must not wait for it.
    const tried = (this.tries.get(command.id) ?? 0) + 1
    if (trouble !== undefined || (isFault(failure) && tried < MOST_TRIES)) {
      if (trouble === undefined) this.tries.set(command.id, tried)
      this.store.dispatch(wentOffline(trouble ?? null))
      this.timer = setTimeout(() => {
        void this.send()
      }, RETRY_MS)
      return false
    }
    this.tries.delete(command.id)
    const { message = 'The server does not take this change, whatever is tried.', facts } = failure.data?.error ?? {}
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

import { EventEmitter } from 'node:events'
import { setTimeout as pause } from 'node:timers/promises'
import pg from 'pg'
import { CHANNEL } from './standing'

/** A job was changed: which, and the row of its log. Nothing more: whoever wants it reads it. */
export interface Notice {
  readonly job: string
  readonly sequence: number
}

/** Tells the readers of this process that a job was changed, here or in another process at the same database. */
export interface ChangeFeed {
  /** `look` stands for what nobody knows of: whoever hears it looks for himself. */
  readonly told: (notice: Notice | 'look') => void
  /** @returns stops listening */
  readonly listen: (hear: (notice: Notice | 'look') => void) => () => void
  /** Nobody but this process writes: what it holds is how things stand. */
  readonly alone: boolean
  readonly close: () => Promise<void>
}

/** For one process alone: what it did itself is all that happens. */
export function ownFeed(): ChangeFeed {
  const events = new EventEmitter().setMaxListeners(0)
  return {
    alone: true,
    told: (notice) => void events.emit('change', notice),
    listen: (hear) => {
      events.on('change', hear)
      return () => void events.off('change', hear)
    },
    close: () => Promise.resolve(),
  }
}

const PAUSES_MS = [100, 500, 1000, 3000, 5000]

/**
 * For several processes at one PostgreSQL server: listens there on a connection of its own. One that was lost is made anew; since
 * nobody knows what was told meanwhile, every reader is told to look.
 */
export function serverFeed(url: string, warn: (message: string) => void): ChangeFeed {
  const own = ownFeed()
  let closed = false
  let client: pg.Client | undefined
  const connect = async () => {
    const next = new pg.Client({ connectionString: url, keepAlive: true })
    const lost = new Promise<void>((resolve) => {
      next.on('error', () => resolve())
      next.on('end', () => resolve())
    })
    await next.connect()
    next.on('notification', ({ payload }) => {
      const notice = noticeIn(payload)
      if (notice) own.told(notice)
    })
    await next.query(`LISTEN ${CHANNEL}`)
    client = next
    // In an object: a promise that is answered alone would be waited for here.
    return { lost }
  }
  const run = async () => {
    for (let n = 0, first = true; !closed;) {
      try {
        const { lost } = await connect()
        n = 0
        if (!first) own.told('look')
        first = false
        await lost
      } catch (error) {
        warn(`listening for changes: ${(error as Error).message}`)
      }
      client = undefined
      if (!closed) await pause(PAUSES_MS[Math.min(n++, PAUSES_MS.length - 1)], undefined, { ref: false })
    }
  }
  void run()
  return {
    alone: false,
    // The server tells of what this process did, too.
    told: () => undefined,
    listen: own.listen,
    close: async () => {
      closed = true
      await client?.end().catch(() => undefined)
    },
  }
}

function noticeIn(payload: string | undefined): Notice | undefined {
  try {
    const { job, sequence } = JSON.parse(payload ?? '') as Partial<Notice>
    return typeof job === 'string' && typeof sequence === 'number' ? { job, sequence } : undefined
  } catch {
    return undefined
  }
}

import type { ChangeFeed } from '../store/changeFeed'
import type { JobStore } from '../store/jobStore'

/** What is said on a line: up to which row the job stands, and the commands from a row on where they are few. */
type Say = (said: string) => void

interface Live {
  readonly lines: Set<Say>
  /** Row up to which the lines were told. */
  told: number
  /** Row that somebody was heard to have written. */
  heard: number
  telling: boolean
}

/** Most letters of commands that are sent to everybody who looks; more is fetched by those who want it. */
const MOST_LETTERS = 64 * 1024

const worded = (said: object) => `data: ${JSON.stringify(said)}\n\n`

/** Jobs that somebody looks at: what is written in one is read once and told to all its lines. */
export class LiveJobs {
  private readonly jobs = new Map<string, Live>()

  constructor(
    private readonly store: Pick<JobStore, 'since'>,
    feed: Pick<ChangeFeed, 'listen'>,
  ) {
    feed.listen((notice) => {
      if (notice === 'look') for (const [jobId, live] of this.jobs) void this.look(jobId, live)
      else {
        const live = this.jobs.get(notice.job)
        if (!live) return
        live.heard = Math.max(live.heard, notice.sequence)
        void this.tell(notice.job, live)
      }
    })
  }

  /** @returns closes the line @throws AppError where there is no such job */
  async open(jobId: string, line: Say): Promise<() => void> {
    const { revision } = await this.store.since(jobId, Number.MAX_SAFE_INTEGER)
    const live = this.jobs.get(jobId) ?? { lines: new Set(), told: revision, heard: revision, telling: false }
    this.jobs.set(jobId, live)
    live.lines.add(line)
    // Said once at the start: whoever comes back catches up from here.
    line(worded({ sequence: revision }))
    return () => {
      live.lines.delete(line)
      if (live.lines.size === 0 && this.jobs.get(jobId) === live) this.jobs.delete(jobId)
    }
  }

  private async tell(jobId: string, live: Live) {
    if (live.telling) return
    live.telling = true
    try {
      while (live.heard > live.told) {
        const after = live.told
        const { revision, commands } = await this.store.since(jobId, after)
        // What was heard is there; if it is not, another line will say so.
        live.told = Math.max(revision, live.heard)
        const whole = commands && worded({ after, sequence: revision, commands })
        this.say(live, whole && whole.length <= MOST_LETTERS ? whole : worded({ sequence: revision }))
      }
    } catch {
      // Those who look hear of it when the database is back: everybody is told to look then.
      live.told = live.heard
    } finally {
      live.telling = false
    }
  }

  private async look(jobId: string, live: Live) {
    try {
      const { revision } = await this.store.since(jobId, Number.MAX_SAFE_INTEGER)
      live.told = Math.max(live.told, revision)
      this.say(live, worded({ sequence: revision }))
    } catch {
      // The next look, or the page itself when it comes back, will tell.
    }
  }

  private say({ lines }: Live, said: string) {
    for (const line of lines) line(said)
  }
}

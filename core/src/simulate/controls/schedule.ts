import type { Keys } from '../check/checkPart'
import type { ControlHost } from './host'
import type { ScheduleControl } from '../scenario'
import type { Unit } from './unit'

/** What is written of it in a scenario. */
export const scheduleKeys = { periods: 'list' } as const satisfies Keys

const DAY_S = 86400
const WEEK_S = 7 * DAY_S

/** Periods of a week: holds within them. */
export class ScheduleUnit implements Unit {
  holds = false
  /** Starts and ends in seconds of the week; an end may lie in the next one. */
  private readonly spans: readonly (readonly [number, number])[]

  constructor(
    private readonly m: ControlHost,
    { periods }: ScheduleControl,
  ) {
    this.spans = periods.flatMap(({ days, start, minutes }) =>
      [...days].map((day) => {
        const [hour, minute] = start.split(':').map(Number) as [number, number]
        const from = (Number(day) - 1) * DAY_S + hour * 3600 + minute * 60
        return [from, from + minutes * 60] as const
      }),
    )
  }

  private now(): number {
    return (this.m.atS + this.m.tickS / 2 + this.m.program.weekdayOffsetS) % WEEK_S
  }

  act(): void {
    const now = this.now()
    this.holds = this.spans.some(([from, to]) => (now >= from && now < to) || now + WEEK_S < to)
  }

  arm(): void {
    const now = this.now()
    for (const span of this.spans)
      for (const edge of span) {
        const ahead = (((edge - now) % WEEK_S) + WEEK_S) % WEEK_S
        this.m.timer(this.m.tick + Math.max(1, Math.ceil((ahead + this.m.tickS / 2) / this.m.tickS - 1e-6)))
      }
  }

  give(): void {
    // It drives nothing itself.
  }
}

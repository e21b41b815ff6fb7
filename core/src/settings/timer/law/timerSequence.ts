import { Refused } from '../../../units/refused'
/** A stretch in which a timer's relay is on or off. */
export interface TimerStretch {
  readonly fromS: number
  readonly toS: number
  readonly on: boolean
  readonly part: 'waits' | 'A' | 'B' | 'over'
}

interface TimerInput {
  readonly mode: 'once' | 'repeat'
  readonly aS: number
  readonly bS: number
  /** Until it starts to count: the time that heating up takes, where it waits for that. */
  readonly waitsS?: number
}

/** Most that is drawn, so that seconds do not fill a week with stretches. */
const MOST = 400

/**
 * What the relay of a timer does over a stretch of time. Before it counts it is on, so that the place can get there; once: on for A,
 * then off; repeat: on for A, off for B, and so on. A of 0 runs on.
 * Formula: stretches of A and B one after another, cut where the time is over.
 * @throws RangeError unless times are 0 or more, and a repeat has both
 * @example timerSequence({ mode: 'repeat', aS: 60, bS: 30 }, 200).length // 5
 */
export function timerSequence({ mode, aS, bS, waitsS = 0 }: TimerInput, untilS: number): TimerStretch[] {
  for (const [name, value] of Object.entries({ aS, bS, waitsS }))
    if (!(value >= 0)) throw new Refused(name, { must: 'or more', value: value, than: 0 })
  if (mode === 'repeat' && !(aS > 0 && bS > 0)) throw new RangeError('a timer that repeats needs A and B over 0')
  const made: TimerStretch[] = []
  let at = 0
  const put = (seconds: number, on: boolean, part: TimerStretch['part']) => {
    const to = Math.min(untilS, at + seconds)
    if (to > at) made.push({ fromS: at, toS: to, on, part })
    at = to
  }
  put(waitsS, true, 'waits')
  if (aS === 0) put(Infinity, true, 'A')
  else if (mode === 'once') {
    put(aS, true, 'A')
    put(Infinity, false, 'over')
  } else
    while (at < untilS && made.length < MOST) {
      put(aS, true, 'A')
      put(bS, false, 'B')
    }
  return made
}

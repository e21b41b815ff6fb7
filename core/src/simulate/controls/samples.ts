import type { Machine } from '../machine'

/** How often a continuous control acts that does not say, s. */
export const SAMPLE_S = 10

/** Whether it is this control's turn, asked at each sample of the run. */
export function samplesOf(m: Machine, sampleS = SAMPLE_S) {
  const every = m.ticksOf(sampleS)
  return { everyS: sampleS, turn: () => m.tick % every === 0 }
}

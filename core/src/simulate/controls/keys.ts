import type { Keys } from '../check/checkPart'

/** What every control with a probe has. */
export const probed = { probe: 'text', action: 'text', follows: 'text?', setback: 'tree?' } as const satisfies Keys
/** What it does without its probe. */
export const faulted = { probeFault: 'text', dutyShare: 'share?' } as const satisfies Keys
/** What a control with a band has. */
export const banded = {
  ...probed,
  ...faulted,
  drives: 'text',
  zeroC: 'number',
  fullC: 'number',
  leastShare: 'share?',
  mostShare: 'share?',
  stopsBelow: 'truth?',
} as const satisfies Keys

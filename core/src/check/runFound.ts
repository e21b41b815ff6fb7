import type { RunFact } from '../words/runWords'

/** One thing that a run was found to do. */
export type RunFound = RunFact & { readonly verdict: 'fits' | 'look' }

/** Less than this is no difference to anybody, K. */
export const LEAST_SEEN_K = 0.05

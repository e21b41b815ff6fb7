import { setImmediate as turn } from 'node:timers/promises'
import { SLICE_MS } from '../store/checkDocument'

/** Lets others in between once its slice of time is used up: called wherever long work can rest. */
export function slices(ms = SLICE_MS): () => Promise<void> | undefined {
  let since = performance.now()
  return () =>
    performance.now() - since < ms
      ? undefined
      : turn().then(() => {
          since = performance.now()
        })
}

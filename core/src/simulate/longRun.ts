/** A run that would take longer than this, ms, says so before it goes on. */
export const LONG_RUN_MS = 60_000

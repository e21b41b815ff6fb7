/** What a piece of work answers; nothing where it fails, which is written to the console: one spoilt part must not take the rest along. */
export function attempt<T>(work: () => T): T | undefined {
  try {
    return work()
  } catch (error) {
    console.error(error)
    return undefined
  }
}

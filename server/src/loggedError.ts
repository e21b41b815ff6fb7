import pino from 'pino'

/** Letters of a message or a trail in the server's own log. */
const MOST_LETTERS = 2000

/** An error as it is written to the server's log: without the values of a failed query, which may be a firm's whole job. */
export function loggedError(error: Error) {
  const { type, message, stack } = pino.stdSerializers.err(error)
  return { type, message: short(message), stack: short(stack) }
}

const PARAMS = /\nparams: [\s\S]*?(?=\n {4}at |\ncaused by: |$)/g
const short = (text: string) => {
  const bare = text.replace(PARAMS, '')
  return bare.length > MOST_LETTERS ? `${bare.slice(0, MOST_LETTERS)} \u2026` : bare
}

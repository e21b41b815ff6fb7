/** What a page asked its server for. */
export interface Asked {
  readonly method: string
  /** Path and query. */
  readonly at: string
}

/**
 * A server for the page of the tests, which has none: each question is answered by what the function gives, as JSON.
 * @returns what was asked so far
 */
export function answering(answer: (asked: Asked) => { readonly status?: number; readonly body: unknown }) {
  const asked: Asked[] = []
  class Question {
    readonly method: string
    readonly headers: unknown
    readonly signal: unknown
    constructor(
      readonly url: string,
      init: { readonly method?: string; readonly headers?: unknown; readonly signal?: unknown } = {},
    ) {
      this.method = init.method ?? 'GET'
      this.headers = init.headers
      this.signal = init.signal
    }
    clone() {
      return this
    }
  }
  const fetched = async (question: Question) => {
    const one = { method: question.method, at: question.url }
    asked.push(one)
    const { status = 200, body } = answer(one)
    const made = {
      ...{ status, ok: status < 400, headers: new Headers({ 'content-type': 'application/json' }) },
      text: () => Promise.resolve(JSON.stringify(body)),
      clone: () => made,
    }
    return made
  }
  Object.assign(globalThis, { Request: Question, fetch: fetched })
  return asked
}

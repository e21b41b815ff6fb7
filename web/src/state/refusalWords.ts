import type { ErrorBody } from '@nachtigal/contract/errors'

/** What a refused request says: the server's own words, or that it does not answer. */
export function refusalWords(error: unknown): string {
  const message = (error as { data?: Partial<ErrorBody> } | null)?.data?.error?.message
  return message ?? 'The server does not answer. Nothing is lost here; try again.'
}

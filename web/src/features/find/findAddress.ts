import type { FindEntry } from '@nachtigal/core/find/findEntry'
import { jobAt, loopAt } from '../../lib/addresses'

/** The way to what was found: a query behind the last part of the way stays one. */
export function findAddress(jobId: string, { loop, at }: Pick<FindEntry, 'loop' | 'at'>): string {
  const [last = '', query] = at.at(-1)?.split('?') ?? []
  const way = [...at.slice(0, -1), last].filter((part) => part !== '')
  const [key, value = ''] = query?.split('=') ?? []
  const address = loop ? loopAt(jobId, loop, ...way) : jobAt(jobId, ...way)
  return key ? `${address}?${key}=${encodeURIComponent(value)}` : address
}

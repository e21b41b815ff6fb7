import { createContext, useContext } from 'react'
import type { Outbox } from '../state/outbox'

export const OutboxContext = createContext<Outbox | null>(null)

/** The outbox of this page. @throws Error outside its provider */
export function useOutbox(): Outbox {
  const outbox = useContext(OutboxContext)
  if (!outbox) throw new Error('no outbox above this screen')
  return outbox
}

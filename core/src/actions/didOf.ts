import type { Command } from '../document/command'
import { findAction } from './registry'

/** What was done, in words, where a command keeps which action made it; nothing for rows from before that. */
export function didOf({ action }: Pick<Command, 'action'>): string | undefined {
  const did = action === undefined ? undefined : findAction(action)?.did
  return did && `${did.slice(0, 1).toUpperCase()}${did.slice(1)}`
}

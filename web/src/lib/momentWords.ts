import { format, formatDistanceToNow, isValid } from 'date-fns'

/** A moment in words by the clock of this device; one that is none as it was written. @param pattern as date-fns takes it */
export function momentWords(at: string, pattern: string): string {
  const moment = new Date(at)
  return isValid(moment) ? format(moment, pattern) : String(at).slice(0, 40)
}

/** How long ago a moment was; one that is none as it was written. */
export function agoWords(at: string): string {
  const moment = new Date(at)
  return isValid(moment) ? formatDistanceToNow(moment, { addSuffix: true }) : String(at).slice(0, 40)
}

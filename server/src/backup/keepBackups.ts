import type { BackupSummary } from '@nachtigal/contract/api'

/** Backups of days and of weeks that are kept. */
export const DAILY = 7
export const WEEKLY = 4
/** Others that are kept: before tables were changed, before another one was restored, because somebody asked. */
const OTHERS = 5

interface Dated {
  readonly name: string
  /** When it was made, as ISO text. */
  readonly at: string
  readonly why: BackupSummary['why']
}

const dayOf = (at: string) => at.slice(0, 10)
/** Monday of the week that a moment lies in. */
function weekOf(at: string): string {
  const date = new Date(at)
  date.setUTCDate(date.getUTCDate() - ((date.getUTCDay() + 6) % 7))
  return date.toISOString().slice(0, 10)
}

/** The newest of each group, for so many of the newest groups. */
function newestOfEach(backups: readonly Dated[], groupOf: (at: string) => string, most: number): readonly string[] {
  const newest = new Map<string, string>()
  for (const { name, at } of [...backups].sort((a, b) => (a.at < b.at ? 1 : -1)))
    if (!newest.has(groupOf(at))) newest.set(groupOf(at), name)
  return [...newest.values()].slice(0, most)
}

/**
 * Names of the backups that may go. Kept are, of those made by night, the newest of each of the last 7 days on which one was made and of
 * each of the last 4 weeks; of all others the newest 5. Days and weeks on which none was made do not use up a place.
 */
export function outlived(backups: readonly Dated[]): readonly string[] {
  const nightly = backups.filter(({ why }) => why === 'daily')
  const others = backups.filter(({ why }) => why !== 'daily')
  const kept = new Set([
    ...newestOfEach(nightly, dayOf, DAILY),
    ...newestOfEach(nightly, weekOf, WEEKLY),
    ...newestOfEach(others, (at) => at, OTHERS),
  ])
  return backups.map(({ name }) => name).filter((name) => !kept.has(name))
}

import { shownDay } from '../time/shownMoment'
import { changesBetween } from './changesBetween'
import type { Change, Command } from './command'
import type { JobDocument, LoopDocument } from './documents'

/** What has to lie in the panel, or in somebody's hand, when a loop is handed over. */
export const handoverTicks = {
  certificates: 'Test certificates are with it',
  parameters: 'Parameter list is in the panel',
  spareFuses: 'Spare fuses are in the panel',
  retest: 'Dates of the next tests are written down',
} as const
export type HandoverTick = keyof typeof handoverTicks

/** Whether a loop was handed over and not opened again since. */
export const isLocked = ({ handover }: Pick<LoopDocument, 'handover'>): boolean =>
  handover.signed !== undefined && handover.reopened === undefined

/** Parts of a loop that a signature stands for. Notes, readings, runs and what is temporary may come later. */
const signedParts: ReadonlySet<string> = new Set(['survey', 'chain', 'wiring', 'settings', 'waivers', 'kind', 'name'])

/** Whether a command signed the hand-over of a loop. */
export const signs = ({ change }: Pick<Command, 'change'>): boolean =>
  change.some(({ path, to }) => path.join('/') === 'handover/signed' && to !== null)

/** What of a signed loop is another now than it was then. */
export const changesSince = (then: LoopDocument | undefined, now: LoopDocument): Change[] =>
  then === undefined ? [] : changesBetween(now.id, then, now).filter(({ path }) => signedParts.has(path[0] ?? ''))

/** The zone of the job among its documents; UTC where it is not there. */
const zoneOf = (documents: Readonly<Record<string, unknown>>): string =>
  (Object.values(documents) as readonly (Partial<JobDocument> | null | undefined)[]).find(
    (each) => each?.type === 'job',
  )?.zone ?? 'UTC'

/**
 * What keeps a change from a loop that was handed over: it is opened again first, with a reason.
 * @param documents of the job, itself among them: its clock counts
 * @returns a sentence, or nothing where the change may be made
 */
export function lockedOut(
  documents: Readonly<Record<string, unknown>>,
  change: readonly Pick<Change, 'document' | 'path'>[],
): string | undefined {
  for (const { document, path } of change) {
    const loop = documents[document] as LoopDocument | undefined
    if (loop?.type !== 'loop' || !isLocked(loop)) continue
    if (path[0] === undefined || signedParts.has(path[0]))
      return `${loop.name} was handed over ${shownDay(loop.handover.signed!.at, zoneOf(documents))} by ${loop.handover.signed!.by} and is locked. Open it again under Hand over, with a reason; then change it.`
  }
  return undefined
}

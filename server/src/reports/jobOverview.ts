import { setImmediate } from 'node:timers/promises'
import type { JobOverview, JobState } from '@nachtigal/contract/api'
import { didOf } from '@nachtigal/core/actions/didOf'
import { wordChange } from '@nachtigal/core/check/wordChange'
import type { LogRow } from '@nachtigal/core/document/command'
import type { JobDocument } from '@nachtigal/core/document/documents'
import { loopContext } from '@nachtigal/core/loop/context'
import type { FieldData } from '@nachtigal/core/plant/fieldValue'
import { type LoopOverview, loopOverview, unreadOverview } from '@nachtigal/core/progress/loopOverview'
import { ordered } from '@nachtigal/core/schema/ordered'

/**
 * The overview of a job. What is known of a loop is remembered with its context, so that only what changed is looked at anew; and between two
 * loops others get their turn: the list of jobs may ask for hundreds at once.
 */
export async function jobOverview(
  { job, loops, revision }: JobState,
  last: LogRow | undefined,
  data: FieldData,
): Promise<JobOverview> {
  const all = Object.values(loops)
  const overviews: LoopOverview[] = []
  for (const { id } of ordered(loops)) {
    await setImmediate()
    const loop = loops[id]!
    try {
      overviews.push(loopOverview(loopContext(job, loop, data, job, all)))
    } catch {
      overviews.push(unreadOverview(loop))
    }
  }
  return {
    revision,
    temperatureUnit: job.temperatureUnit,
    zone: job.zone,
    loops: overviews,
    ...(last ? { last: lastOf(last, job, loops) } : {}),
  }
}

/** What was done last, by whom and to which loop. */
function lastOf(
  { command, receivedAt }: LogRow,
  job: JobDocument,
  loops: JobState['loops'],
): NonNullable<JobOverview['last']> {
  const { by, loopId, change } = command
  const did = command.undoes ? 'Taken back' : (didOf(command) ?? (change[0] ? wordChange(change[0], job).what : ''))
  const loop = loopId === undefined ? undefined : loops[loopId]?.name
  return { at: receivedAt, by, did, ...(loop === undefined ? {} : { loop }) }
}

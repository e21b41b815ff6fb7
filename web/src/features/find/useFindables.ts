import { useMemo } from 'react'
import { useMatch } from 'react-router'
import { fill } from '@nachtigal/contract/api'
import { actionEntries } from '@nachtigal/core/find/actionPlaces'
import { loopEntries } from '@nachtigal/core/find/loopEntries'
import { loopContext } from '@nachtigal/core/loop/context'
import { ordered } from '@nachtigal/core/schema/ordered'
import { attempt } from '../../lib/attempt'
import { useJob } from '../../loop/jobContext'
import { sheets } from '../../loop/sheets'
import { useShelfQuery } from '../../state/api'
import { calculatorFindables } from './jobFindables'
import type { Findable } from './makeFinder'

const pages = [
  { what: 'Board', where: 'all loops of this job', at: [] },
  { what: 'Log', where: 'what was done, by whom and when', at: ['log'] },
  { what: 'Shelf', where: 'controllers, probes, loads, limiters', at: ['shelf'] },
  { what: 'Calculators', where: 'every calculation on its own', at: ['calculators'] },
] as const

/** All that can be found in the job in hand, as seen from the page that is open. */
export function useFindables(): readonly Findable[] {
  const { job, loops, data } = useJob()
  const { data: shelf } = useShelfQuery()
  const match = useMatch('/jobs/:jobId/loops/:loopId/:step/*')
  const here = match?.params.loopId
  const step = match?.params.step
  const ofLoops = useMemo(() => {
    const all = Object.values(loops)
    // A loop that cannot be calculated with is found by its name alone.
    return (ordered(loops) as typeof all).flatMap(
      (loop): readonly Findable[] =>
        attempt(() => loopEntries(loopContext(job, loop, data, job, all))) ?? [
          { id: `loop/${loop.id}`, kind: 'loop', what: loop.name, where: 'cannot be read', loop: loop.id, at: [] },
        ],
    )
  }, [job, loops, data])
  const ofJob = useMemo((): readonly Findable[] => {
    const loop = (here ? loops[here] : undefined) ?? (ordered(loops)[0] as (typeof loops)[string] | undefined)
    return [
      ...calculatorFindables,
      ...pages.map(({ what, where, at }): Findable => ({ id: `page/${what}`, kind: 'page', what, where, at })),
      ...(loop
        ? [
            ...(shelf?.symptoms ?? [])
              .filter(({ kinds }) => kinds === undefined || kinds.includes(loop.kind))
              .map(({ id, title, words = '' }): Findable => ({
                ...{ id: `symptom/${id}`, kind: 'symptom', what: title, where: loop.name, words, loop: loop.id },
                at: ['prove', `find?symptom=${id}`],
              })),
            ...sheets.map(({ title, route, about }): Findable => ({
              ...{ id: `sheet/${title}`, kind: 'sheet', what: title, where: `${loop.name}, ${about}`, at: [] },
              href: fill(route, { jobId: job.id, loopId: loop.id }),
            })),
            ...actionEntries(loop.id, loop.name, step),
          ]
        : []),
    ]
  }, [job.id, loops, here, step, shelf])
  return useMemo(() => [...ofLoops, ...ofJob], [ofLoops, ofJob])
}

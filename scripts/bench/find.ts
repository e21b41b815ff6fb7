/** What a keystroke of Find costs on a job of fifty loops, and what making it ready costs. */
import type { JobFile } from '@nachtigal/contract/api'
import { loopEntries } from '@nachtigal/core/find/loopEntries'
import { loopContext } from '@nachtigal/core/loop/context'
import type { FieldData } from '@nachtigal/core/plant/fieldValue'
import { makeFinder } from '../../web/src/features/find/makeFinder'
import { told } from './goals'

const WORDS = ['seal pool', 'wire 17', 'ground', 'penguin chillr', 'B1', 'offset', 'relay', 'swing']

/** Types each word letter by letter, as a person does. */
export function benchFind({ job, loops }: JobFile, data: FieldData) {
  const fifty = [0, 1, 2, 3, 4].flatMap((round) =>
    Object.values(loops).map((loop) => ({ ...loop, id: `${loop.id}-${round}`, name: `${loop.name} ${round}` })),
  )
  const contexts = fifty.map((loop) => loopContext(job, loop, data, job, fifty))
  const begun = performance.now()
  const entries = contexts.flatMap(loopEntries)
  const find = makeFinder(entries, job.practice)
  told('find: made ready for 50 loops', performance.now() - begun, 'ms', 1500)
  const typed = WORDS.flatMap((word) => [...word].map((_, i) => word.slice(0, i + 1)))
  for (const text of typed) find(text)
  const took = typed
    .map((text) => {
      const from = performance.now()
      find(text)
      return performance.now() - from
    })
    .sort((a, b) => a - b)
  told(
    `find: a keystroke over ${entries.length} entries, 95th percentile`,
    took[Math.floor(took.length * 0.95)]!,
    'ms',
    30,
  )
}

import { plansOf } from './behaviour'
import { nextOrder } from './chain'
import type { Change } from './command'
import type { Documents } from './applyChange'
import type { LoopDocument, ProofReading } from './documents'

interface LoopOne {
  readonly version: 1
  readonly type: 'loop'
  readonly settings: Pick<LoopDocument['settings'], 'planned'>
  readonly proof: {
    readonly readings: Readonly<Record<string, ProofReading>>
    readonly answers?: Readonly<Record<string, 'yes' | 'no'>>
  }
}

const isLoopOne = (document: unknown): document is LoopOne =>
  document !== null &&
  typeof document === 'object' &&
  (document as { type?: unknown }).type === 'loop' &&
  (document as { version?: unknown }).version === 1

/** Loop 1 to 2: the two questions before a test were kept for a loop; now they are readings of the test of its first output. */
function loopOneToTwo(id: string, loop: LoopOne, at: string): Change[] {
  const { answers, readings } = loop.proof
  const plan = plansOf(loop.settings.planned)[0]
  const order = nextOrder(readings)
  const kept = plan ? Object.entries(answers ?? {}) : []
  return [
    { document: id, path: ['version'], from: 1, to: 2 },
    ...(answers === undefined ? [] : [{ document: id, path: ['proof', 'answers'], from: answers, to: null }]),
    ...kept.map(([step, text], i): Change => {
      const reading: ProofReading = {
        order: order + i,
        test: `before/${plan!.id}`,
        step,
        text,
        unit: '',
        state: 'value',
        at,
        by: 'version 1',
      }
      return { document: id, path: ['proof', 'readings', `version-1-${step}`], from: null, to: reading }
    }),
  ]
}

/**
 * What brings a job's documents to the present versions, as changes of one command: the log stays as it was written and the
 * migration stands in it like any other change. Empty when nothing is old.
 * @param at time of the last change before, as ISO text
 */
export function migration(documents: Documents, at: string): Change[] {
  return Object.entries(documents).flatMap(([id, document]) =>
    isLoopOne(document) ? loopOneToTwo(id, document, at) : [],
  )
}

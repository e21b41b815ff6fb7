import { setImmediate as turn } from 'node:timers/promises'
import { judge, type Refusal, refusal } from '@nachtigal/contract/check'
import { documentSchema } from '@nachtigal/contract/documentSchemas'
import type { AnyDocument } from '@nachtigal/core/document/documents'
import { AppError } from '../appError'

/** Longest that judging may hold up other requests, ms. */
export const SLICE_MS = 25

/** Runs work that stops on its way to its end, letting others in between. */
export async function inSlices<T>(judging: Generator<undefined, T>): Promise<T> {
  let since = performance.now()
  for (;;) {
    const step = judging.next()
    if (step.done) return step.value
    if (performance.now() - since > SLICE_MS) {
      await turn()
      since = performance.now()
    }
  }
}

/** What stands in the document must be that document. */
function belongs(id: string, jobId: string, document: unknown) {
  const known = document as AnyDocument
  if (known.id !== id || (known.type === 'loop' && known.jobId !== jobId))
    throw new AppError('COMMAND_REFUSED', `document ${id} says it is ${known.id} of another place`, { field: 'id' })
}

const refuse = (wrong: Refusal | undefined) => {
  if (wrong) throw new AppError('COMMAND_REFUSED', wrong.message, { ...wrong })
}

/** @param before the document that stood there @throws AppError naming field, value and what is allowed */
export function checkDocument(id: string, jobId: string, document: unknown, before?: unknown) {
  refuse(refusal(documentSchema(id, jobId), document, before))
  belongs(id, jobId, document)
}

/** The same, letting others in between. */
export async function checkSlowly(id: string, jobId: string, document: unknown, before?: unknown) {
  refuse(await inSlices(judge(documentSchema(id, jobId), document, before)))
  belongs(id, jobId, document)
}

import { refusal, type Refusal } from '@nachtigal/contract/check'
import { documentSchema } from '@nachtigal/contract/documentSchemas'
import type { AnyDocument, LoopDocument } from '@nachtigal/core/document/documents'
import type { ShownJob } from '../state/documentsSlice'

/** A loop that something is wrong in, and what. */
export interface BrokenLoop {
  readonly loop: LoopDocument
  readonly wrong: Refusal
}

const judged = new WeakMap<AnyDocument, Refusal | 'sound'>()
/** The newest state of each document that was found sound: of the next one only what moved is looked at. */
const lastSound = new Map<string, AnyDocument>()

/** What is wrong in a document as it came: an older program, or a fault of the disk, may have let it in. */
export function wrongIn(id: string, jobId: string, document: AnyDocument): Refusal | undefined {
  // Each state of a document is another object: one that was judged stays as it was.
  let verdict = judged.get(document)
  if (!verdict) {
    verdict = refusal(documentSchema(id, jobId), document, lastSound.get(id)) ?? 'sound'
    judged.set(document, verdict)
    if (verdict === 'sound') lastSound.set(id, document)
  }
  return verdict === 'sound' ? undefined : verdict
}

/** A job with its sound loops; those that something is wrong in stand apart, so that no screen reckons with them. */
export function soundJob(
  jobId: string,
  { loops, ...rest }: ShownJob,
): ShownJob & { readonly broken: Readonly<Record<string, BrokenLoop>> } {
  const sound: Record<string, LoopDocument> = {}
  const broken: Record<string, BrokenLoop> = {}
  for (const [id, loop] of Object.entries(loops)) {
    const wrong = wrongIn(id, jobId, loop)
    if (wrong) broken[id] = { loop, wrong }
    else sound[id] = loop
  }
  return { ...rest, loops: sound, broken }
}

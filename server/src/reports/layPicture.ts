import type { ElkNode } from 'elkjs/lib/elk-api.js'
import type { ResolvedChain } from '@nachtigal/core/document/chain'
import type { Words } from '@nachtigal/core/words/words'
import type { WireRow } from '@nachtigal/core/wiring/wireRow'
import { type Picture, pictureOf } from '@nachtigal/core/wiring/picture/picture'
import { type LaidOut, layoutGraph, picturePlan } from '@nachtigal/core/wiring/picture/pictureGraph'

/** Lays the picture of a chain out; the layout program is fetched with the first picture. */
export async function layPicture(chain: ResolvedChain, rows: readonly WireRow[], words: Words): Promise<Picture> {
  const { default: ELK } = await import('elkjs/lib/elk.bundled.js')
  const plan = picturePlan(chain, rows)
  // The program writes into what it is given.
  const laid = await new ELK().layout(JSON.parse(JSON.stringify(layoutGraph(plan))) as ElkNode)
  return pictureOf(chain, plan, laid as LaidOut, words)
}

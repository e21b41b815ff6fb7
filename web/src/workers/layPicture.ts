import type { ElkNode } from 'elkjs/lib/elk-api.js'
import ELK from 'elkjs/lib/elk-api.js'
import workerUrl from 'elkjs/lib/elk-worker.min.js?url'
import type { LaidOut, LayoutGraph } from '@nachtigal/core/wiring/picture/pictureGraph'

let elk: InstanceType<typeof ELK> | undefined

/** Starts the layout program in its worker, so that it is there when the network is not. */
export const warmLayout = () => (elk ??= new ELK({ workerUrl }))

/** Routes a picture in a worker. */
export async function layPicture(graph: LayoutGraph): Promise<LaidOut> {
  return (await warmLayout().layout(structuredClone(graph) as unknown as ElkNode)) as LaidOut
}

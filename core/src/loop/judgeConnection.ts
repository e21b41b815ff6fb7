import type { ResolvedChain, ResolvedConnection } from '../document/chain'
import type { Words } from '../words/words'
import { sayConnection } from '../words/connectionWords'
import type { ConnectionWords } from '../words/sentences'
import { callPaths } from '../wiring/powerPath'
import { type Judged, pathOver } from './connections/judged'
import { judgeProbe } from './connections/judgeProbe'
import { judgeMeasure } from './connections/judgeMeasure'
import { judgeSignal } from './connections/judgeSignal'
import { judgeSupply } from './connections/judgeSupply'
import { judgeCall, judgeContact } from './connections/judgeContact'
import { judgeDriven, judgeLine } from './connections/judgeLoad'

/** Verdict on one connection of the chain: what passes, why, the arithmetic, and what to do. */
export type ConnectionVerdict = Judged & ConnectionWords & { readonly connection: string }

/** Judges every connection of a chain in the order of its connections. */
export function judgeConnections(chain: ResolvedChain, words: Words): ConnectionVerdict[] {
  return chain.connections.map((connection) => {
    const judged = judge(chain, connection)
    return {
      connection: connection.id,
      ...judged,
      ...sayConnection(judged, words),
    }
  })
}

function judge(chain: ResolvedChain, connection: ResolvedConnection): Judged {
  const { fromPort, toPort, fromDevice } = connection
  if (fromPort.kind === 'probe-out' && toPort.kind === 'probe-in') return judgeProbe(connection)
  if (fromPort.kind === 'measure-out' || toPort.kind === 'measure-in') return judgeMeasure(chain, connection)
  if (fromPort.kind === 'signal-out' && toPort.kind === 'signal-in')
    return judgeSignal(chain, connection, fromPort, toPort)
  if (fromPort.kind === 'supply-out' && toPort.kind === 'supply-in') return judgeSupply(connection)
  if (fromPort.kind === 'pair' && toPort.kind === 'pair')
    return {
      verdict: 'fits',
      code: 'pair.fits',
      worked: [],
      figures: {},
    }
  const call = callPaths(chain).find(({ connections }) => connections.some((c) => c.id === connection.id))
  if (fromPort.kind === 'contact' && call) return judgeCall(chain, connection, call)
  const over = pathOver(chain, connection)
  const load = over?.loadPort.load
  if (fromPort.kind === 'contact' && over) return judgeContact(chain, connection, over)
  if (fromPort.kind === 'supply-out' && load)
    return fromPort.movedBy ? judgeDriven(connection, load) : judgeLine(connection, load)
  return {
    verdict: 'look-again',
    code: 'line.no-load',
    figures: { tag: fromDevice.tag },
    worked: [],
  }
}

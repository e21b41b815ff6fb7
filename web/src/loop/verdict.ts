import type { ConnectionVerdict } from '@nachtigal/core/loop/judgeConnection'
import type { Verdict } from '@nachtigal/core/wiring/contactLoad'
import type { ShapeKind } from '../design/Shape'

export const verdictWord: Record<Verdict, string> = {
  fits: 'fits',
  'look-again': 'look again',
  'does-not-fit': 'does not fit',
}
export const verdictShape: Record<Verdict, ShapeKind> = { fits: 'fits', 'look-again': 'look', 'does-not-fit': 'stop' }
const rank: Record<Verdict, number> = { fits: 0, 'look-again': 1, 'does-not-fit': 2 }

/** The connection that needs a hand first; none of none. */
export const worstOf = (judgedConnections: readonly ConnectionVerdict[]): ConnectionVerdict | undefined =>
  [...judgedConnections].sort((a, b) => rank[b.verdict] - rank[a.verdict])[0]

import type { LoopKind } from '@nachtigal/core/kinds/ids'
import { kindSign } from '@nachtigal/core/kinds/kindSigns'

/** The drawing of a kind of loop; the word beside it is the caller's. */
export const KindSign = ({ kind }: { kind: LoopKind }) => (
  <svg width="36" height="32" viewBox="0 0 36 32" className="flex-none" aria-hidden>
    <path d={kindSign(kind).path} fill="none" stroke="var(--ink)" strokeWidth="1.5" />
  </svg>
)

import { putTemporary } from '@nachtigal/core/actions/putTemporary'
import { undoTemporary } from '@nachtigal/core/actions/undoTemporary'
import type { Temporary } from '@nachtigal/core/document/documents'
import { useAct } from './useAct'
import { useLoop } from './loopContext'

/** Bridges, forced outputs, switches in hand, raised limits and lifted wires of this loop, with the ways to put one on and take one off. */
export function useTemporary() {
  const { loop } = useLoop()
  const act = useAct()
  return {
    put: (kind: NonNullable<Temporary['kind']>, what: string, during?: string) =>
      Object.values(loop.temporary).some((each) => each.what === what)
        ? undefined
        : act(
            putTemporary,
            { kind, what, ...(during === undefined ? {} : { during }) },
            { tell: `Temporary: ${what}.` },
          ),
    undone: (id: string) => act(undoTemporary, { entry: id }, { tell: `Undone: ${loop.temporary[id]?.what ?? ''}.` }),
  }
}

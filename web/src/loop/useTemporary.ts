import { nextOrder } from '@nachtigal/core/document/chain'
import type { Temporary } from '@nachtigal/core/document/documents'
import { useAppSelector } from '../lib/store'
import { useLoop } from './loopContext'
import { newId } from '../lib/newId'

/** Bridges, forced outputs, switches in hand, raised limits and lifted wires of this loop, with the ways to put one on and take one off. */
export function useTemporary() {
  const { loop, change } = useLoop()
  const by = useAppSelector((state) => state.view.by)
  return {
    put: (kind: NonNullable<Temporary['kind']>, what: string, during?: string) => {
      if (Object.values(loop.temporary).some((each) => each.what === what)) return undefined
      const order = nextOrder(loop.temporary)
      const entry: Temporary = {
        order,
        kind,
        what,
        by: by || 'unnamed',
        at: new Date().toISOString(),
        ...(during === undefined ? {} : { during }),
      }
      return change(
        { loop: { ...loop, temporary: { ...loop.temporary, [newId()]: entry } } },
        { tell: `Temporary: ${what}.` },
      )
    },
    undone: (id: string) => {
      const { [id]: gone, ...temporary } = loop.temporary
      return change({ loop: { ...loop, temporary } }, { tell: `Undone: ${gone?.what ?? ''}.` })
    },
  }
}

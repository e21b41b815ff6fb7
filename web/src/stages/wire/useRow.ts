import { judgeRow } from '@nachtigal/core/wiring/judgeRow'
import type { RowState } from '@nachtigal/core/job/documents'
import type { WireRow } from '@nachtigal/core/wiring/wireRow'
import { useLoop } from '../../loop/loopContext'

/** Writes one row's state. */
export function useRow(row: WireRow) {
  const context = useLoop()
  const { loop, change } = context
  const state = loop.wiring.rows[row.id]
  const write = (next: RowState) =>
    change({ loop: { ...loop, wiring: { ...loop.wiring, rows: { ...loop.wiring.rows, [row.id]: next } } } })
  return { state, write, ...judgeRow(context, row) }
}

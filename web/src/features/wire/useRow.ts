import { useAct } from '../../loop/useAct'
import { writeRow } from '@nachtigal/core/actions/writeRow'
import type { RowState } from '@nachtigal/core/document/documents'
import { judgeRow } from '@nachtigal/core/wiring/judgeRow'
import type { WireRow } from '@nachtigal/core/wiring/wireRow'
import { useLoop } from '../../loop/loopContext'

/** A row’s state with the wire landed or lifted; the number goes on with the wire, and off with it. */
export function landedState(state: RowState | undefined, row: WireRow, on: boolean): RowState {
  const { landed: _l, number: _n, ...rest } = state ?? {}
  return on ? { ...rest, landed: true, number: row.number } : rest
}

/** Writes the state of any row. */
export function useWriteRow() {
  const act = useAct()
  return (id: string, state: RowState) => act(writeRow, { row: id, state })
}

/** Writes one row's state. */
export function useRow(row: WireRow) {
  const context = useLoop()
  const put = useWriteRow()
  const state = context.loop.wiring.rows[row.id]
  return { state, write: (next: RowState) => put(row.id, next), ...judgeRow(context, row) }
}

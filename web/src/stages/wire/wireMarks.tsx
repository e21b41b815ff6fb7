import type { ReactNode } from 'react'
import { judgeRow } from '@nachtigal/core/wiring/judgeRow'
import type { RowState } from '@nachtigal/core/job/documents'
import type { WireEnd, WireRow } from '@nachtigal/core/wiring/wireRow'
import { useLoop } from '../../loop/loopContext'
import { Shape } from '../../ui/Shape'
import { Tick } from '../../ui/Tick'
import { useRow } from './useRow'

/** A terminal at the end of a wire. */
export const End = ({ end, strong }: { end: WireEnd; strong: boolean }) => (
  <span className="whitespace-nowrap">
    {end.tag} <span className={`terminal ${strong ? 'font-bold bg-mark' : ''}`}>{end.label}</span>
  </span>
)

/** A wire in words, for a reader. */
export const nameOf = (row: WireRow) =>
  `Wire ${row.number}, ${row.from.tag} ${row.from.label} to ${row.to.tag} ${row.to.label}`

/** Shape of a wire's test, told to a reader too. */
export function Tested({ row, size = 16 }: { row: WireRow; size?: number }) {
  const { verdict } = judgeRow(useLoop(), row)
  const says = { fits: 'tested', stop: 'failed its test', waiting: 'not tested' }[verdict]
  return (
    <span className="inline-flex items-center" aria-label={`Wire ${row.number} ${says}`} role="img">
      <Shape kind={verdict} size={size} />
    </span>
  )
}

const withoutNumber = ({ number: _n, ...rest }: RowState): RowState => rest

/** Ticked when the wire sits in both its terminals. */
export function Landed({ row, children }: { row: WireRow; children?: ReactNode }) {
  const { state, write } = useRow(row)
  const { landed: _old, ...rest } = state ?? {}
  return (
    <Tick
      label={`Wire ${row.number} landed`}
      checked={state?.landed === true}
      onChange={(on) => write(on ? { ...rest, landed: true, number: row.number } : withoutNumber(rest))}
    >
      {children}
    </Tick>
  )
}

import type { ReactNode } from 'react'
import type { RowVerdict } from '@nachtigal/core/wiring/rowVerdict'
import { judgeRow } from '@nachtigal/core/wiring/judgeRow'
import type { WireEnd, WireRow } from '@nachtigal/core/wiring/wireRow'
import { useLoop } from '../../loop/loopContext'
import { Shape } from '../../design/Shape'
import { Tick } from '../../design/Tick'
import { landedState, useRow } from './useRow'

/** A terminal at the end of a wire. */
export const End = ({ end, strong }: { end: WireEnd; strong: boolean }) => (
  <span className="whitespace-nowrap">
    {end.tag} <span className={`terminal ${strong ? 'font-bold bg-mark' : ''}`}>{end.label}</span>
  </span>
)

/** A wire in words, for a reader. */
export const nameOf = (row: WireRow) =>
  `Wire ${row.number}, ${row.from.tag} ${row.from.label} to ${row.to.tag} ${row.to.label}`

/** What came of a wire’s test. */
export const verdictWords: Readonly<Record<RowVerdict, string>> = {
  fits: 'tested',
  stop: 'failed its test',
  waiting: 'not tested',
}

/** Shape of a wire’s test, told to a reader too. */
export function Proved({ number, verdict, size = 16 }: { number: number; verdict: RowVerdict; size?: number }) {
  const says = verdictWords[verdict]
  return (
    <span className="inline-flex items-center" aria-label={`Wire ${number} ${says}`} role="img">
      <Shape kind={verdict} size={size} />
    </span>
  )
}

/** The same for a wire of this loop. */
export const Tested = ({ row, size = 16 }: { row: WireRow; size?: number }) => (
  <Proved number={row.number} verdict={judgeRow(useLoop(), row).verdict} size={size} />
)

/** Ticked when the wire sits in both its terminals. */
export function Landed({ row, children }: { row: WireRow; children?: ReactNode }) {
  const { state, write } = useRow(row)
  return (
    <Tick
      label={`Wire ${row.number} landed`}
      checked={state?.landed === true}
      onChange={(on) => write(landedState(state, row, on))}
    >
      {children}
    </Tick>
  )
}

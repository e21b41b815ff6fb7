import { memo, useEffect, useMemo, useRef, useState } from 'react'
import { TESTS_OPEN } from '@nachtigal/core/check/finding'
import type { RowChange, RowState } from '@nachtigal/core/document/documents'
import type { Practice } from '@nachtigal/core/units/practice'
import { OUTSIDE_TABLE, sizeWords } from '@nachtigal/core/words/sizeWords'
import { judgeRow } from '@nachtigal/core/wiring/judgeRow'
import type { RowVerdict } from '@nachtigal/core/wiring/rowVerdict'
import type { WireRow } from '@nachtigal/core/wiring/wireRow'
import { Cautions } from '../../loop/Cautions'
import { Findings } from '../../loop/Findings'
import { useLoop } from '../../loop/loopContext'
import { Shape } from '../../design/Shape'
import { ListChanges } from './ListChanges'
import { DataTable, type TableColumn } from '../../design/table/DataTable'
import { Tick } from '../../design/Tick'
import { landedState, useWriteRow } from './useRow'
import { End, nameOf, Proved, verdictWords } from './wireMarks'
import { WireCounts } from './WireCounts'

interface Props {
  readonly chosen: WireRow
  readonly onChoose: (row: WireRow) => void
}

/** The list from terminal to terminal. */
export function WireList({ chosen, onChoose }: Props) {
  const context = useLoop()
  const { rows, job, loop, open } = context
  const write = useWriteRow()
  // What a row may do is handed down once: a new function with every change would draw every row again.
  const latest = useRef({ rows, write, onChoose, states: loop.wiring.rows })
  useEffect(() => {
    latest.current = { rows, write, onChoose, states: loop.wiring.rows }
  })
  const actions = useMemo(
    (): Actions => ({
      choose: (id) => {
        const row = latest.current.rows.find((each) => each.id === id)
        if (row) latest.current.onChoose(row)
      },
      land: (id, on) => {
        const row = latest.current.rows.find((each) => each.id === id)
        if (row) latest.current.write(id, landedState(latest.current.states[id], row, on))
      },
    }),
    [],
  )
  const columns = useMemo(
    (): TableColumn<WireRow>[] => [
      { id: 'no', title: 'no.', stays: true, value: ({ number }) => number },
      { id: 'from', title: 'from', value: ({ from }) => `${from.tag} ${from.label}` },
      { id: 'to', title: 'to', value: ({ to }) => `${to.tag} ${to.label}` },
      { id: 'core', title: 'core', value: coreText },
      {
        id: 'size',
        title: job.practice === 'us' ? 'AWG' : 'mm²',
        value: (row) => judgeRow(context, row).sizeMm2 ?? undefined,
        text: (row) => sizeText(job.practice, judgeRow(context, row).sizeMm2),
      },
      { id: 'land', title: 'land', value: ({ id }) => (loop.wiring.rows[id]?.landed ? 'landed' : 'not landed') },
      { id: 'test', title: 'test', value: (row) => verdictWords[judgeRow(context, row).verdict] },
    ],
    [context, job.practice, loop.wiring.rows],
  )
  const findings = open.filter(({ step, code }) => step === 'wire' && code !== TESTS_OPEN)
  const [box, setBox] = useState<HTMLDivElement | null>(null)
  useEffect(() => {
    box?.querySelector('[aria-current=true]')?.scrollIntoView({ block: 'nearest' })
  }, [box, chosen.id])
  /** Up and down as the list stands, sorted and searched as it is. */
  const along = (by: number) => {
    const ids = [...(box?.querySelectorAll<HTMLElement>('[data-wire]') ?? [])].map(({ dataset }) => dataset['wire']!)
    const next = ids[Math.min(ids.length - 1, Math.max(0, ids.indexOf(chosen.id) + by))]
    if (next !== undefined) actions.choose(next)
  }
  return (
    <section className="lg:border-r border-line flex flex-col min-h-0 flex-1" aria-labelledby="wires">
      <WireCounts />
      <ListChanges />
      {findings.length > 0 ? (
        <div className="border-b border-line px-4 py-2 max-h-40 overflow-y-auto">
          <Findings findings={findings} none="" />
        </div>
      ) : null}
      <div
        ref={setBox}
        className="overflow-auto flex-1 min-h-0"
        onKeyDown={(event) => {
          const typing = (event.target as HTMLElement).tagName === 'INPUT'
          if (!typing && (event.key === 'ArrowDown' || event.key === 'ArrowUp')) {
            event.preventDefault()
            along(event.key === 'ArrowDown' ? 1 : -1)
          }
        }}
      >
        <DataTable
          label="Wires"
          className="wires"
          rows={rows}
          columns={columns}
          idOf={({ id }) => id}
          find="Find a wire, a terminal, a core"
          scroller={box}
          drawRow={(row, shown) => {
            const { sizeMm2, verdict } = judgeRow(context, row)
            return (
              <Row
                row={row}
                state={loop.wiring.rows[row.id]}
                sizeMm2={sizeMm2}
                verdict={verdict}
                what={loop.wiring.changed?.[row.id]?.what}
                practice={job.practice}
                chosen={row.id === chosen.id}
                actions={actions}
                shown={shown.join(' ')}
              />
            )
          }}
        />
      </div>
      <div className="border-t border-line px-4">
        <Cautions step="wire" brief />
      </div>
    </section>
  )
}

const swatches: Record<string, string> = {
  BN: '#6b4226',
  BK: '#111',
  BU: '#2f6db0',
  GNYE: 'linear-gradient(135deg,#2c7a3a 50%,#e3c229 50%)',
  WH: '#fff',
  RD: '#b3261e',
  GN: '#2c7a3a',
  GY: '#7d8488',
  YE: '#d9b400',
  pair: '#8b9194',
  screened: '#8b9194',
  screen: 'repeating-linear-gradient(45deg,#8b9194 0 2px,#fff 2px 4px)',
}

const sizeText = (practice: Practice, mm2: number | null) =>
  mm2 === null ? OUTSIDE_TABLE : sizeWords(practice, mm2).replace(/.(AWG|mm²)$/, '')

/** Short name of a core: its letters by IEC 60757 where it has some. */
const coreText = ({ conductor, cable }: WireRow) =>
  conductor.colour === 'screen' ? 'screen' : cable ? `${cable.tag} core` : conductor.colour

interface Actions {
  readonly choose: (id: string) => void
  readonly land: (id: string, on: boolean) => void
}

interface RowProps {
  readonly row: WireRow
  readonly state: RowState | undefined
  readonly sizeMm2: number | null
  readonly verdict: RowVerdict
  readonly what: RowChange['what'] | undefined
  readonly practice: Practice
  readonly chosen: boolean
  readonly actions: Actions
  /** The columns that are shown, one word each. */
  readonly shown: string
}

/** Rows are made anew with every change: one is drawn again only when what it shows has changed. */
const same = (a: RowProps, b: RowProps) =>
  a.row.id === b.row.id &&
  a.row.number === b.row.number &&
  a.row.liveFrom === b.row.liveFrom &&
  a.row.from.tag === b.row.from.tag &&
  a.row.to.tag === b.row.to.tag &&
  a.row.conductor.colour === b.row.conductor.colour &&
  a.row.cable?.tag === b.row.cable?.tag &&
  a.state === b.state &&
  a.sizeMm2 === b.sizeMm2 &&
  a.verdict === b.verdict &&
  a.what === b.what &&
  a.practice === b.practice &&
  a.chosen === b.chosen &&
  a.actions === b.actions &&
  a.shown === b.shown

const Row = memo(function Row({ row, state, sizeMm2, verdict, what, practice, chosen, actions, shown }: RowProps) {
  const has = new Set(shown.split(' '))
  return (
    <tr
      className={`wire-row border-b border-line ${chosen ? 'chosen' : ''}`}
      data-wire={row.id}
      aria-current={chosen}
      onClick={() => actions.choose(row.id)}
    >
      <td className="pl-4 pr-1 whitespace-nowrap">
        <button type="button" className="font-bold min-h-8 min-w-6 text-left" aria-label={nameOf(row)}>
          {row.number}
        </button>
        {state?.label !== undefined && state.label !== String(row.number) ? (
          <span className="mono text-[12px] mr-1 max-w-12 inline-block truncate align-bottom">{state.label}</span>
        ) : null}
        {row.liveFrom !== undefined ? (
          <span
            role="img"
            aria-label={`stays live from ${row.liveFrom}`}
            title={`stays live from ${row.liveFrom}`}
            className="inline-flex align-middle"
          >
            <Shape kind="look" size={12} />
          </span>
        ) : null}
      </td>
      {has.has('from') ? (
        <td className="px-1">
          <End end={row.from} strong={chosen} />
        </td>
      ) : null}
      {has.has('to') ? (
        <td className="px-1">
          <End end={row.to} strong={chosen} />
        </td>
      ) : null}
      {has.has('core') ? (
        <td className="px-1 whitespace-nowrap" title={`${row.conductor.colourName}, ${row.conductor.kind}`}>
          <span
            className="inline-block w-3.5 h-3.5 border border-edge align-[-2px] mr-1.5"
            style={{ background: swatches[row.conductor.colour] ?? '#888' }}
            aria-hidden
          />
          <span className="small">{coreText(row)}</span>
          {what ? <b className="small ml-1">{what === 'moved' ? 'moved' : 'new'}</b> : null}
          {state?.note ? <span aria-label="has a note"> *</span> : null}
        </td>
      ) : null}
      {has.has('size') ? <td className="px-1 small">{sizeText(practice, sizeMm2)}</td> : null}
      {has.has('land') ? (
        <td className="px-1" onClick={(event) => event.stopPropagation()}>
          <Tick
            label={`Wire ${row.number} landed`}
            checked={state?.landed === true}
            onChange={(on) => actions.land(row.id, on)}
          />
        </td>
      ) : null}
      {has.has('test') ? (
        <td className="px-1 pr-3">
          <span className="inline-flex min-h-8 items-center">
            <Proved number={row.number} verdict={verdict} />
          </span>
        </td>
      ) : null}
    </tr>
  )
}, same)

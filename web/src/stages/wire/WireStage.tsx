import { type ReactNode, useEffect, useRef } from 'react'
import { useNavigate, useParams } from 'react-router'
import { judgeRow } from '@nachtigal/core/check/checkLoop'
import type { RowState } from '@nachtigal/core/job/documents'
import { gaugeOf } from '@nachtigal/core/wiring/conductor'
import type { WireEnd, WireRow } from '@nachtigal/core/wiring/connectionList'
import { drafted, draftCleared } from '../../lib/draftsSlice'
import { useAppDispatch, useAppSelector } from '../../lib/store'
import { PHONE, useMedia } from '../../lib/useMedia'
import { Cautions } from '../../loop/Cautions'
import { useLoop } from '../../loop/loopContext'
import { Button } from '../../ui/Button'
import { NumberField } from '../../ui/NumberField'
import { NumberPad } from '../../ui/NumberPad'
import { Shape } from '../../ui/Shape'
import { TextField } from '../../ui/TextField'
import { Tick } from '../../ui/Tick'
import { WorkSheet } from '../../ui/WorkSheet'

const swatches: Record<string, string> = {
  BN: '#6b4226',
  BK: '#111',
  BU: '#2f6db0',
  GNYE: 'linear-gradient(135deg,#2c7a3a 50%,#e3c229 50%)',
  WH: '#fff',
  RD: '#b3261e',
  GN: '#2c7a3a',
  pair: '#8b9194',
}

const End = ({ end, strong }: { end: WireEnd; strong: boolean }) => (
  <span className="whitespace-nowrap">
    {end.tag} <span className={`terminal ${strong ? 'font-bold bg-mark' : ''}`}>{end.label}</span>
  </span>
)

/** Stage 3: the list from terminal to terminal, landed and tested row by row. */
export function WireStage() {
  const { rows, loop, job } = useLoop()
  const { row: chosenId } = useParams()
  const navigate = useNavigate()
  const phone = useMedia(PHONE)
  const chosen = rows.find(({ id }) => id === chosenId) ?? rows[0]
  const go = (row: WireRow | undefined) => {
    if (row) void navigate(`/jobs/${job.id}/loops/${loop.id}/wire/${encodeURIComponent(row.id)}`, { replace: true })
  }
  if (!chosen)
    return (
      <div className="p-6 bg-paper flex-1">
        <h2 className="h2">No wires yet</h2>
        <p className="my-2">The list is made from the chain.</p>
        <div className="max-w-xs">
          <Button to={`/jobs/${job.id}/loops/${loop.id}/match`}>Match the chain</Button>
        </div>
      </div>
    )
  const step = (by: number) => go(rows[Math.min(rows.length - 1, Math.max(0, rows.indexOf(chosen) + by))])
  return (
    <div className="fills grid grid-cols-[minmax(0,1fr)] max-lg:grid-rows-[auto_minmax(360px,1fr)] lg:grid-cols-[minmax(0,560px)_minmax(0,1fr)] min-h-0 flex-1 bg-paper overflow-auto lg:overflow-hidden">
      {phone ? (
        <WireStrip chosen={chosen} onChoose={go} />
      ) : (
        <section className="lg:border-r border-line flex flex-col min-h-0" aria-labelledby="wires">
          <Counts />
          <div
            className="overflow-auto flex-1 min-h-0"
            onKeyDown={(event) => {
              if (event.key === 'ArrowDown' || event.key === 'ArrowUp') {
                event.preventDefault()
                step(event.key === 'ArrowDown' ? 1 : -1)
              }
            }}
          >
            <table className="w-full border-collapse">
              <thead className="sticky top-0 bg-paper z-10">
                <tr className="lab border-b border-ink">
                  {['no.', 'from', 'to', 'core', job.practice === 'us' ? 'AWG' : 'mm²', 'label', 'land', 'test'].map(
                    (head) => (
                      <th key={head} className="lab text-left py-1.5 px-1 first:pl-4 border-b border-ink">
                        {head}
                      </th>
                    ),
                  )}
                </tr>
              </thead>
              <tbody>
                {rows.map((row) => (
                  <Row key={row.id} row={row} chosen={row.id === chosen.id} onChoose={() => go(row)} />
                ))}
              </tbody>
            </table>
          </div>
          <div className="border-t border-line p-3 pl-4">
            <Cautions stage="wire" />
          </div>
        </section>
      )}
      <RowSheet key={chosen.id} row={chosen} onNext={() => step(1)} last={rows.at(-1)?.id === chosen.id} />
    </div>
  )
}

/** On a phone: a cell for each wire, to be walked by the thumb; what is large stands below. */
function WireStrip({ chosen, onChoose }: { chosen: WireRow; onChoose: (row: WireRow) => void }) {
  const loop = useLoop()
  const cell = useRef<HTMLButtonElement>(null)
  useEffect(() => {
    cell.current?.scrollIntoView({ block: 'nearest', inline: 'center' })
  }, [chosen.id])
  return (
    <section aria-labelledby="wires">
      <Counts />
      <nav className="flex overflow-x-auto border-y border-line" aria-label="Wires">
        {loop.rows.map((row) => (
          <button
            key={row.id}
            ref={row.id === chosen.id ? cell : undefined}
            type="button"
            aria-current={row.id === chosen.id}
            aria-label={nameOf(row)}
            className={`h-[52px] min-w-[52px] grid place-items-center border-r border-line ${row.id === chosen.id ? 'chosen' : ''}`}
            onClick={() => onChoose(row)}
          >
            <span
              className={`leading-4 ${loop.loop.wiring.rows[row.id]?.landed ? 'underline underline-offset-2' : ''}`}
            >
              {row.number}
            </span>
            <Tested row={row} size={14} />
          </button>
        ))}
      </nav>
    </section>
  )
}

const nameOf = (row: WireRow) =>
  `Wire ${row.number}, ${row.from.tag} ${row.from.label} to ${row.to.tag} ${row.to.label}`

/** Shape of a wire's test, told to a reader too. */
function Tested({ row, size = 16 }: { row: WireRow; size?: number }) {
  const { verdict } = judgeRow(useLoop(), row)
  const says = { fits: 'tested', stop: 'failed its test', waiting: 'not tested' }[verdict]
  return (
    <span className="inline-flex items-center" aria-label={`Wire ${row.number} ${says}`} role="img">
      <Shape kind={verdict} size={size} />
    </span>
  )
}

/** Ticked when the wire sits in both its terminals. */
function Landed({ row, children }: { row: WireRow; children?: ReactNode }) {
  const { state, write } = useRow(row)
  const { landed: _old, ...rest } = state ?? {}
  return (
    <Tick
      label={`Wire ${row.number} landed`}
      checked={state?.landed === true}
      onChange={(on) => write(on ? { ...rest, landed: true } : rest)}
    >
      {children}
    </Tick>
  )
}

function Counts() {
  const loop = useLoop()
  const landed = loop.rows.filter(({ id }) => loop.loop.wiring.rows[id]?.landed).length
  const tested = loop.rows.filter((row) => judgeRow(loop, row).verdict === 'fits').length
  return (
    <div className="flex items-baseline gap-3 px-4 pt-2 pb-1">
      <h2 id="wires" className="h2">
        Wires
      </h2>
      <span className="text-ink2">
        {landed} of {loop.rows.length} landed, {tested} tested
      </span>
    </div>
  )
}

/** Writes one row's state. */
function useRow(row: WireRow) {
  const context = useLoop()
  const { loop, change } = context
  const state = loop.wiring.rows[row.id]
  const write = (next: RowState) =>
    change({ loop: { ...loop, wiring: { rows: { ...loop.wiring.rows, [row.id]: next } } } })
  return { state, write, ...judgeRow(context, row) }
}

const sizeText = (practice: string, mm2: number) =>
  practice === 'us' ? (gaugeOf[String(mm2)] ?? `${mm2}`).replace(' AWG', '') : String(mm2)

function Row({ row, chosen, onChoose }: { row: WireRow; chosen: boolean; onChoose: () => void }) {
  const { job } = useLoop()
  const { state, sizeMm2 } = useRow(row)
  return (
    <tr className={`h-9 border-b border-line ${chosen ? 'chosen' : ''}`} aria-current={chosen} onClick={onChoose}>
      <td className="pl-4 pr-1">
        <button type="button" className="font-bold min-h-8 min-w-6 text-left" aria-label={nameOf(row)}>
          {row.number}
        </button>
      </td>
      <td className="px-1">
        <End end={row.from} strong={chosen} />
      </td>
      <td className="px-1">
        <End end={row.to} strong={chosen} />
      </td>
      <td className="px-1 whitespace-nowrap">
        <span
          className="inline-block w-3.5 h-3.5 border border-edge align-[-2px] mr-1.5"
          style={{ background: swatches[row.conductor.colour] ?? '#888' }}
          aria-hidden
        />
        {row.conductor.colourName}
      </td>
      <td className="px-1">{sizeText(job.practice, sizeMm2)}</td>
      <td className="px-1 max-w-20 truncate mono" title={state?.note}>
        {state?.label ?? row.number}
        {state?.note ? <span aria-label="has a note"> *</span> : null}
      </td>
      <td className="px-1" onClick={(event) => event.stopPropagation()}>
        <Landed row={row} />
      </td>
      <td className="px-1 pr-4">
        <span className="inline-flex min-h-8 items-center">
          <Tested row={row} />
        </span>
      </td>
    </tr>
  )
}

/** One wire, large: land it, test it, go on. */
function RowSheet({ row, onNext, last }: { row: WireRow; onNext: () => void; last: boolean }) {
  const { job, loop, preferences, reading, words } = useLoop()
  const { state, write, verdict, limitOhm, assumed, lengthM, sizeMm2 } = useRow(row)
  const dispatch = useAppDispatch()
  const phone = useMedia(PHONE)
  const key = `${loop.id}/wire/${row.id}/ohm`
  const text = useAppSelector((s) => s.drafts[key] ?? '')
  const { tested: _tested, ...untested } = state ?? {}
  const keep = (typed: string, unreadable?: 'over-range' | 'none') => {
    const wrong =
      typed === '' && !unreadable
        ? write(untested)
        : write({
            ...untested,
            tested: reading(
              unreadable === 'over-range' ? 'OL' : typed,
              'resistance',
              preferences,
              unreadable ?? 'value',
            ),
          })
    return wrong
  }
  const overRange = () => {
    dispatch(draftCleared(key))
    keep('', 'over-range')
  }
  const land = () => {
    write({ ...(state ?? {}), landed: true })
    onNext()
  }
  const size = job.practice === 'us' ? (gaugeOf[String(sizeMm2)] ?? `${sizeMm2} mm²`) : `${sizeMm2} mm²`
  return (
    <WorkSheet
      labelledBy="wire-title"
      actions={
        <>
          {phone ? (
            <NumberPad
              none="over-range"
              text={text}
              onText={(next) => dispatch(drafted({ key, text: next }))}
              onNone={overRange}
            />
          ) : null}
          {phone ? null : (
            <Button second onClick={onNext} end="" disabled={last}>
              {last ? 'This is the last wire' : 'Next wire'}
            </Button>
          )}
          {state?.landed ? (
            <Button
              onClick={() => {
                if (text !== '') {
                  const wrong = keep(text)
                  if (wrong) return
                  dispatch(draftCleared(key))
                }
                onNext()
              }}
            >
              {last ? 'Keep' : 'Keep, next wire'}
            </Button>
          ) : (
            <Button onClick={land}>{last ? 'Landed' : 'Landed, next wire'}</Button>
          )}
        </>
      }
    >
      <div className="flex items-center flex-wrap gap-x-4 gap-y-2">
        <h2 id="wire-title" className="h2">
          Wire {row.number}
        </h2>
        <span className="text-[17px] flex items-center gap-3">
          <End end={row.from} strong /> to <End end={row.to} strong />
        </span>
        <span className="text-ink2 ml-auto">
          {row.conductor.colourName}, {size}, {row.circuit === 'mains' ? 'mains' : 'extra-low voltage'}
        </span>
      </div>
      {phone ? (
        <div className="flex items-center gap-4 -my-2">
          <Landed row={row}>landed</Landed>
          <Cautions stage="wire" brief className="flex-1 min-w-0" />
        </div>
      ) : null}
      <p className="text-[16px] leading-6 not-phone">
        {row.from.tag} {row.from.deviceName}, terminal <b>{row.from.label}</b>, to {row.to.tag} {row.to.deviceName},
        terminal <b>{row.to.label}</b>. Colour and size: check local code.
      </p>
      <div className="not-phone grid grid-cols-3 gap-4">
        <NumberField
          label="Length"
          draftKey={`${loop.id}/wire/${row.id}/length`}
          value={state?.lengthM}
          quantity="length"
          preferences={preferences}
          low={0}
          high={10000}
          placeholder={assumed ? 'not known' : ''}
          onCommit={(next) => {
            const { lengthM: _l, ...rest } = state ?? {}
            return write(next === undefined ? rest : { ...rest, lengthM: next })
          }}
        />
        <TextField
          label="Label"
          draftKey={`${loop.id}/wire/${row.id}/label`}
          value={state?.label ?? ''}
          placeholder={String(row.number)}
          most={20}
          onCommit={(next) => {
            const { label: _l, ...rest } = state ?? {}
            return write(next === '' ? rest : { ...rest, label: next })
          }}
        />
        <TextField
          label="Note"
          draftKey={`${loop.id}/wire/${row.id}/note`}
          value={state?.note ?? ''}
          most={300}
          onCommit={(next) => {
            const { note: _n, ...rest } = state ?? {}
            return write(next === '' ? rest : { ...rest, note: next })
          }}
        />
      </div>
      {row.circuit === 'mains' ? (
        <p className="caution">
          <Shape kind="look" size={18} />
          <span>
            <b>Dead first.</b> Isolate, lock off, prove dead on every pole before this test. First live is for an
            authorised person only.
          </span>
        </p>
      ) : null}
      <p>
        {phone
          ? 'Power off, one end lifted, ohms end to end: '
          : `Power off. Lift one end of core ${row.number}, meter on ohms from end to end. Should read `}
        <b>under {words.say(limitOhm, 'resistance', 2)}</b>, {words.say(lengthM, 'length')} of wire
        {assumed ? ' assumed' : ''}, joints and tips.
      </p>
      <NumberField
        label="Meter reads"
        draftKey={key}
        value={state?.tested?.value}
        shown={state?.tested?.state === 'over-range' ? 'OL' : (state?.tested?.text ?? '')}
        quantity="resistance"
        preferences={preferences}
        low={0}
        high={1e9}
        big
        onCommit={(_value, typed) => keep(typed)}
        finding={verdict === 'stop' ? 'stop' : undefined}
      />
      {verdict === 'stop' ? (
        <p role="alert" className="caution">
          <Shape kind="stop" size={18} />
          <span>
            <b>Not proved, do not energise.</b>{' '}
            {state?.tested?.state === 'over-range'
              ? 'The wire is open.'
              : `Over ${words.say(limitOhm, 'resistance', 2)}.`}{' '}
            Check both ends, the joint and the core number, then measure again.
          </span>
        </p>
      ) : null}
      {verdict === 'fits' ? (
        <p className="caution">
          <Shape kind="fits" size={18} />
          <span>
            <b>Good.</b> Under {words.say(limitOhm, 'resistance', 2)}.
          </span>
        </p>
      ) : null}
      {phone ? null : (
        <button type="button" className="third self-start min-h-8" onClick={overRange}>
          Meter shows over-range
        </button>
      )}
    </WorkSheet>
  )
}

import { sizeWords } from '@nachtigal/core/words/sizeWords'
import type { WireRow } from '@nachtigal/core/wiring/wireRow'
import { measuredOhm } from '@nachtigal/core/document/fields/readingFields'
import { draftCleared, drafted } from '../../state/draftsSlice'
import { useAppDispatch, useAppSelector } from '../../state/store'
import { PHONE, useMedia } from '../../lib/useMedia'
import { Cautions } from '../../loop/Cautions'
import { useLoop } from '../../loop/loopContext'
import { useTemporary } from '../../loop/useTemporary'
import { Button } from '../../design/Button'
import { NumberField } from '../../design/NumberField'
import { NumberPad } from '../../design/NumberPad'
import { Shape } from '../../design/Shape'
import { WorkSheet } from '../../design/WorkSheet'
import { useRow } from './useRow'
import { End, Landed } from './wireMarks'
import { WireDetails, WireLoad } from './WireDetails'

/** One wire, large: land it, test it, go on. */
export function WireSheet({ row, onNext, last }: { row: WireRow; onNext: () => void; last: boolean }) {
  const { job, loop, preferences, reading, words, wires } = useLoop()
  const temporary = useTemporary()
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
    // The number goes on the wire: it stays with it whatever happens to the list.
    write({ ...(state ?? {}), landed: true, number: row.number })
    onNext()
  }
  const size = sizeWords(job.practice, sizeMm2)
  const verdictLine =
    verdict === 'stop' ? (
      <p role="alert" className="caution">
        <Shape kind="stop" size={18} />
        <span>
          <b>Not proved, do not energise.</b>{' '}
          {state?.tested?.state === 'over-range'
            ? 'The wire is open.'
            : `Over ${words.say(limitOhm, 'resistance', 2)}.`}{' '}
          Check both ends, the connection and the core number, then measure again.
        </span>
      </p>
    ) : verdict === 'fits' ? (
      <p className="caution">
        <Shape kind="fits" size={18} />
        <span>
          <b>Good.</b> Under {words.say(limitOhm, 'resistance', 2)}.
        </span>
      </p>
    ) : null
  const field = (
    <NumberField
      label="Meter reads"
      draftKey={key}
      value={state?.tested?.value}
      shown={state?.tested?.state === 'over-range' ? 'OL' : (state?.tested?.text ?? '')}
      field={measuredOhm}
      preferences={preferences}
      big={phone}
      onCommit={(_value, typed) => keep(typed)}
      finding={verdict === 'stop' ? 'stop' : undefined}
    />
  )
  const next = state?.landed ? (
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
  )
  const ends = (
    <span className="text-[17px] flex items-center gap-3">
      <End end={row.from} strong /> to <End end={row.to} strong />
    </span>
  )
  const mainsLine =
    row.circuit === 'mains' ? (
      <p className="caution">
        <Shape kind="look" size={18} />
        <span>
          <b>Dead first.</b> Isolate, lock off, prove dead on every pole.
          {row.liveFrom === undefined ? '' : ` It stays live from ${row.liveFrom}: lock that off too.`}
        </span>
      </p>
    ) : row.liveFrom === undefined ? null : (
      <p className="caution">
        <Shape kind="look" size={18} />
        <span>
          <b>Stays live from {row.liveFrom}</b> while {wires.main?.tag ?? 'the loop'} is off.
        </span>
      </p>
    )
  const lift = (
    <button
      type="button"
      className="third min-h-8 max-md:min-h-12 text-left"
      onClick={() =>
        temporary.put(
          'lifted',
          `Wire ${row.number} lifted, ${row.from.tag} ${row.from.label} to ${row.to.tag} ${row.to.label}`,
        )
      }
    >
      Lifted: on the temporary list
    </button>
  )
  if (phone)
    return (
      <WorkSheet
        labelledBy="wire-title"
        actions={
          <>
            <NumberPad
              none="over-range"
              text={text}
              onText={(typed) => dispatch(drafted({ key, text: typed }))}
              onNone={overRange}
            />
            {next}
          </>
        }
      >
        <div className="flex items-center flex-wrap gap-x-4 gap-y-2">
          <h2 id="wire-title" className="h2">
            Wire {row.number}
          </h2>
          {ends}
          <span className="text-ink2">
            {row.conductor.colourName}, {size}
          </span>
        </div>
        <div className="flex items-center gap-4 -my-2">
          <Landed row={row}>landed</Landed>
          <Cautions step="wire" brief className="flex-1 min-w-0" />
        </div>
        <p>
          Power off, one end lifted, ohms end to end: <b>under {words.say(limitOhm, 'resistance', 2)}</b>,{' '}
          {words.say(lengthM, 'length')} of wire{assumed ? ' assumed' : ''}, connections and tips.
        </p>
        {field}
        {verdictLine}
        {mainsLine}
        {row.hint === undefined ? null : <p>{row.hint}</p>}
        {lift}
        <WireDetails row={row} />
      </WorkSheet>
    )
  return (
    <section
      className="border-t border-ink px-4 py-2 grid gap-1.5 flex-none max-h-[55%] overflow-auto"
      aria-labelledby="wire-title"
    >
      <div className="flex items-center flex-wrap gap-x-4 gap-y-1">
        <h2 id="wire-title" className="h2">
          Wire {row.number}
        </h2>
        {ends}
        <span className="small text-ink2 ml-auto">
          {row.conductor.colourName}, {size}, {row.conductor.kind}
        </span>
      </div>
      <div className="grid grid-cols-[minmax(0,1fr)_136px_184px] gap-4 items-end">
        <div className="grid gap-0.5 self-start">
          {verdictLine ?? mainsLine}
          <p className="leading-5">
            Power off. Lift one end of core {row.number}, ohms end to end:{' '}
            <b>under {words.say(limitOhm, 'resistance', 2)}</b>, {words.say(lengthM, 'length')}
            {assumed ? ' assumed' : ''}, connections and tips.{' '}
            <button type="button" className="third" onClick={overRange}>
              Meter shows over-range
            </button>
          </p>
          {row.hint === undefined ? null : <p className="small">{row.hint}</p>}
        </div>
        {field}
        {next}
      </div>
      <div className="small text-ink2 flex flex-wrap gap-x-4 items-center">
        <WireLoad row={row} /> {lift}
      </div>
      <details className="small">
        <summary className="cursor-pointer min-h-6">
          Length, section, label, note:{' '}
          {state?.lengthM === undefined ? 'length not known' : words.say(lengthM, 'length')}, {size}, label{' '}
          {state?.label ?? row.number}
          {state?.note ? `, ${state.note}` : ''}
        </summary>
        <WireDetails row={row} />
      </details>
    </section>
  )
}

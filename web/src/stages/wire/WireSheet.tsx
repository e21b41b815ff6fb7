import { gaugeOf } from '@nachtigal/core/wiring/conductor'
import type { WireRow } from '@nachtigal/core/wiring/connectionList'
import { draftCleared, drafted } from '../../lib/draftsSlice'
import { useAppDispatch, useAppSelector } from '../../lib/store'
import { PHONE, useMedia } from '../../lib/useMedia'
import { Cautions } from '../../loop/Cautions'
import { useLoop } from '../../loop/loopContext'
import { Button } from '../../ui/Button'
import { NumberField } from '../../ui/NumberField'
import { NumberPad } from '../../ui/NumberPad'
import { Shape } from '../../ui/Shape'
import { TextField } from '../../ui/TextField'
import { WorkSheet } from '../../ui/WorkSheet'
import { useRow } from './useRow'
import { End, Landed } from './wireMarks'

/** One wire, large: land it, test it, go on. */
export function WireSheet({ row, onNext, last }: { row: WireRow; onNext: () => void; last: boolean }) {
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

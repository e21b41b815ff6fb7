import { useMemo } from 'react'
import { cutKey, type HuntGround, huntReadings, huntShort, huntTest } from '@nachtigal/core/commissioning/shortFinder'
import { measuredOhm } from '@nachtigal/core/document/fields/readingFields'
import { draftCleared, drafted } from '../../state/draftsSlice'
import { useAppDispatch, useAppSelector } from '../../state/store'
import { PHONE, useMedia } from '../../lib/useMedia'
import { Cautions } from '../../loop/Cautions'
import { useLoop } from '../../loop/loopContext'
import { AddTemporary } from '../../loop/TemporaryBar'
import { Button } from '../../design/Button'
import { NumberField } from '../../design/NumberField'
import { NumberPad } from '../../design/NumberPad'
import { Shape } from '../../design/Shape'
import { WorkSheet } from '../../design/WorkSheet'
import { useKeepReading } from '../../loop/useKeepReading'

/** The short finder: which cut to make, what it reads, and on with the half that is joined until one part is left. */
export function HuntSheet({ ground, onDone }: { ground: HuntGround; onDone: () => void }) {
  const { loop, reading, preferences } = useLoop()
  const dispatch = useAppDispatch()
  const phone = useMedia(PHONE)
  const keepReading = useKeepReading()
  const readings = useMemo(() => huntReadings(loop, ground), [loop, ground])
  const hunt = huntShort(ground.branches, readings)
  const key = `${loop.id}/hunt/${ground.id}/${readings.length}`
  const draft = useAppSelector((state) => state.drafts[key])
  const { cut } = hunt
  const keep = (typed: string, state: 'value' | 'over-range' = 'value') =>
    cut
      ? keepReading(
          huntTest(ground.id),
          cutKey(ground, cut),
          reading(state === 'over-range' ? 'OL' : typed, 'resistance', preferences, state),
        )
      : undefined
  const overRange = () => {
    dispatch(draftCleared(key))
    keep('', 'over-range')
  }
  const state = (id: string) =>
    hunt.found.some(({ branch }) => branch === id) ? 'found' : hunt.sound.includes(id) ? 'sound' : 'suspect'
  const clean = hunt.state === 'clean'
  return (
    <WorkSheet
      labelledBy="hunt-title"
      actions={
        clean ? (
          <Button onClick={onDone}>Back to the dead tests</Button>
        ) : (
          <>
            {phone ? (
              <NumberPad
                none="over-range"
                text={draft ?? ''}
                onText={(text) => dispatch(drafted({ key, text }))}
                onNone={overRange}
              />
            ) : (
              <Button second end="" onClick={overRange}>
                Meter shows over-range
              </Button>
            )}
            <Button
              disabled={draft === undefined}
              onClick={() => {
                if (draft !== undefined && keep(draft) === undefined) dispatch(draftCleared(key))
              }}
            >
              {draft === undefined ? 'Type the reading first' : 'Keep, next cut'}
            </Button>
          </>
        )
      }
    >
      <h2 id="hunt-title" className="h2">
        Short finder: {ground.title}
      </h2>
      <Cautions step="wire" brief />
      <p className="caution">
        <Shape kind="look" size={18} />
        <span>
          <b>Dead only.</b> Isolated, locked, proved dead; neutrals lifted. Never search by resetting a breaker.
        </span>
      </p>
      <p
        className="text-[17px] leading-[26px] max-md:text-[16px] max-md:leading-6"
        data-cut={cut?.connected.join(' ') ?? ''}
      >
        {hunt.state === 'mend' ? <Shape kind="stop" size={18} /> : clean ? <Shape kind="fits" size={18} /> : null}{' '}
        {hunt.doing}
      </p>
      <p>
        Should: <b>{hunt.should}</b>
      </p>
      {clean ? null : (
        <NumberField
          key={key}
          label="Meter reads"
          draftKey={key}
          value={undefined}
          field={measuredOhm}
          preferences={preferences}
          big
          onCommit={(si, typed) => (si === undefined ? undefined : keep(typed))}
        />
      )}
      <AddTemporary trigger="Neutrals lifted, contacts bridged? Enter them" />
      <div className="grid md:grid-cols-2 gap-6 border-t border-line pt-3">
        <section aria-label="Branches">
          <h3 className="h3">Branches</h3>
          <ul>
            {ground.branches.map(({ id, title }) => {
              const on = cut?.connected.includes(id) === true
              return (
                <li key={id} className="flex items-center gap-3 min-h-8 border-b border-line">
                  <Shape kind={state(id) === 'found' ? 'stop' : state(id) === 'sound' ? 'fits' : 'waiting'} />
                  <span className={on ? 'font-bold' : 'text-ink2'}>{title}</span>
                  <span className="ml-auto small">
                    {clean ? '' : on ? 'on' : 'lifted'}
                    {state(id) === 'suspect' ? '' : `, ${state(id)}`}
                  </span>
                </li>
              )
            })}
          </ul>
        </section>
        <section aria-label="Readings so far">
          <h3 className="h3">Readings so far</h3>
          <ol>
            {hunt.told.map(({ cut: was, says, shorted }, i) => (
              <li key={i} className="flex items-baseline gap-3 min-h-8 border-b border-line">
                <Shape kind={shorted ? 'stop' : 'fits'} />
                <span>
                  {was.connected.length === ground.branches.length && was.parts === undefined
                    ? 'The whole'
                    : was.connected
                        .map((id) => ground.branches.find((b) => b.id === id)?.title.split(' ')[0])
                        .join(', ')}
                  {was.parts === undefined ? '' : `, first ${was.parts} parts`}: {says}
                </span>
              </li>
            ))}
          </ol>
        </section>
      </div>
    </WorkSheet>
  )
}

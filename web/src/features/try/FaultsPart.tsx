import { faultHour } from '@nachtigal/core/document/fields/loopFields'
import { X } from 'lucide-react'
import { ChoiceField } from '../../design/ChoiceField'
import { NumberField } from '../../design/NumberField'
import { useLoop } from '../../loop/loopContext'
import { RunMeaning } from './RunMeaning'
import { RunStrip } from './RunStrip'
import { useTrial } from './trial'

/** Most faults at a time: with more nobody tells which one does what. */
const MOST = 4

/** What this loop does when something breaks: a fault at an hour, the strip under it. */
export function FaultsPart() {
  const { loop, words, preferences } = useLoop()
  const { choice, choose, offers, state, run } = useTrial()
  const hours = (run!.scenario.durationS ?? 0) / 3600
  const titleOf = (id: string) => words.tell(offers.find((offer) => offer.id === id)?.title ?? id)
  const put = (at: number, change: object) =>
    choose({ faults: choice.faults.map((fault, i) => (i === at ? { ...fault, ...change } : fault)) })
  return (
    <div className="work">
      <div className="try-main">
        <div className="faults">
          <ChoiceField
            label="Break something"
            value={undefined}
            empty={choice.faults.length >= MOST ? `${MOST} at a time are enough` : 'choose what'}
            choices={choice.faults.length >= MOST ? [] : offers.map(({ id }) => ({ value: id, title: titleOf(id) }))}
            onChoose={(id) => choose({ faults: [...choice.faults, { id, atH: Math.round(hours / 3) }] })}
          />
          {choice.faults.length === 0 ? (
            <p className="text-ink2 self-end pb-2">
              Nothing is broken. Broken things are tried here, never at the plant.
            </p>
          ) : null}
          <ul>
            {choice.faults.map((fault, i) => (
              <li key={`${fault.id} ${i}`} data-fault={fault.id}>
                <b>{titleOf(fault.id)}</b>
                <NumberField
                  label="From"
                  draftKey={`${loop.id}/fault/${i}/from`}
                  value={fault.atH}
                  field={faultHour}
                  preferences={preferences}
                  high={hours}
                  required
                  onCommit={(atH) => (atH === undefined ? undefined : put(i, { atH }))}
                />
                <NumberField
                  label="Until"
                  draftKey={`${loop.id}/fault/${i}/until`}
                  value={fault.untilH}
                  field={faultHour}
                  preferences={preferences}
                  high={hours}
                  placeholder="the end"
                  onCommit={(untilH) =>
                    untilH !== undefined && untilH <= fault.atH
                      ? `must be after ${words.say(fault.atH, 'hours')}, when it begins`
                      : put(i, { untilH })
                  }
                />
                <button
                  type="button"
                  className="tool"
                  aria-label={`Mend: ${titleOf(fault.id)}`}
                  onClick={() => choose({ faults: choice.faults.filter((_, k) => k !== i) })}
                >
                  <X size={18} strokeWidth={1.5} aria-hidden />
                </button>
              </li>
            ))}
          </ul>
        </div>
        <RunStrip
          state={state}
          run={run!}
          title={choice.faults.length > 0 ? 'With what is broken' : 'As it should be'}
        />
      </div>
      <RunMeaning />
    </div>
  )
}

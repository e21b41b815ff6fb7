import { spell } from '@nachtigal/core/time/spell'
import { timerView } from '@nachtigal/core/settings/timer/timerView'
import type { TimerPlan } from '@nachtigal/core/settings/timer/fields'
import { bindsAny, boundTo, timeFrom } from '@nachtigal/core/device/bound'
import { timerPlanRecord } from '@nachtigal/core/settings/timer/fields'
import { SpanStrip } from '../../drawing/SpanStrip'
import { PHONE, useMedia } from '../../lib/useMedia'
import { useLoop } from '../../loop/loopContext'
import { ChoiceField } from '../../design/ChoiceField'
import { NumberField } from '../../design/NumberField'
import { roundTicks } from './roundTicks'
import { MeaningPanel } from './MeaningPanel'
import { useSetting } from './setting'

/** The timer: once or again and again, and what each relay does meanwhile. */
export function TimerPart() {
  const { loop, preferences } = useLoop()
  const { context, device, whole, plan, move, safely, withWhole } = useSetting()
  const phone = useMedia(PHONE)
  const timer = whole.timer!
  const kept = loop.settings.controllers?.[device.id]?.timer ?? timer
  const view = timerView(context, device)!
  const { controller } = device.facts
  const a = controller && boundTo(controller, 'timer.a')
  const stepS = a ? timeFrom(a, a.step ?? 1) : 60
  const inMinutes = stepS >= 60
  const put = (change: Partial<TimerPlan>) => withWhole({ timer: { ...kept, ...change } })
  const key = (name: string) => `${loop.id}/${device.id}/timer/${name}`
  const time = (label: string, field: 'aS' | 'bS') => (
    <NumberField
      key={field}
      label={label}
      draftKey={key(field)}
      value={inMinutes ? timer[field] / 60 : timer[field]}
      field={timerPlanRecord.fields[field]}
      {...(inMinutes ? { quantity: 'minutes', high: timerPlanRecord.fields[field].max / 60 } : {})}
      preferences={preferences}
      stepSi={1}
      required
      onCommit={(v) => (v === undefined ? undefined : safely(() => put({ [field]: inMinutes ? v * 60 : v })))}
    />
  )
  const waits = view.relays[0]?.stretches.find(({ part }) => part === 'waits')
  const begins = waits?.toS ?? 0
  return (
    <div className="work">
      <section className="flex flex-col min-h-0 min-w-0" aria-labelledby="timer-title">
        <div className="flex items-baseline gap-4 px-4 pt-2">
          <h2 id="timer-title" className="h2">
            Timer
          </h2>
          <span className="text-ink2 min-w-0 not-phone">what each relay does when; drag where A and B end</span>
        </div>
        <div className="flex-1 min-h-0 max-lg:flex-none px-2 flex items-center">
          {view.none ? (
            <p role="alert" className="p-4">
              {view.none}
            </p>
          ) : (
            <SpanStrip
              label="Timer"
              until={view.untilS}
              compact={phone}
              rows={view.relays.map(({ port, title, follows, stretches }) => ({
                id: port,
                title,
                note: follows === 'both' ? 'and the thermostat' : 'the timer alone',
                tint:
                  follows === 'both'
                    ? plan?.action === 'cooling'
                      ? ('cold' as const)
                      : ('heat' as const)
                    : ('ink' as const),
                spans: stretches.map(({ fromS, toS, on, part }) => ({
                  from: fromS,
                  to: toS,
                  on,
                  title: part === 'waits' ? 'heats up' : part === 'over' ? 'over' : part,
                })),
              }))}
              handles={[
                ...(timer.aS > 0
                  ? [
                      {
                        id: 'a',
                        label: 'Time A ends',
                        at: begins + timer.aS,
                        says: spell(timer.aS),
                        step: stepS,
                        move: (to: number, done: boolean) =>
                          move(() => put({ aS: Math.max(stepS, Math.round((to - begins) / stepS) * stepS) }), done),
                      },
                    ]
                  : []),
                ...(timer.mode === 'repeat' && timer.bS > 0
                  ? [
                      {
                        id: 'b',
                        label: 'Time B ends',
                        at: begins + timer.aS + timer.bS,
                        says: spell(timer.bS),
                        step: stepS,
                        move: (to: number, done: boolean) =>
                          move(
                            () => put({ bS: Math.max(stepS, Math.round((to - begins - timer.aS) / stepS) * stepS) }),
                            done,
                          ),
                      },
                    ]
                  : []),
              ]}
              ticks={roundTicks(view.untilS)}
            />
          )}
        </div>
        <ul className="px-4 pb-2 small text-ink2">
          {view.relays.map(({ port, title, says }) => (
            <li key={port}>
              {title}: {says}
            </li>
          ))}
        </ul>
        <div className="param-row">
          <ChoiceField
            label="It"
            value={timer.mode}
            choices={[
              { value: 'once', title: 'counts once' },
              ...(controller && bindsAny(controller, 'timer.mode')
                ? [{ value: 'repeat', title: 'repeats A and B' }]
                : []),
            ]}
            onChoose={(mode) => safely(() => put({ mode: mode as TimerPlan['mode'] }))}
          />
          {time('Time A', 'aS')}
          {controller && bindsAny(controller, 'timer.b') ? time('Time B', 'bS') : null}
          {controller && bindsAny(controller, 'timer.from') ? (
            <ChoiceField
              label="Counts from"
              value={timer.from}
              choices={[
                { value: 'key', title: 'the key' },
                { value: 'heat', title: 'when the setpoint is reached' },
              ]}
              onChoose={(from) => safely(() => put({ from: from as TimerPlan['from'] }))}
            />
          ) : null}
          {controller && bindsAny(controller, 'timer.counts') ? (
            <ChoiceField
              label="Display counts"
              value={timer.counts}
              choices={[
                { value: 'down', title: 'down, what is left' },
                { value: 'up', title: 'up, what has run' },
              ]}
              onChoose={(counts) => safely(() => put({ counts: counts as TimerPlan['counts'] }))}
            />
          ) : null}
        </div>
      </section>
      <MeaningPanel lines={view.lines} />
    </div>
  )
}

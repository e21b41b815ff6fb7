import { spell } from '@nachtigal/core/time/spell'
import { defrostView } from '@nachtigal/core/settings/defrost/defrostView'
import type { DefrostPlan } from '@nachtigal/core/settings/defrost/fields'
import { bindsAny } from '@nachtigal/core/device/bound'
import { defrostPlanRecord } from '@nachtigal/core/settings/defrost/fields'
import { SpanStrip } from '../../drawing/SpanStrip'
import { PHONE, useMedia } from '../../lib/useMedia'
import { useLoop } from '../../loop/loopContext'
import { ChoiceField } from '../../design/ChoiceField'
import { NumberField } from '../../design/NumberField'
import { MeaningPanel } from './MeaningPanel'
import { roundTicks } from './roundTicks'
import { useSetting } from './setting'
import { useDisplay } from './useDisplay'

/** The defrost: one cycle from start to start, and what it does to the room. */
export function DefrostPart() {
  const { loop, preferences, words } = useLoop()
  const { context, device, whole, findings, move, safely, withWhole } = useSetting()
  const { stepSi } = useDisplay()
  const phone = useMedia(PHONE)
  const plan = whole.defrost!
  const kept = loop.settings.controllers?.[device.id]?.defrost ?? plan
  const view = defrostView(context, device)!
  const { controller } = device.facts
  const put = (change: Partial<DefrostPlan>) => withWhole({ defrost: { ...kept, ...change } })
  const key = (name: string) => `${loop.id}/${device.id}/defrost/${name}`
  const has = (code: string) => findings.some((f) => f.code === code)
  const follows = plan.leads === false
  const number = (
    label: string,
    field: 'everyH' | 'coilC' | 'endC' | 'longestMin' | 'dripMin' | 'fanBackC' | 'blindMin',
    finding?: 'look' | 'stop',
  ) => (
    <NumberField
      key={field}
      label={label}
      draftKey={key(field)}
      value={plan[field]}
      field={defrostPlanRecord.fields[field]}
      preferences={preferences}
      {...(defrostPlanRecord.fields[field].quantity === 'temperature' ? { stepSi } : {})}
      required
      finding={finding}
      onCommit={(v) => (v === undefined ? undefined : safely(() => put({ [field]: v })))}
    />
  )
  const { cycle } = view
  // The defrost itself fills the strip; the hours of cooling after it are told, not drawn out.
  const busyMin = cycle ? (cycle.stretches.find(({ phase }) => phase === 'cools')?.fromMin ?? cycle.periodMin) : 0
  // As far as the longest time, so that it can be taken.
  const untilS = Math.max(600, busyMin * 60 * 1.5, plan.longestMin * 60 * 1.08)
  const melted = cycle?.stretches.find(({ phase }) => phase === 'melts')
  const dripped = cycle?.stretches.find(({ phase }) => phase === 'drips')
  const fanWaits = cycle?.stretches.find(({ phase }) => phase === 'fan waits')
  const span = (fromMin: number, toMin: number, on: boolean, title?: string) => ({
    from: fromMin * 60,
    to: Math.min(untilS, toMin * 60),
    on,
    ...(title ? { title } : {}),
  })
  const meltEnd = melted?.toMin ?? 0
  const coolFrom = dripped?.toMin ?? meltEnd
  const fanFrom = fanWaits?.toMin ?? coolFrom
  const end = untilS / 60
  return (
    <div className="work">
      <section className="flex flex-col min-h-0 min-w-0" aria-labelledby="defrost-title">
        <div className="flex items-baseline gap-4 px-4 pt-2">
          <h2 id="defrost-title" className="h2">
            Defrost
          </h2>
          <span className="text-ink2 min-w-0 not-phone">
            {cycle ? `one defrost; then it cools until ${spell(cycle.periodMin * 60)} after this one began` : ''}
          </span>
        </div>
        <div className="flex-1 min-h-0 max-lg:flex-none px-2 flex items-center">
          {cycle ? (
            <SpanStrip
              label="Defrost"
              until={untilS}
              compact={phone}
              rows={[
                {
                  id: 'melt',
                  title: view.electric ? 'Defrost heater' : 'Melts by the fan',
                  note:
                    cycle.endedBy === 'coil'
                      ? `ends at ${words.say(plan.endC, 'temperature', 0)}`
                      : 'cut by the longest time',
                  tint: 'heat',
                  spans: [span(0, meltEnd, true, 'melts')],
                },
                {
                  id: 'cold',
                  title: 'Compressor',
                  note: `drips ${spell(plan.dripMin * 60)}`,
                  tint: 'cold',
                  spans: [
                    span(0, coolFrom, false, coolFrom - meltEnd > 0 ? 'rests' : ''),
                    span(coolFrom, end, true, 'cools'),
                  ],
                },
                {
                  id: 'fan',
                  title: 'Fan',
                  note: `back at ${words.say(plan.fanBackC, 'temperature', 0)}`,
                  tint: 'ink',
                  spans: view.electric
                    ? [span(0, fanFrom, false, 'held back'), span(fanFrom, end, true, 'runs')]
                    : [span(0, end, true, 'runs')],
                },
                {
                  id: 'blind',
                  title: 'Warm alarm',
                  note: 'blind after it',
                  tint: 'ink',
                  spans: [
                    span(0, Math.min(end, coolFrom + plan.blindMin), false, 'blind'),
                    ...(coolFrom + plan.blindMin < end ? [span(coolFrom + plan.blindMin, end, true, 'watches')] : []),
                  ],
                },
              ]}
              handles={[
                ...(bindsAny(controller!, 'defrost.longest')
                  ? [
                      {
                        id: 'longest',
                        label: 'Longest time',
                        at: plan.longestMin * 60,
                        says: `${plan.longestMin} minutes`,
                        step: 60,
                        move: (to: number, done: boolean) =>
                          move(() => put({ longestMin: Math.max(1, Math.round(to / 60)) }), done),
                      },
                    ]
                  : []),
                ...(bindsAny(controller!, 'defrost.drip')
                  ? [
                      {
                        id: 'drip',
                        label: 'Drip ends',
                        at: coolFrom * 60,
                        says: `${plan.dripMin} minutes of dripping`,
                        step: 60,
                        move: (to: number, done: boolean) =>
                          move(() => put({ dripMin: Math.max(0, Math.round(to / 60 - meltEnd)) }), done),
                      },
                    ]
                  : []),
              ]}
              ticks={roundTicks(untilS)}
            />
          ) : (
            <p role="alert" className="p-4">
              {view.noneSays}
            </p>
          )}
        </div>
        <div className="param-row">
          {controller && bindsAny(controller, 'defrost.by') ? (
            <ChoiceField
              label="Starts by"
              value={plan.by}
              choices={[
                { value: 'time', title: 'the clock' },
                { value: 'coil', title: 'a cold coil' },
              ]}
              onChoose={(by) => safely(() => put({ by: by as DefrostPlan['by'] }))}
            />
          ) : null}
          {plan.leads === undefined ? null : (
            <ChoiceField
              label="In the group it"
              value={plan.leads ? 'leads' : 'follows'}
              choices={[
                { value: 'leads', title: 'starts all' },
                { value: 'follows', title: 'melts with the leader' },
              ]}
              onChoose={(value) => safely(() => put({ leads: value === 'leads' }))}
            />
          )}
          {plan.waits === undefined ? null : (
            <ChoiceField
              label="Cools again"
              value={plan.waits ? 'all' : 'own'}
              choices={[
                { value: 'all', title: 'when all have melted' },
                { value: 'own', title: 'each by itself' },
              ]}
              onChoose={(value) => safely(() => put({ waits: value === 'all' }))}
            />
          )}
          {follows ? null : number('Every', 'everyH', has('C108_DEFROST_NEVER') ? 'look' : undefined)}
          {plan.coilC === undefined ? null : number('Or coil at', 'coilC')}
          {number('Ends at coil', 'endC')}
          {bindsAny(controller!, 'defrost.longest')
            ? number(
                'At most',
                'longestMin',
                has('C109_DEFROST_ENDLESS') ? 'stop' : has('C110_DEFROST_CUT_SHORT') ? 'look' : undefined,
              )
            : null}
          {bindsAny(controller!, 'defrost.drip') ? number('Drips for', 'dripMin') : null}
          {bindsAny(controller!, 'defrost.fanBack')
            ? number('Fan back at coil', 'fanBackC', has('C111_FAN_BACK_WARM') ? 'look' : undefined)
            : null}
          {bindsAny(controller!, 'defrost.blind') ? number('Alarm blind for', 'blindMin') : null}
        </div>
      </section>
      <MeaningPanel lines={view.lines} />
    </div>
  )
}

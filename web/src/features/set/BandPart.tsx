import { keeps } from '@nachtigal/core/settings/keptPlan'
import { useState } from 'react'
import { bandView } from '@nachtigal/core/settings/band/bandView'
import { tuneController, tuningMethods, type TuningMethod } from '@nachtigal/core/control/tuneController'
import { spell } from '@nachtigal/core/time/spell'
import type { BandBehaviour, PlanOf } from '@nachtigal/core/settings/behaviour'
import { anchored, moveBand } from '@nachtigal/core/settings/band/moveBand'
import { bindsAny } from '@nachtigal/core/device/bound'
import { bandRecord } from '@nachtigal/core/settings/band/fields'
import { stepTestFields } from '@nachtigal/core/calc/entries/tuning'
import { BandChart, type BandHandle } from '../../drawing/BandChart'
import { PHONE, useMedia } from '../../lib/useMedia'
import { useLoop } from '../../loop/loopContext'
import { ChoiceField } from '../../design/ChoiceField'
import { NumberField } from '../../design/NumberField'
import { TradeWays } from '../../loop/TradeSays'
import { BesideTrade } from './BesideTrade'
import { MeaningPanel } from './MeaningPanel'
import { useBesideTrade } from './useBesideTrade'
import { useSetting } from './setting'
import { useDisplay } from './useDisplay'

const limits = [
  ['lowestC', 'Lowest setpoint'],
  ['highestC', 'Highest setpoint'],
  ['alarmHighC', 'High alarm'],
] as const

/** The band: how much the output gives over the temperature, and where it comes to rest. */
export function BandPart() {
  const { plan } = useSetting()
  return plan?.kind === 'band' ? <Band plan={plan} /> : null
}

function Band({ plan }: { plan: PlanOf<BandBehaviour> }) {
  const { loop, preferences, words } = useLoop()
  const { context, device, findings, move, safely, withPlan } = useSetting()
  const { temperature, step, stepSi, out } = useDisplay()
  const phone = useMedia(PHONE)
  const board = useBesideTrade(plan)
  const kept = loop.settings.planned[plan.id] as BandBehaviour
  const view = bandView(context, plan)
  const { controller } = device.facts
  const key = (name: string) => `${loop.id}/${plan.id}/${name}`
  const has = (code: string) => findings.find((f) => f.code === code && f.about === plan.id)?.head
  const dragged = (handle: BandHandle, x: number, y: number) =>
    moveBand(kept, handle, handle === 'minimum' || handle === 'maximum' ? y : temperature.toSi(x), stepSi)
  const edit = (change: Partial<BandBehaviour>) => safely(() => withPlan(plan.id, { ...kept, ...change }))
  const number = (
    label: string,
    field:
      | 'setpointC'
      | 'bandK'
      | 'minimumPercent'
      | 'maximumPercent'
      | 'cycleS'
      | 'travelS'
      | 'integralS'
      | 'alarmHighC'
      | 'lowestC'
      | 'highestC',
    finding?: 'look',
  ) => (
    <NumberField
      key={field}
      label={label}
      draftKey={key(field)}
      value={plan[field]}
      field={bandRecord.fields[field]}
      preferences={preferences}
      {...(['temperature', 'difference'].includes(bandRecord.fields[field].quantity) ? { stepSi } : {})}
      required={!['alarmHighC', 'lowestC', 'highestC'].includes(field)}
      finding={finding}
      onCommit={(v) =>
        safely(() => {
          const { [field]: _old, ...rest } = kept
          return withPlan(plan.id, (v === undefined ? rest : { ...rest, [field]: v }) as BandBehaviour)
        })
      }
    />
  )
  return (
    <div className="work">
      <section className="flex flex-col min-h-0 min-w-0" aria-labelledby="band-title">
        <BesideTrade
          board={board}
          titleId="band-title"
          title="Band"
          hint={`moves by ${words.say(stepSi, 'difference')}, the display step of ${device.name}`}
        >
          <BandChart
            values={{
              action: plan.action,
              set: out(plan.setpointC),
              zero: out(view.zeroC),
              full: out(view.fullC),
              minimum: plan.minimumPercent,
              maximum: plan.maximumPercent,
              corners: view.corners.map(([c, percent]) => [out(c), percent] as const),
              rest: view.rest ? { at: out(view.rest.settlesC), percent: Math.min(100, view.rest.percent) } : undefined,
            }}
            unit={temperature.label}
            step={step}
            measured={view.scale.text}
            measuredTitle={view.scale.title}
            compact={phone || board !== undefined}
            marks={{
              ...(has('C119_BAND_UNDER_RESOLUTION') ? { full: has('C119_BAND_UNDER_RESOLUTION')! } : {}),
              ...(has('C120_BAND_SETTLES_AWAY') ? { rest: has('C120_BAND_SETTLES_AWAY')! } : {}),
            }}
            onMove={(handle, { x, y }, done) => move(() => withPlan(plan.id, dragged(handle, x, y)), done)}
          />
        </BesideTrade>
        <div className="param-row">
          {number('Setpoint', 'setpointC')}
          {number('Band', 'bandK', has('C119_BAND_UNDER_RESOLUTION') ? 'look' : undefined)}
          <ChoiceField
            label="At the setpoint, gives"
            className="double"
            value={plan.anchor}
            choices={[
              { value: 'centred', title: 'half' },
              { value: 'from-setpoint', title: 'nothing' },
            ]}
            onChoose={(anchor) => safely(() => withPlan(plan.id, anchored(kept, anchor as BandBehaviour['anchor'])))}
          />
          {controller && bindsAny(controller, 'action') ? (
            <ChoiceField
              label="Gives more as it gets"
              className="double"
              value={plan.action}
              choices={[
                { value: 'heating', title: 'colder (heats)' },
                { value: 'cooling', title: 'warmer (cools)' },
              ]}
              onChoose={(action) => edit({ action: action as BandBehaviour['action'] })}
            />
          ) : null}
          {number('Least output', 'minimumPercent')}
          {number('Most output', 'maximumPercent')}
          {controller && bindsAny(controller, 'integral') ? number('Integral time', 'integralS') : null}
          {plan.cycleS === undefined
            ? null
            : number('Cycle time', 'cycleS', has('C121_CYCLE_TIME_SHORT') ? 'look' : undefined)}
          {plan.travelS === undefined ? null : number('Valve travel', 'travelS')}
          {limits.map(([field, label]) => (keeps(controller, field) ? number(label, field) : null))}
        </div>
      </section>
      <MeaningPanel lines={view.lines} below={board ? <TradeWays board={board} /> : null}>
        {controller && bindsAny(controller, 'integral') ? (
          <Tune onUse={(bandK, integralS) => edit({ bandK, integralS: Math.round(integralS) })} plan={plan.id} />
        ) : null}
      </MeaningPanel>
    </div>
  )
}

const methodTitles: Readonly<Record<TuningMethod, string>> = {
  simc: 'calm (SIMC)',
  'cohen-coon': 'Cohen-Coon',
  'ziegler-nichols': 'quick (Ziegler-Nichols)',
}

/** Band and integral time from a step test: how much it rose, how fast, and how long nothing happened. */
function Tune({ onUse, plan }: { onUse: (bandK: number, integralS: number) => void; plan: string }) {
  const { preferences, words } = useLoop()
  const [gain, setGain] = useState<number>()
  const [time, setTime] = useState<number>()
  const [dead, setDead] = useState<number>()
  const [method, setMethod] = useState<TuningMethod>('simc')
  const tuning =
    gain !== undefined && time !== undefined && dead !== undefined
      ? tuneController(gain, time, dead, method)
      : undefined
  return (
    <details className="tune">
      <summary>From a step test</summary>
      <p className="small">
        Step the output by 10 % and write down: kelvins risen for each percent, time to 63 % of the rise, time before
        anything moved.
      </p>
      <div className="grid grid-cols-2 gap-2">
        <NumberField
          label="Rise for each %"
          draftKey={`${plan}/tune/gain`}
          value={gain}
          field={stepTestFields.gainKPerPercent}
          preferences={preferences}
          onCommit={setGain}
        />
        <NumberField
          label="63 % after"
          draftKey={`${plan}/tune/time`}
          value={time}
          field={stepTestFields.timeConstantS}
          preferences={preferences}
          onCommit={setTime}
        />
        <NumberField
          label="Nothing for"
          draftKey={`${plan}/tune/dead`}
          value={dead}
          field={stepTestFields.deadS}
          preferences={preferences}
          onCommit={setDead}
        />
        <ChoiceField
          label="Way"
          value={method}
          choices={tuningMethods.map((value) => ({ value, title: methodTitles[value] }))}
          onChoose={(value) => setMethod(value as TuningMethod)}
        />
      </div>
      {tuning ? (
        <p role="status" className="mt-1">
          Band <b>{words.say(tuning.bandK, 'difference')}</b>, integral <b>{spell(tuning.resetS)}</b>
          {tuning.rateS > 0 ? `, derivative ${spell(tuning.rateS)}` : ''}.{' '}
          <button type="button" className="third" onClick={() => onUse(tuning.bandK, tuning.resetS)}>
            Plan these
          </button>
        </p>
      ) : null}
    </details>
  )
}

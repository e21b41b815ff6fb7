import { keeps } from '@nachtigal/core/settings/keptPlan'
import { useState } from 'react'
import { commandWords, fanAt, fanView } from '@nachtigal/core/settings/fan/fanView'
import type { FanBehaviour, PlanOf } from '@nachtigal/core/settings/behaviour'
import { bindsAny } from '@nachtigal/core/device/bound'
import { fanRecord } from '@nachtigal/core/settings/fan/fields'
import { type FanHandle, FanMap } from '../../drawing/FanMap'
import { PHONE, useMedia } from '../../lib/useMedia'
import { useLoop } from '../../loop/loopContext'
import { ChoiceField } from '../../design/ChoiceField'
import { type DeclaredNumber, NumberField } from '../../design/NumberField'
import { MeaningPanel } from './MeaningPanel'
import { useSetting } from './setting'
import { useDisplay } from './useDisplay'

const fan = fanRecord.fields

/** The fan: the stronger of two demands, as a map with the point it works at. */
export function FanPart() {
  const { plan } = useSetting()
  return plan?.kind === 'fan' ? <Fan plan={plan} /> : null
}

function Fan({ plan }: { plan: PlanOf<FanBehaviour> }) {
  const { loop, preferences, words } = useLoop()
  const { context, device, findings, move, safely, withPlan } = useSetting()
  const { temperature, step, stepSi, out } = useDisplay()
  const phone = useMedia(PHONE)
  const kept = loop.settings.planned[plan.id] as FanBehaviour
  const [at, setAt] = useState({ temperatureC: plan.setpointC + 1, humidityPercent: (plan.humidityPercent ?? 60) + 2 })
  const view = fanView(context, plan, at)
  const { controller } = device.facts
  const key = (name: string) => `${loop.id}/${plan.id}/${name}`
  const here = fanAt(plan, at.temperatureC, at.humidityPercent)
  const edit = (change: Partial<FanBehaviour>) => safely(() => withPlan(plan.id, { ...kept, ...change }))
  const stops = findings.some(({ code }) => code === 'C104_FAN_MAY_STAND')
  const moved = (handle: FanHandle, x: number, y: number, done: boolean) => {
    const celsius = temperature.toSi(x)
    const percent = Math.min(100, Math.max(0, Math.round(y)))
    if (handle === 'here') {
      setAt({ temperatureC: celsius, humidityPercent: percent })
      return
    }
    const humid = kept.humidityPercent !== undefined
    move(
      () =>
        withPlan(
          plan.id,
          handle === 'set'
            ? { ...kept, setpointC: celsius, ...(humid ? { humidityPercent: percent } : {}) }
            : {
                ...kept,
                bandK: Math.max(stepSi, celsius - kept.setpointC),
                ...(humid ? { humidityBandPercent: Math.max(1, percent - kept.humidityPercent!) } : {}),
              },
        ),
      done,
    )
  }
  const number = (
    label: string,
    value: number | undefined,
    field: DeclaredNumber,
    put: (v: number) => Partial<FanBehaviour>,
  ) => (
    <NumberField
      label={label}
      draftKey={key(label)}
      value={value}
      field={field}
      preferences={preferences}
      {...(field.quantity === 'percent' ? {} : { stepSi })}
      required
      onCommit={(v) => (v === undefined ? undefined : edit(put(v)))}
    />
  )
  return (
    <div className="work">
      <section className="flex flex-col min-h-0 min-w-0" aria-labelledby="fan-title">
        <div className="flex items-baseline gap-4 px-4 pt-2">
          <h2 id="fan-title" className="h2">
            Fan
          </h2>
          <span className="text-ink2 min-w-0 not-phone">
            the stronger demand rules; drag the corners, or the point to see what it does there
          </span>
        </div>
        <div className="flex-1 min-h-0 max-lg:h-[420px] max-lg:flex-none px-2 flex items-stretch">
          <FanMap
            low={out(view.lowC)}
            high={out(view.highC)}
            lowPercent={view.lowPercent}
            highPercent={view.highPercent}
            cells={view.cells}
            set={out(plan.setpointC)}
            full={out(plan.setpointC + plan.bandK)}
            humiditySet={plan.humidityPercent}
            humidityFull={
              plan.humidityPercent === undefined ? undefined : plan.humidityPercent + (plan.humidityBandPercent ?? 0)
            }
            here={{
              x: out(at.temperatureC),
              y: at.humidityPercent,
              says: `${here.percent.toFixed(0)} %, ${commandWords[here.command]}`,
            }}
            unit={temperature.label}
            step={step}
            compact={phone}
            onMove={(handle, { x, y }, done) => moved(handle, x, y, done)}
          />
        </div>
        <div className="param-row">
          {number('Warm over', plan.setpointC, fan.setpointC, (v) => ({ setpointC: v }))}
          {number('Proportional band', plan.bandK, fan.bandK, (v) => ({ bandK: v }))}
          {controller && bindsAny(controller, 'humidity') ? (
            <ChoiceField
              label="Humidity"
              value={plan.humidityPercent === undefined ? 'no' : 'yes'}
              choices={[
                { value: 'yes', title: 'asks too' },
                { value: 'no', title: 'temperature alone' },
              ]}
              onChoose={(value) =>
                safely(() => {
                  const { humidityPercent: _h, humidityBandPercent: _b, ...rest } = kept
                  return withPlan(
                    plan.id,
                    value === 'yes' ? { ...rest, humidityPercent: 70, humidityBandPercent: 10 } : rest,
                  )
                })
              }
            />
          ) : null}
          {plan.humidityPercent === undefined ? null : (
            <>
              {number('Damp over', plan.humidityPercent, fan.humidityPercent, (v) => ({
                humidityPercent: v,
              }))}
              {number('Humidity band %', plan.humidityBandPercent, fan.humidityBandPercent, (v) => ({
                humidityBandPercent: v,
              }))}
            </>
          )}
          <ChoiceField
            label="When nothing asks"
            value={plan.minimumPercent === 'off' ? 'off' : plan.minimumMode}
            finding={stops ? 'stop' : undefined}
            choices={[
              { value: 'floor', title: 'least speed, demand from 0' },
              { value: 'scaled', title: 'least speed, demand starts there' },
              { value: 'off', title: 'off' },
            ]}
            onChoose={(value) =>
              edit(
                value === 'off'
                  ? { minimumPercent: 'off' }
                  : {
                      minimumMode: value as FanBehaviour['minimumMode'],
                      minimumPercent: kept.minimumPercent === 'off' ? 15 : kept.minimumPercent,
                    },
              )
            }
          />
          {plan.minimumPercent === 'off'
            ? null
            : number('Least speed', plan.minimumPercent, fan.minimumPercent.number, (v) => ({
                minimumPercent: v,
              }))}
          {keeps(device.facts.controller, 'alarmHighC') ? (
            <NumberField
              label="High alarm"
              draftKey={key('alarm')}
              value={plan.alarmHighC}
              field={fan.alarmHighC}
              preferences={preferences}
              stepSi={stepSi}
              onCommit={(v) =>
                safely(() => {
                  const { alarmHighC: _old, ...rest } = kept
                  return withPlan(plan.id, v === undefined ? rest : { ...rest, alarmHighC: v })
                })
              }
            />
          ) : null}
        </div>
      </section>
      <MeaningPanel lines={view.lines}>
        <p className="small text-ink2">
          The point stands at {words.say(at.temperatureC, 'temperature')}
          {plan.humidityPercent === undefined ? '' : ` and ${words.say(at.humidityPercent, 'percent')} humidity`}.
        </p>
      </MeaningPanel>
    </div>
  )
}

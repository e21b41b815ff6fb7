import { answersOf } from '@nachtigal/core/kinds/answersOf'
import { batteryView } from '@nachtigal/core/settings/battery/batteryView'
import type { BatteryPlan } from '@nachtigal/core/settings/battery/fields'
import { bindsAny } from '@nachtigal/core/device/bound'
import { fieldValue } from '@nachtigal/core/plant/fieldValue'
import { batteryPlanRecord } from '@nachtigal/core/settings/battery/fields'
import { BatteryScale } from '../../drawing/BatteryScale'
import { PHONE, useMedia } from '../../lib/useMedia'
import { useLoop } from '../../loop/loopContext'
import { NumberField } from '../../design/NumberField'
import { MeaningPanel } from './MeaningPanel'
import { useSetting } from './setting'

const rested = [
  ['bat.rest.full', 'full, rested'],
  ['bat.rest.half', 'half, rested'],
  ['bat.rest.fifth', 'a fifth, rested'],
] as const

/** The battery cut-off: volts at the controller, and what the battery has then behind its cable. */
export function BatteryPart() {
  const { loop, preferences, data } = useLoop()
  const { context, device, whole, findings, move, safely, withWhole } = useSetting()
  const phone = useMedia(PHONE)
  const plan = whole.battery!
  const kept = loop.settings.controllers?.[device.id]?.battery ?? plan
  const view = batteryView(context, device)!
  const { controller } = device.facts
  const put = (change: Partial<BatteryPlan>) => withWhole({ battery: { ...kept, ...change } })
  const key = (name: string) => `${loop.id}/${device.id}/battery/${name}`
  const has = (code: string) => findings.some((f) => f.code === code)
  const blocks = view.volts > 18 ? 2 : 1
  const lead = answersOf(loop)['chemistry'] !== 'lfp'
  return (
    <div className="work">
      <section className="flex flex-col min-h-0 min-w-0" aria-labelledby="battery-title">
        <div className="flex items-baseline gap-4 px-4 pt-2">
          <h2 id="battery-title" className="h2">
            Battery cut-off
          </h2>
          <span className="text-ink2 min-w-0 not-phone">
            drag cut-off and restart; the slope is what the cable takes
          </span>
        </div>
        <div className="flex-1 min-h-0 max-lg:h-[420px] max-lg:flex-none px-2 flex items-stretch">
          <BatteryScale
            cutOff={plan.cutOffV}
            restart={plan.restartV}
            runsAbove={view.cutOff.runsAboveV}
            startsAbove={view.cutOff.startsAboveV}
            marksAt={lead ? rested.map(([row, text]) => ({ at: fieldValue(data, row).typical * blocks, text })) : []}
            compact={phone}
            onMove={(handle, to, done) =>
              move(() => put(handle === 'cutOff' ? { cutOffV: to } : { restartV: to }), done)
            }
          />
        </div>
        <div className="param-row">
          <NumberField
            label="Cut off under"
            draftKey={key('cutOff')}
            value={plan.cutOffV}
            field={batteryPlanRecord.fields.cutOffV}
            preferences={preferences}
            stepSi={0.1}
            required
            finding={has('C112_CUT_OFF_LOW') ? 'stop' : has('C113_START_CUTS_OFF') ? 'look' : undefined}
            onCommit={(v) => (v === undefined ? undefined : safely(() => put({ cutOffV: v })))}
          />
          <NumberField
            label="Held for"
            draftKey={key('hold')}
            value={plan.holdS}
            field={batteryPlanRecord.fields.holdS}
            preferences={preferences}
            stepSi={1}
            required
            onCommit={(v) => (v === undefined ? undefined : safely(() => put({ holdS: v })))}
          />
          {controller && bindsAny(controller, 'battery.restart') ? (
            <NumberField
              label="Starts again over"
              draftKey={key('restart')}
              value={plan.restartV}
              field={batteryPlanRecord.fields.restartV}
              preferences={preferences}
              stepSi={0.1}
              required
              finding={has('C114_RESTART_HUNTS') ? 'look' : undefined}
              onCommit={(v) => (v === undefined ? undefined : safely(() => put({ restartV: v })))}
            />
          ) : null}
        </div>
      </section>
      <MeaningPanel lines={view.lines} />
    </div>
  )
}

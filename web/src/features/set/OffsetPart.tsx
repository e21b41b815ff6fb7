import { useState } from 'react'
import { offsetAdvice, offsetLimits, type OffsetPair } from '@nachtigal/core/settings/offset/offsetView'
import type { Consequence } from '@nachtigal/core/settings/consequences'
import { fieldValue } from '@nachtigal/core/plant/fieldValue'
import { onOffRecord } from '@nachtigal/core/settings/switching/fields'
import { useLoop } from '../../loop/loopContext'
import { NumberField } from '../../design/NumberField'
import { Shape } from '../../design/Shape'
import { MeaningPanel } from './MeaningPanel'
import { useSetting } from './setting'

type Draft = { readonly referenceC?: number | undefined; readonly shownC?: number | undefined }
const POINTS = 3

/** The offset: what the display shows beside a reference thermometer, and whether a number may make them agree. */
export function OffsetPart() {
  const { loop, preferences, words, data } = useLoop()
  const { context, device, plan, findings, safely, withPlan } = useSetting()
  const [points, setPoints] = useState<readonly Draft[]>([{}, {}, {}])
  if (!plan) return null
  const { id, ...stored } = plan
  const limits = offsetLimits(context, plan)
  const pairs = points.filter((p): p is OffsetPair => p.referenceC !== undefined && p.shownC !== undefined)
  const advice = offsetAdvice(context, plan, pairs, plan.offsetK)
  const large = findings.some(({ code }) => code === 'C040_OFFSET_LARGE')
  const put = (offsetK: number) => safely(() => withPlan(id, { ...stored, offsetK }))
  const write = (at: number, change: Draft) => setPoints(points.map((p, i) => (i === at ? { ...p, ...change } : p)))
  const stepSi = limits ? limits.view.toSi(limits.view.step) - limits.view.toSi(0) : 0.1
  const lines: Consequence[] = [
    { id: 'now', label: 'Planned offset', value: plan.offsetK, quantity: 'difference' },
    {
      id: 'limit',
      label: `${device.name} takes`,
      value: null,
      quantity: 'difference',
      text: limits ? `${words.say(limits.lowK, 'difference')} to ${words.say(limits.highK, 'difference')}` : 'none',
    },
    {
      id: 'usual',
      label: 'Look for the cause over',
      value: fieldValue(data, 'tol.offset.limit').typical,
      quantity: 'difference',
    },
  ]
  return (
    <div className="work">
      <section className="flex flex-col min-h-0 min-w-0 overflow-auto p-4 gap-3" aria-labelledby="offset-title">
        <div>
          <h2 id="offset-title" className="h2">
            Offset
          </h2>
          <p className="max-w-[64ch] text-ink2">
            Lay the reference thermometer on the probe, wait until both stand still, write both down. One point tells
            how far it is off; two or three tell whether an offset can mend it. It adds to the reading.
          </p>
        </div>
        <div className="grid gap-2 max-w-[520px]">
          {Array.from({ length: POINTS }, (_, i) => (
            <div key={i} className="grid grid-cols-2 gap-3">
              <NumberField
                label={`Reference ${i + 1}`}
                draftKey={`${loop.id}/${id}/offset/ref${i}`}
                value={points[i]?.referenceC}
                field={onOffRecord.fields.setpointC}
                preferences={preferences}
                onCommit={(v) => write(i, { referenceC: v })}
              />
              <NumberField
                label={`Display ${i + 1}`}
                draftKey={`${loop.id}/${id}/offset/shown${i}`}
                value={points[i]?.shownC}
                field={onOffRecord.fields.setpointC}
                preferences={preferences}
                onCommit={(v) => write(i, { shownC: v })}
              />
            </div>
          ))}
        </div>
        {advice ? (
          <div className="finding max-w-[64ch]" role="status" data-advice={advice.verdict}>
            <Shape kind={advice.verdict === 'offset' || advice.verdict === 'leave' ? 'fits' : 'look'} size={22} />
            <div>
              <b className="text-[17px]">{advice.head}</b>
              <p>{advice.says}</p>
              <p>{advice.next}</p>
              {advice.offsetK !== undefined &&
              advice.verdict !== 'leave' &&
              Math.abs(advice.offsetK - plan.offsetK) > 1e-9 ? (
                <button type="button" className="third" onClick={() => put(advice.offsetK!)}>
                  Plan {words.say(advice.offsetK, 'difference')}
                  {advice.verdict === 'beyond-limit' ? ' all the same' : ''}
                </button>
              ) : null}
            </div>
          </div>
        ) : (
          <p className="text-ink2">No pair of readings yet.</p>
        )}
        <div className="max-w-[250px]">
          <NumberField
            label="Offset"
            draftKey={`${loop.id}/${id}/offset`}
            value={plan.offsetK}
            field={onOffRecord.fields.offsetK}
            preferences={preferences}
            stepSi={stepSi}
            required
            finding={large ? 'look' : undefined}
            onCommit={(v) => (v === undefined ? undefined : put(v))}
          />
        </div>
      </section>
      <MeaningPanel lines={lines} />
    </div>
  )
}

import { faultTitle, faultView } from '@nachtigal/core/settings/fault/faultView'
import type { Consequence } from '@nachtigal/core/settings/consequences'
import { onOffRecord } from '@nachtigal/core/settings/switching/fields'
import { useLoop } from '../../loop/loopContext'
import { NumberField } from '../../design/NumberField'
import { Shape } from '../../design/Shape'
import { MeaningPanel } from './MeaningPanel'
import { useSetting } from './setting'

const protects = {
  cold: 'cold: too little does the harm',
  heat: 'heat: too much does the harm',
  both: 'neither more than the other',
} as const

/** How it stands when the probe breaks or gets damp, judged against what the loop protects. */
export function FaultPart() {
  const { loop, preferences, words } = useLoop()
  const { context, device, plan, safely, withPlan } = useSetting()
  if (!plan) return null
  const { id, ...stored } = plan
  const view = faultView(context, plan)
  const lines: Consequence[] = [
    { id: 'protects', label: 'Kept from', value: null, quantity: 'count', text: protects[view.protects] },
    { id: 'open', label: 'Broken, display', value: null, quantity: 'count', text: view.display.open },
    { id: 'short', label: 'Shorted, display', value: null, quantity: 'count', text: view.display.short },
    ...(view.fallsK === undefined
      ? []
      : [
          {
            id: 'falls',
            label: 'Off, in the first hour at design',
            value: -view.fallsK,
            quantity: 'difference' as const,
          },
        ]),
  ]
  return (
    <div className="work">
      <section className="flex flex-col min-h-0 min-w-0 overflow-auto p-4 gap-3" aria-labelledby="fault-title">
        <h2 id="fault-title" className="h2">
          When the probe fails
        </h2>
        <div role="radiogroup" aria-labelledby="fault-title" className="grid gap-2">
          {view.choices.map(({ fault, offered, verdict, says }) => {
            const chosen = plan.probeFault === fault
            return (
              <button
                key={fault}
                type="button"
                role="radio"
                aria-checked={chosen}
                disabled={!offered && !chosen}
                className={`fault-choice ${chosen ? 'chosen' : ''}`}
                onClick={() => safely(() => withPlan(id, { ...stored, probeFault: fault }))}
              >
                <Shape kind={verdict} size={22} labelled />
                <span>
                  <b className="cond text-[18px]">{faultTitle(fault)}</b>
                  {offered ? null : <span className="text-ink2"> not on {device.name}</span>}
                  <span className="block">{says}</span>
                </span>
              </button>
            )
          })}
        </div>
        {plan.probeFault === 'duty' ? (
          <div className="max-w-[250px]">
            <NumberField
              label="Runs without its probe"
              draftKey={`${loop.id}/${id}/duty`}
              value={plan.dutyPercent}
              field={onOffRecord.fields.dutyPercent}
              preferences={preferences}
              onCommit={(v) =>
                safely(() => {
                  const { dutyPercent: _old, ...rest } = stored
                  return withPlan(id, v === undefined ? rest : { ...rest, dutyPercent: v })
                })
              }
            />
          </div>
        ) : null}
        <h3 className="h3">Before it fails it errs</h3>
        {view.errs.length === 0 ? <p>No probe is joined yet.</p> : null}
        <table className="grid-table tight">
          <thead className={view.errs.length === 0 ? 'sr-only' : undefined}>
            <tr>
              <th>what is wrong</th>
              <th>it reads</th>
              <th>so the loop</th>
            </tr>
          </thead>
          <tbody>
            {view.errs.map(({ what, shows, does }) => (
              <tr key={what}>
                <td>{what}</td>
                <td>{shows}</td>
                <td>{does}</td>
              </tr>
            ))}
          </tbody>
        </table>
        <p className="text-ink2 max-w-[64ch]">
          No display tells these: hold the reading against a reference, {words.say(0.5, 'difference')} is enough to
          look.
        </p>
      </section>
      <MeaningPanel lines={lines} />
    </div>
  )
}

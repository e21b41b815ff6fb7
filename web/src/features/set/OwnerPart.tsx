import { type OwnerRow, ownerView } from '@nachtigal/core/settings/owner/ownerView'
import { PHONE, useMedia } from '../../lib/useMedia'
import type { ParameterView } from '@nachtigal/core/device/parameterView'
import type { MeantRange as Meant } from '@nachtigal/core/settings/owner/fields'
import { meantFrom } from '@nachtigal/core/settings/owner/meantFrom'
import { useState } from 'react'
import { Tick } from '../../design/Tick'
import { Shape } from '../../design/Shape'
import { MeaningPanel } from './MeaningPanel'
import { useSetting } from './setting'

/** Two levels: what the owner may touch, and what only the installer may. */
export function OwnerPart() {
  const { context, device, whole, safely, withWhole } = useSetting()
  const view = ownerView(context, device)!
  const lock = view.lockParameter
  const phone = useMedia(PHONE)
  const meantAt = ({ code, name, level, may, idle, view: shown, meant, range }: OwnerRow) =>
    may && level === 'owner' && !idle && shown ? (
      <MeantRange
        name={name}
        view={shown}
        meant={meant}
        id={`${device.id}-${code}`}
        onCommit={(next) => {
          const { [code]: _, ...others } = whole.meant ?? {}
          return safely(() => withWhole({ meant: next ? { ...others, [code]: next } : others }))
        }}
      />
    ) : (
      (range ?? '')
    )
  return (
    <div className="work">
      <section className="flex flex-col min-h-0 min-w-0 overflow-auto p-4 gap-3" aria-labelledby="owner-title">
        <h2 id="owner-title" className="h2">
          What the owner may touch
        </h2>
        <p className="max-w-[70ch]">{view.lock}</p>
        {lock ? (
          <Tick checked={lock.shut} onChange={(shut) => safely(() => withWhole({ lock: { shut } }))}>
            The controller{'\u2019'}s own lock is shut
          </Tick>
        ) : null}
        <table className="grid-table tight">
          <thead>
            <tr>
              <th>owner</th>
              <th>parameter</th>
              <th>planned</th>
              <th className="not-phone">meant to stay</th>
              <th className="not-phone">stands in</th>
            </tr>
          </thead>
          <tbody>
            {view.rows.map((row) => {
              const { code, name, meaning, level, may, planned, note, idle } = row
              return (
                <tr key={code}>
                  <td>
                    <Tick
                      label={`Owner may touch ${name}`}
                      checked={may}
                      onChange={(next) => safely(() => withWhole({ owner: { ...whole.owner, [code]: next } }))}
                    />
                  </td>
                  <td>
                    <b>{name}</b>
                    <span className="block small text-ink2">{meaning}</span>
                    {idle ? <span className="block small text-ink2">Turns nothing as it is planned.</span> : null}
                    {note ? (
                      <span className="flex gap-1.5 small items-baseline">
                        <Shape kind="look" size={12} labelled /> {note}
                      </span>
                    ) : null}
                    {phone && may && level === 'owner' && !idle ? (
                      <span className="grid gap-0.5 pt-1">
                        <span className="small text-ink2">meant to stay</span>
                        {meantAt(row)}
                      </span>
                    ) : null}
                  </td>
                  <td className="whitespace-nowrap">{planned}</td>
                  <td className="not-phone">{phone ? null : meantAt(row)}</td>
                  <td className="not-phone">{level === 'owner' ? 'owner\u2019s level' : 'installer\u2019s level'}</td>
                </tr>
              )
            })}
          </tbody>
        </table>
      </section>
      <MeaningPanel
        lines={[
          {
            id: 'may',
            label: 'The owner may',
            value: null,
            quantity: 'count',
            text: view.may.join('; ') || 'touch nothing',
          },
          {
            id: 'mayNot',
            label: 'Only the installer',
            value: null,
            quantity: 'count',
            text: `${view.mayNot.length} parameters`,
          },
        ]}
      />
    </div>
  )
}

/** From where to where the owner is meant to keep it: typed in the unit of its display, printed on the panel card; empty where nothing is meant. */
function MeantRange({
  name,
  view,
  meant,
  id,
  onCommit,
}: {
  readonly name: string
  readonly view: ParameterView
  readonly meant: Meant | undefined
  /** Of its error. */
  readonly id: string
  readonly onCommit: (meant: Meant | undefined) => string | undefined
}) {
  const [typed, setTyped] = useState<{ readonly low?: string; readonly high?: string }>({})
  const [problem, setProblem] = useState<string>()
  const text = (end: 'low' | 'high') => typed[end] ?? (meant ? view.shows(meant[end]) : '')
  const commit = () => {
    // A field that was only passed through changes nothing, and is no row of the log.
    if (typed.low === undefined && typed.high === undefined) return
    const made = meantFrom({ name, view, low: text('low'), high: text('high') })
    if ('waits' in made) {
      setProblem(undefined)
      return
    }
    if ('problem' in made) {
      setProblem(made.problem)
      return
    }
    const refused = onCommit(made.meant)
    setProblem(refused)
    if (refused === undefined) setTyped({})
  }
  const field = (end: 'low' | 'high', label: string) => (
    <input
      className="comb w-16 min-h-8 max-md:min-h-12 px-1 text-right"
      aria-label={`${name}, meant ${label}`}
      aria-invalid={problem !== undefined}
      aria-describedby={problem ? `${id}-problem` : undefined}
      inputMode="decimal"
      value={text(end)}
      maxLength={12}
      onChange={(event) => setTyped({ ...typed, [end]: event.target.value })}
      onBlur={commit}
      onKeyDown={(event) => {
        if (event.key === 'Enter') commit()
      }}
    />
  )
  return (
    <span className="grid gap-0.5">
      <span className="flex gap-1 items-baseline whitespace-nowrap">
        {field('low', 'from')} to {field('high', 'to')} {view.label}
      </span>
      {problem ? (
        <span id={`${id}-problem`} role="alert" className="error small">
          {problem}
        </span>
      ) : null}
    </span>
  )
}

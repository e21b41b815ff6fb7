import { ownerView } from '@nachtigal/core/settings/owner/ownerView'
import { Tick } from '../../design/Tick'
import { Shape } from '../../design/Shape'
import { MeaningPanel } from './MeaningPanel'
import { useSetting } from './setting'

/** Two levels: what the owner may touch, and what only the installer may. */
export function OwnerPart() {
  const { context, device, whole, safely, withWhole } = useSetting()
  const view = ownerView(context, device)!
  const lock = view.lockParameter
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
              <th className="not-phone">range</th>
              <th className="not-phone">stands in</th>
            </tr>
          </thead>
          <tbody>
            {view.rows.map(({ code, name, meaning, level, may, planned, range, note }) => (
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
                  {note ? (
                    <span className="flex gap-1.5 small items-baseline">
                      <Shape kind="look" size={12} labelled /> {note}
                    </span>
                  ) : null}
                </td>
                <td className="whitespace-nowrap">{planned}</td>
                <td className="not-phone whitespace-nowrap">{range ?? ''}</td>
                <td className="not-phone">{level === 'owner' ? 'owner\u2019s level' : 'installer\u2019s level'}</td>
              </tr>
            ))}
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

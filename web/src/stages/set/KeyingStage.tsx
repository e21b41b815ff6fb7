import type { Reading } from '@nachtigal/core/job/documents'
import { keyingSheet, type KeyingRow } from '@nachtigal/core/proof/keyingSheet'
import { parseNumber } from '@nachtigal/core/units/parseNumber'
import { useState } from 'react'
import { Link } from 'react-router'
import { drafted, draftCleared } from '../../lib/draftsSlice'
import { useAppDispatch, useAppSelector } from '../../lib/store'
import { Cautions } from '../../loop/Cautions'
import { AddTemporary } from '../../loop/TemporaryBar'
import { useLoop } from '../../loop/loopContext'
import { Button } from '../../ui/Button'
import { Shape } from '../../ui/Shape'

/** The keying sheet: for each parameter the keys to it, planned, as found, as left. */
export function KeyingStage() {
  const context = useLoop()
  const { loop, job, change, reading } = context
  const sheets = keyingSheet(context)
  const write = (side: 'asFound' | 'asLeft', device: string, entries: Record<string, Reading | undefined>) => {
    const held = { ...loop.settings[side][device] }
    for (const [code, value] of Object.entries(entries))
      if (value) held[code] = value
      else delete held[code]
    return change({
      loop: { ...loop, settings: { ...loop.settings, [side]: { ...loop.settings[side], [device]: held } } },
    })
  }
  const asTyped = (row: KeyingRow, text: string) => reading(text, row.quantity, job)
  return (
    <div className="work">
      <div className="min-h-0 overflow-auto px-4 py-2">
        {sheets.length === 0 ? <p>No controller yet.</p> : null}
        {sheets.map(({ device, rows }) => (
          <section key={device.id} aria-labelledby={`sheet-${device.id}`}>
            <div className="flex items-baseline gap-4">
              <h2 id={`sheet-${device.id}`} className="h2">
                Key into {device.tag} {device.name}
              </h2>
              <span className="text-ink2 not-phone">in this order: what resets others comes first</span>
            </div>
            <table className="grid-table tight">
              <thead>
                <tr>
                  <th className="not-phone">code</th>
                  <th>parameter</th>
                  <th>planned</th>
                  <th>as found</th>
                  <th>as left</th>
                  <th>
                    <span className="sr-only">verdict</span>
                  </th>
                </tr>
              </thead>
              <tbody>
                {rows.map((row) => (
                  <tr key={row.code}>
                    <td className="mono not-phone">{row.code}</td>
                    <td>
                      <span className="mono only-phone">{row.code} </span>
                      {row.name}
                      <span className="block small text-ink2 not-phone">
                        {row.keys}
                        {row.level === 'owner' ? ', owner may turn it' : ''}
                      </span>
                    </td>
                    <td className="whitespace-nowrap text-[15px] font-bold">
                      {row.planned} <span className="small text-ink2 font-normal">{row.unit}</span>
                    </td>
                    {(['asFound', 'asLeft'] as const).map((side) => (
                      <td key={side}>
                        <KeyedCell
                          label={`${row.name}, ${side === 'asFound' ? 'as found' : 'as left'}`}
                          draftKey={`${loop.id}/${side}/${device.id}/${row.code}`}
                          row={row}
                          held={row[side]}
                          onKeep={(text) =>
                            write(side, device.id, { [row.code]: text === '' ? undefined : asTyped(row, text) })
                          }
                        />
                      </td>
                    ))}
                    <td>
                      {row.agrees === undefined ? (
                        <Shape kind="waiting" labelled />
                      ) : (
                        <Shape kind={row.agrees ? 'fits' : 'look'} labelled />
                      )}
                    </td>
                  </tr>
                ))}
              </tbody>
            </table>
          </section>
        ))}
      </div>
      <aside className="panel" aria-label="What it means">
        <h2 className="h2">Keying</h2>
        <p>Write down what you find before you key anything. Then key from the top: what resets others comes first.</p>
        <p>As left is what the display shows when you go, also where it is not the plan.</p>
        <Cautions stage="set" />
        <AddTemporary trigger="A limit raised or an output forced for now? Enter it" />
        {sheets.map(({ device, rows }) => {
          const open = rows.filter(({ asLeft }) => !asLeft)
          return open.length === 0 ? null : (
            <Button
              key={device.id}
              second
              end=""
              onClick={() =>
                write('asLeft', device.id, Object.fromEntries(open.map((row) => [row.code, asTyped(row, row.planned)])))
              }
            >
              The rest is as planned
            </Button>
          )
        })}
        <Link className="min-h-8" to={`/jobs/${job.id}/loops/${loop.id}/set`}>
          Back to the ladder
        </Link>
        <div className="mt-auto action-bar">
          <Button to={`/jobs/${job.id}/loops/${loop.id}/try`}>Try it</Button>
        </div>
      </aside>
    </div>
  )
}

interface CellProps {
  readonly label: string
  readonly draftKey: string
  readonly row: KeyingRow
  readonly held: Reading | undefined
  readonly onKeep: (text: string) => string | undefined
}

/** One value as the display shows it; out of range is taken, text in a number is not. */
function KeyedCell({ label, draftKey, row, held, onKeep }: CellProps) {
  const dispatch = useAppDispatch()
  const draft = useAppSelector((state) => state.drafts[draftKey])
  const [error, setError] = useState<string>()
  if (row.choices)
    return (
      <div className="comb text md:!h-8 min-w-20">
        <select
          aria-label={label}
          value={held?.text ?? ''}
          onChange={(event) => {
            onKeep(event.target.value)
          }}
        >
          <option value="">{'\u2013'}</option>
          {Object.values(row.choices).map((shown) => (
            <option key={shown} value={shown}>
              {shown}
            </option>
          ))}
        </select>
      </div>
    )
  const keep = (text: string) => {
    const typed = text.trim()
    if (typed !== '' && !parseNumber(typed).ok) {
      setError(`${label} is “${typed.slice(0, 20)}”: it takes a number, such as ${row.planned}.`)
      return
    }
    const wrong = onKeep(typed)
    setError(wrong)
    if (!wrong) dispatch(draftCleared(draftKey))
  }
  return (
    <>
      <div className={`comb text md:!h-8 min-w-20 max-w-28 ${error && draft !== undefined ? 'bad' : ''}`}>
        <input
          aria-label={label}
          aria-invalid={error !== undefined && draft !== undefined}
          inputMode="decimal"
          maxLength={20}
          autoComplete="off"
          value={draft ?? held?.text ?? ''}
          onChange={(event) => {
            setError(undefined)
            dispatch(drafted({ key: draftKey, text: event.target.value }))
          }}
          onBlur={() => {
            if (draft !== undefined) keep(draft)
          }}
          onKeyDown={(event) => {
            if (event.key === 'Enter' && draft !== undefined) keep(draft)
            if (event.key === 'Escape') dispatch(draftCleared(draftKey))
          }}
        />
      </div>
      {error && draft !== undefined ? (
        <p role="alert" className="error">
          {error}
        </p>
      ) : null}
    </>
  )
}

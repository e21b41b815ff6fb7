import { beyondWords } from '@nachtigal/core/words/beyondWords'
import { useState } from 'react'
import { useSearchParams } from 'react-router'
import { keyingRoute } from '@nachtigal/core/device/keyingRoute'
import { beforeKeying } from '@nachtigal/core/commissioning/beforeKeying'
import { type KeyingSheet, waits } from '@nachtigal/core/commissioning/keyingSheet'
import { useLoop } from '../../loop/loopContext'
import { Button } from '../../design/Button'
import { Shape } from '../../design/Shape'
import { KeyedCell } from './KeyedCell'
import { useKeying } from './useKeying'

/** Keying with one hand: the next value large, the keys to it, one tap when the display shows it. */
export function KeyOne({ sheets, onAll }: { sheets: readonly KeyingSheet[]; onAll: () => void }) {
  const context = useLoop()
  const { loop } = context
  const { write, typed, ticked } = useKeying()
  const [chosen, setChosen] = useState<string>()
  // Where the menu stands: the keys to the next value go on from there.
  const [last, setLast] = useState<{ readonly device: string; readonly code: string }>()
  const rows = sheets.flatMap(({ device, rows: all }) => {
    const mine = all.filter(waits)
    const from = last?.device === device.id ? [last.code] : []
    const steps = keyingRoute(device.facts.controller!, [...from, ...mine.map(({ code }) => code)])
    return mine.map((row, i) => ({ device, row, step: steps[from.length + i]!, key: `${device.id}/${row.code}` }))
  })
  const wanted = useSearchParams()[0].get('code')
  const at = Math.max(
    0,
    rows.findIndex(({ key, row }) => (chosen === undefined ? row.code === wanted : key === chosen)),
  )
  const here = rows[at]
  if (!here) return null
  const { device, row, step } = here
  const total = sheets.reduce((sum, { rows: all }) => sum + all.length, 0)
  const [before] = beforeKeying(context, device, sheets.find((s) => s.device.id === device.id)!.rows)
  const go = (by: 1 | -1) => setChosen(rows[(at + by + rows.length) % rows.length]?.key)
  return (
    <section className="key-one" aria-labelledby="key-one">
      <div className="flex items-baseline gap-3">
        <h2 id="key-one" className="h2">
          {device.tag} {device.name}
        </h2>
        <span className="text-ink2" role="status">
          {total - rows.length + 1} of {total}
        </span>
        <button type="button" className="third ml-auto min-h-8 max-md:min-h-12" onClick={onAll}>
          Whole sheet
        </button>
      </div>
      {at === 0 && total === rows.length && before ? (
        <p className="keying-caution" role="note">
          <Shape kind="look" size={14} labelled /> <span>{before}</span>
        </p>
      ) : null}
      <p className="text-[17px]">
        <span className="mono">{row.code}</span> {row.name}
        <span className="block small text-ink2">{context.words.tell(row.meaning)}</span>
      </p>
      <p className="key-path" data-path>
        {step.enters ? <b>{step.enters}: </b> : null}
        {step.keys}
        {step.turns ? <span className="block small text-ink2">then {step.turns} until it shows</span> : null}
      </p>
      <p className="key-value" data-value>
        {row.planned} <span className="unit">{row.unit}</span>
      </p>
      {row.rounded ? (
        <p className="small text-ink2">
          The plan is {row.rounded.exact}; the display cannot show it: {row.rounded.difference}.
        </p>
      ) : null}
      {row.beyond ? <p className="error">{beyondWords(row.beyond)}</p> : null}
      {step.keeps ? <p className="small">Keep it: {step.keeps}.</p> : null}
      <div className="grid grid-cols-2 gap-3 max-w-[420px]">
        <div>
          <span className="lab">As found</span>
          <KeyedCell
            big
            label={`${row.name}, as found`}
            draftKey={`${loop.id}/asFound/${device.id}/${row.code}`}
            row={row}
            held={row.asFound}
            onKeep={(text) => write('asFound', device.id, { [row.code]: text === '' ? undefined : typed(row, text) })}
          />
        </div>
        <div>
          <span className="lab">Shows something else</span>
          <KeyedCell
            big
            label={`${row.name}, as left`}
            draftKey={`${loop.id}/asLeft/${device.id}/${row.code}`}
            row={row}
            held={row.asLeft}
            onKeep={(text) => write('asLeft', device.id, { [row.code]: text === '' ? undefined : typed(row, text) })}
          />
        </div>
      </div>
      <div className="key-actions action-bar">
        <span className="flex justify-between">
          <button type="button" className="third min-h-8 max-md:min-h-12" onClick={() => go(-1)}>
            Back
          </button>
          <button type="button" className="third min-h-8 max-md:min-h-12" onClick={() => go(1)}>
            Later
          </button>
        </span>
        <Button
          onClick={() => {
            ticked(device.id, row, true)
            setLast({ device: device.id, code: row.code })
            setChosen(undefined)
          }}
        >
          It shows {row.planned}
        </Button>
      </div>
    </section>
  )
}

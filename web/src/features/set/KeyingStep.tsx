import { beyondWords } from '@nachtigal/core/words/beyondWords'
import { useState } from 'react'
import type { Reading } from '@nachtigal/core/document/documents'
import { setParts, setPartTitles } from '@nachtigal/core/settings/setParts'
import { keyingRoute, type KeyingStep } from '@nachtigal/core/device/keyingRoute'
import { beforeKeying } from '@nachtigal/core/commissioning/beforeKeying'
import { keyingSheet, type KeyingRow, type KeyingSheet, waits } from '@nachtigal/core/commissioning/keyingSheet'
import { counted } from '@nachtigal/core/words/words'
import { PHONE, useMedia } from '../../lib/useMedia'
import { Cautions } from '../../loop/Cautions'
import { Findings } from '../../loop/Findings'
import { AddTemporary } from '../../loop/TemporaryBar'
import { useLoop } from '../../loop/loopContext'
import { Button } from '../../design/Button'
import { PartsNav } from '../../design/PartsNav'
import { Shape } from '../../design/Shape'
import { Tick } from '../../design/Tick'
import { KeyedCell } from './KeyedCell'
import { KeyOne } from './KeyOne'
import { ReasonField } from './ReasonField'
import { useKeying } from './useKeying'
import { loopAt } from '../../lib/addresses'

/** The keying sheet: the path of keys, and for each parameter planned, as found, as left. */
export function KeyingStep() {
  const context = useLoop()
  const { loop, job, chain, output, behaviour, open } = context
  const sheets = keyingSheet(context)
  const phone = useMedia(PHONE)
  const [one, setOne] = useState<boolean>()
  const [changesOnly, setChangesOnly] = useState(false)
  const keying = useKeying()
  const base = loopAt(job.id, loop.id, 'set')
  const device = chain.devices.find(({ id }) => id === output?.output.device)
  const parts = device ? setParts(context, device, behaviour?.id) : []
  const api = `/api/jobs/${job.id}/loops/${loop.id}`
  const byOne = one ?? phone
  const left = sheets.flatMap(({ rows }) => rows).filter(waits).length
  return (
    <div className="fills flex-1 min-h-0 flex flex-col bg-paper">
      <PartsNav
        label="Parts of setting"
        parts={[
          ...parts.map((id, i) => ({ to: i === 0 ? base : `${base}/${id}`, title: setPartTitles[id] })),
          { to: `${base}/keying`, title: 'Keying sheet' },
        ]}
        here="Keying sheet"
      />
      <div className="work">
        <div className="min-h-0 overflow-auto px-4 py-2">
          {sheets.length === 0 ? <p>No controller yet.</p> : null}
          {byOne && left > 0 ? (
            <KeyOne sheets={sheets} onAll={() => setOne(false)} />
          ) : (
            sheets.map((sheet) => <Sheet key={sheet.device.id} sheet={sheet} changesOnly={changesOnly} />)
          )}
        </div>
        <aside className="panel" aria-label="What it means">
          <h2 className="h2">Keying</h2>
          <p role="status">
            {left === 0 ? 'All is keyed and told.' : `${counted(left, 'value')} to key.`} Write down what you find
            before you key anything.
          </p>
          {left > 0 && !byOne ? (
            <Button second end="" onClick={() => setOne(true)}>
              Key one after another
            </Button>
          ) : null}
          {byOne ? null : (
            <Tick checked={changesOnly} onChange={setChangesOnly}>
              Only what is to be changed
            </Tick>
          )}
          {sheets.map(({ device: each, rows }) => {
            const waiting = rows.filter(({ asLeft }) => !asLeft)
            return waiting.length === 0 ? null : (
              <Button
                key={each.id}
                second
                end=""
                onClick={() =>
                  keying.write(
                    'asLeft',
                    each.id,
                    Object.fromEntries(waiting.map((row) => [row.code, keying.typed(row, row.planned)])),
                  )
                }
              >
                Everything else is as planned
              </Button>
            )
          })}
          {sheets.length > 0 ? (
            <p className="flex gap-4 flex-wrap">
              <a href={`${api}/keying.pdf`} target="_blank" rel="noreferrer">
                Print or PDF
              </a>
              <a href={`${api}/keying.csv`} download>
                CSV
              </a>
            </p>
          ) : null}
          <Findings
            findings={open.filter(({ code }) => code === 'C095_CANNOT_BE_KEYED' || code === 'C097_LEFT_OTHERWISE')}
            none="Everything planned can be keyed."
          />
          <Cautions step="set" />
          <AddTemporary trigger="A limit raised or an output forced for now? Enter it" />
          {byOne && phone && left > 0 ? null : (
            <div className="mt-auto action-bar">
              <Button to={loopAt(job.id, loop.id, 'try')}>Try it</Button>
            </div>
          )}
        </aside>
      </div>
    </div>
  )
}

function Sheet({ sheet: { device, rows }, changesOnly }: { sheet: KeyingSheet; changesOnly: boolean }) {
  const context = useLoop()
  const { loop } = context
  const { write, typed, ticked } = useKeying()
  const controller = device.facts.controller!
  const shown = changesOnly ? rows.filter(waits) : rows
  // The way through the keys of what is shown: changes alone have a shorter one.
  const steps = new Map(
    keyingRoute(
      controller,
      shown.map(({ code }) => code),
    ).map((step) => [step.code, step]),
  )
  const before = beforeKeying(context, device, shown)
  return (
    <section aria-labelledby={`sheet-${device.id}`} className="mb-4">
      <div className="flex items-baseline gap-4 flex-wrap">
        <h2 id={`sheet-${device.id}`} className="h2">
          Key into {device.tag} {device.name}
        </h2>
        <span className="text-ink2 not-phone">from the top: what sets others back comes first</span>
      </div>
      {before.map((line) => (
        <p key={line} className="keying-caution" role="note">
          <Shape kind="look" size={14} labelled /> <span>{line}</span>
        </p>
      ))}
      {shown.length === 0 ? <p className="py-2">Nothing is to be changed.</p> : null}
      <table className={`grid-table tight ${shown.length === 0 ? 'sr-only' : ''}`}>
        <thead>
          <tr>
            <th>
              <span className="sr-only">keyed</span>
            </th>
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
          {shown.map((row) => (
            <Row
              key={row.code}
              row={row}
              step={steps.get(row.code)}
              draftKey={(side) => `${loop.id}/${side}/${device.id}/${row.code}`}
              onTick={(on) => ticked(device.id, row, on)}
              onKeep={(side, text) =>
                write(side, device.id, { [row.code]: text === '' ? undefined : typed(row, text) })
              }
              onReason={(why) => write('asLeft', device.id, { [row.code]: { ...row.asLeft!, why } }, why)}
            />
          ))}
        </tbody>
      </table>
    </section>
  )
}

interface RowProps {
  readonly row: KeyingRow
  readonly step: KeyingStep | undefined
  readonly draftKey: (side: 'asFound' | 'asLeft') => string
  readonly onTick: (on: boolean) => void
  readonly onKeep: (side: 'asFound' | 'asLeft', text: string) => string | undefined
  readonly onReason: (why: string) => string | undefined
}

const differs = (row: KeyingRow, found: Reading | undefined) => found !== undefined && found.text.trim() !== row.planned

function Row({ row, step, draftKey, onTick, onKeep, onReason }: RowProps) {
  return (
    <>
      {step?.enters ? (
        <tr className="level-row">
          <td colSpan={6}>
            <b className="cond">{step.enters}</b>{' '}
            <span className="small text-ink2">from here, then back out at its end</span>
          </td>
        </tr>
      ) : null}
      <tr data-code={row.code} data-agrees={row.agrees === undefined ? 'open' : row.agrees}>
        <td>
          <Tick label={`${row.name} keyed as planned`} checked={row.agrees === true} onChange={onTick} />
        </td>
        <td>
          <span className="mono">{row.code}</span> {row.name}
          <span className="block small text-ink2">
            {step ? step.keys : ''}
            {row.level === 'owner' ? ' (owner\u2019s)' : ''}
          </span>
          {row.setsBack.length > 0 ? (
            <span className="block small">Sets back {row.setsBack.join(', ')}: key those after it.</span>
          ) : null}
          {row.beyond ? (
            <span className="flex gap-1.5 small items-baseline">
              <Shape kind="look" size={12} labelled /> {beyondWords(row.beyond)}
            </span>
          ) : null}
        </td>
        <td className="whitespace-nowrap text-[15px] font-bold">
          {row.planned} <span className="small text-ink2 font-normal">{row.unit}</span>
          {row.rounded ? (
            <span className="block small text-ink2 font-normal">
              of {row.rounded.exact}, {row.rounded.difference}
            </span>
          ) : null}
        </td>
        {(['asFound', 'asLeft'] as const).map((side) => (
          <td key={side} className={differs(row, row[side]) ? 'differs' : undefined}>
            <KeyedCell
              label={`${row.name}, ${side === 'asFound' ? 'as found' : 'as left'}`}
              draftKey={draftKey(side)}
              row={row}
              held={row[side]}
              onKeep={(text) => onKeep(side, text)}
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
      {row.agrees === false ? (
        <tr className="reason-row">
          <td />
          <td colSpan={5}>
            <ReasonField row={row} draftKey={`${draftKey('asLeft')}/why`} onReason={onReason} />
          </td>
        </tr>
      ) : null}
    </>
  )
}

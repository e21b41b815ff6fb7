import './set.css'
import { beyondWords } from '@nachtigal/core/words/beyondWords'
import { useEffect, useRef, useState } from 'react'
import { useSearchParams } from 'react-router'
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
import { DataTable, type TableColumn } from '../../design/table/DataTable'
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
  const wanted = useSearchParams()[0].get('code')
  // One that is keyed already stands on the whole sheet alone. Looked at once: keying it must not turn the page.
  const [one, setOne] = useState<boolean | undefined>(() =>
    wanted !== null && !sheets.some(({ rows }) => rows.some((row) => row.code === wanted && waits(row)))
      ? false
      : undefined,
  )
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
                {sheets.length > 1 ? `All else of ${each.tag} is as planned` : 'Everything else is as planned'}
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
  const wanted = useSearchParams()[0].get('code')
  const section = useRef<HTMLElement>(null)
  // Found by its code elsewhere: it is brought into sight and marked.
  useEffect(() => {
    section.current?.querySelector('[aria-current]')?.scrollIntoView({ block: 'center' })
  }, [wanted])
  // The way through the keys of what is shown: changes alone have a shorter one.
  const steps = new Map(
    keyingRoute(
      controller,
      shown.map(({ code }) => code),
    ).map((step) => [step.code, step]),
  )
  const before = beforeKeying(context, device, shown)
  const draftKey = (side: 'asFound' | 'asLeft', row: KeyingRow) => `${loop.id}/${side}/${device.id}/${row.code}`
  const keyed = (side: 'asFound' | 'asLeft', title: string): TableColumn<KeyingRow> => ({
    id: side,
    title,
    value: (row) => row[side]?.text,
    className: (row) => (differs(row, row[side]) ? 'differs' : ''),
    cell: (row) => (
      <KeyedCell
        label={`${row.name}, ${title}`}
        draftKey={draftKey(side, row)}
        row={row}
        held={row[side]}
        onKeep={(text) => write(side, device.id, { [row.code]: text === '' ? undefined : typed(row, text) })}
      />
    ),
  })
  const columns: TableColumn<KeyingRow>[] = [
    {
      id: 'keyed',
      title: 'keyed',
      quiet: true,
      stays: true,
      cell: (row) => (
        <Tick
          label={`${row.name} keyed as planned`}
          checked={row.agrees === true}
          onChange={(on) => ticked(device.id, row, on)}
        />
      ),
    },
    {
      id: 'parameter',
      title: 'parameter',
      stays: true,
      value: ({ code, name }) => `${code} ${name}`,
      cell: (row, inOrder) => <Parameter row={row} step={inOrder ? steps.get(row.code) : undefined} />,
    },
    {
      id: 'planned',
      title: 'planned',
      value: ({ planned, unit }) => `${planned} ${unit}`.trim(),
      className: () => 'whitespace-nowrap text-[15px] font-bold',
      cell: (row) => (
        <>
          {row.planned} <span className="small text-ink2 font-normal">{row.unit}</span>
          {row.rounded ? (
            <span className="block small text-ink2 font-normal">
              of {row.rounded.exact}, {row.rounded.difference}
            </span>
          ) : null}
        </>
      ),
    },
    keyed('asFound', 'as found'),
    keyed('asLeft', 'as left'),
    {
      id: 'verdict',
      title: 'verdict',
      quiet: true,
      cell: ({ agrees }) => <Shape kind={agrees === undefined ? 'waiting' : agrees ? 'fits' : 'look'} labelled />,
    },
  ]
  return (
    <section ref={section} aria-labelledby={`sheet-${device.id}`} className="mb-4">
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
      <DataTable
        label={`Keyed into ${device.tag} ${device.name}`}
        className="tight"
        rows={shown}
        columns={columns}
        idOf={({ code }) => code}
        find="Find a parameter"
        none="Nothing is to be changed."
        rowProps={({ code, agrees }) => ({
          ...{ 'data-code': code, 'data-agrees': agrees === undefined ? 'open' : agrees },
          ...(code === wanted ? { 'aria-current': true } : {}),
        })}
        above={({ code }) => <LevelRow enters={steps.get(code)?.enters} />}
        outOfOrder="Sorted or searched: to key, go back to all of them in their order. The keys lead from one to the next."
        below={(row) =>
          row.agrees === false ? (
            <tr className="reason-row">
              <td />
              <td colSpan={5}>
                <ReasonField
                  row={row}
                  draftKey={`${draftKey('asLeft', row)}/why`}
                  onReason={(why) => write('asLeft', device.id, { [row.code]: { ...row.asLeft!, why } }, why)}
                />
              </td>
            </tr>
          ) : null
        }
      />
    </section>
  )
}

const differs = (row: KeyingRow, found: Reading | undefined) => found !== undefined && found.text.trim() !== row.planned

/** Where the keys enter a level. */
function LevelRow({ enters }: { enters: string | undefined }) {
  return enters === undefined ? null : (
    <tr className="level-row">
      <td colSpan={6}>
        <b className="cond">{enters}</b> <span className="small text-ink2">from here, then back out at its end</span>
      </td>
    </tr>
  )
}

/** Which parameter it is, the keys that lead to it, and what to mind. */
function Parameter({ row, step }: { row: KeyingRow; step: KeyingStep | undefined }) {
  return (
    <>
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
    </>
  )
}

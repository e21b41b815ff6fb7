import { useMemo } from 'react'
import { sizeWords } from '@nachtigal/core/words/sizeWords'
import { dropCall, endVoltages, rowLoads } from '@nachtigal/core/wiring/conductors'
import { assumedLengthM } from '@nachtigal/core/wiring/rowVerdict'
import { useLoop } from '../../loop/loopContext'
import { Findings } from '../../loop/Findings'
import { Worked } from '../../loop/Worked'
import { Shape } from '../../design/Shape'
import { NoWires } from './NoWires'
import { WireFrame } from './WireFrame'

/** What each wire carries and loses, what is left at its end, and what protects it. */
export function ConductorsPart() {
  const { rows, chain, loop, job, data, words, open } = useLoop()
  const loads = useMemo(
    () => rowLoads(rows, chain, loop.wiring.rows, job.practice),
    [rows, chain, loop.wiring.rows, job.practice],
  )
  const ends = useMemo(() => endVoltages(loads, chain, data), [loads, chain, data])
  if (rows.length === 0) return <NoWires part="Conductors" />
  const carrying = loads.filter(({ row, currentA }) => currentA > 0 && row.role !== 'screen')
  const guessed = loads.filter(({ assumed }) => assumed).length
  return (
    <WireFrame part="Conductors">
      <div className="work">
        <div className="p-4 min-h-0 overflow-auto grid gap-5 content-start">
          <section className="min-w-0" aria-labelledby="ends">
            <h2 id="ends" className="h2">
              What is left at each device
            </h2>
            <div className="overflow-x-auto" tabIndex={0} role="group" aria-label="Table">
              <table className="w-full border-collapse">
                <thead>
                  <tr>
                    {['device', 'from', 'draws', 'wires', 'lost', 'left', 'limit', 'verdict'].map((head) => (
                      <th key={head} className="relative lab text-left px-2 first:pl-0 py-1 border-b border-ink">
                        {head === 'verdict' ? <span className="sr-only">{head}</span> : head}
                      </th>
                    ))}
                  </tr>
                </thead>
                <tbody>
                  {ends.map(
                    ({
                      device,
                      portId,
                      title,
                      supply,
                      currentA,
                      rows: mine,
                      dropV,
                      endV,
                      dropPercent,
                      allowedPercent,
                      enough,
                      measured,
                    }) => (
                      <tr key={`${device.id}.${portId}`} className="border-b border-line h-9">
                        <td className="pr-2">
                          <b>{device.tag}</b> {title}
                        </td>
                        <td className="px-2 whitespace-nowrap">
                          {supply.tag} {words.say(supply.volts, 'voltage', 0)}
                        </td>
                        <td className="px-2 whitespace-nowrap">{words.say(currentA, 'current')}</td>
                        <td className="px-2">{mine.map(({ number }) => number).join(', ')}</td>
                        <td className="px-2 whitespace-nowrap">
                          {words.say(dropV, 'voltage', 2)}, {words.say(dropPercent, 'percent', 1)}
                        </td>
                        <td className="px-2 font-bold whitespace-nowrap">{words.say(endV, 'voltage', 1)}</td>
                        <td className="px-2 whitespace-nowrap">{words.say(allowedPercent, 'percent', 1)}</td>
                        <td className="px-2">
                          <Shape kind={enough ? 'fits' : measured ? 'look' : 'waiting'} labelled />
                        </td>
                      </tr>
                    ),
                  )}
                </tbody>
              </table>
            </div>
          </section>
          <section className="min-w-0" aria-labelledby="each">
            <h2 id="each" className="h2">
              Each wire
            </h2>
            <div className="overflow-x-auto" tabIndex={0} role="group" aria-label="Table">
              <table className="w-full border-collapse">
                <thead>
                  <tr>
                    {[
                      'no.',
                      'from',
                      'to',
                      'carries',
                      'length',
                      'section',
                      'lost there and back',
                      'protected by',
                      'usual behind it',
                    ].map((head) => (
                      <th key={head} className="lab text-left px-2 first:pl-0 py-1 border-b border-ink">
                        {head}
                      </th>
                    ))}
                  </tr>
                </thead>
                <tbody>
                  {carrying.map((load) => {
                    const { row, currentA, lengthM, assumed, sizeMm2, pairDropV, usualMm2 } = load
                    const call = dropCall(load)
                    return (
                      <tr key={row.id} className="border-b border-line h-8">
                        <td className="pr-2 font-bold">{row.number}</td>
                        <td className="px-2 whitespace-nowrap">
                          {row.from.tag} {row.from.label}
                        </td>
                        <td className="px-2 whitespace-nowrap">
                          {row.to.tag} {row.to.label}
                        </td>
                        <td className="px-2 whitespace-nowrap">{words.say(currentA, 'current')}</td>
                        <td className="px-2 whitespace-nowrap">
                          {words.say(lengthM, 'length')}
                          {assumed ? ' assumed' : ''}
                        </td>
                        <td className="px-2 whitespace-nowrap">{sizeWords(job.practice, sizeMm2)}</td>
                        <td className="px-2 whitespace-nowrap">
                          {call ? (
                            <Worked
                              call={call}
                              text={words.say(pairDropV, 'voltage', 2)}
                              label={`Wire ${row.number} loses`}
                            />
                          ) : (
                            words.say(pairDropV, 'voltage', 2)
                          )}
                        </td>
                        <td className="px-2 whitespace-nowrap">
                          {row.fedBy
                            ? `${row.fedBy.tag}, ${words.say(row.fedBy.protectionA, 'current', 0)}`
                            : `not in this list: read it off at ${row.source?.tag ?? 'its feed'}`}
                        </td>
                        <td className="px-2 whitespace-nowrap">
                          {usualMm2 === undefined ? '' : sizeWords(job.practice, usualMm2)}
                        </td>
                      </tr>
                    )
                  })}
                </tbody>
              </table>
            </div>
          </section>
        </div>
        <aside className="panel" aria-label="What it means">
          <h2 className="h2">What it means</h2>
          {guessed > 0 ? (
            <p className="caution">
              <Shape kind="note" size={16} />
              <span>
                {guessed} of {loads.length} lengths are not written down: {words.say(assumedLengthM, 'length', 0)} is
                taken. Write them in the list.
              </span>
            </p>
          ) : null}
          <Findings
            findings={open.filter(({ code }) => ['C083', 'C084', 'C085'].some((each) => code.startsWith(each)))}
            none="Sections and fuses agree."
          />
          <p className="small text-ink2">
            Sections are those that the job’s practice ({job.practice === 'us' ? 'North American' : 'IEC'}) usually asks
            for behind a fuse, for short runs in the open. Bundles, heat, length and local code can ask for more: check
            local code.
          </p>
        </aside>
      </div>
    </WireFrame>
  )
}

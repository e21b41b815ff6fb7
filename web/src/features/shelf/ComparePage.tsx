import { useMemo, useState } from 'react'
import { Link } from 'react-router'
import type { DeviceProfile } from '@nachtigal/core/device/deviceProfile'
import { leaflet } from '@nachtigal/core/device/leaflet'
import { TerminalStrip } from '../../drawing/TerminalStrip'
import { DataTable, type TableColumn } from '../../design/table/DataTable'
import { Tick } from '../../design/Tick'
import { useShelf } from './shelfContext'
import { sideBySide } from './sideBySide'

interface Line {
  readonly key: string
  readonly title: string
  readonly label: string
  readonly a: string
  readonly b: string
  /** The first of its part. */
  readonly first: boolean
}

const weight = ({ a, b }: Line) => (a === b ? '' : 'font-bold')

/** Two devices side by side, line by line; where they differ is marked in words and by weight. */
export function ComparePage({ one, other }: { one: DeviceProfile; other: DeviceProfile }) {
  const { calcData, words, base } = useShelf()
  const [onlyOther, setOnlyOther] = useState(false)
  const rows = useMemo(() => {
    const [a, b] = [one, other].map((profile) => leaflet(profile, calcData.parts, words))
    return sideBySide(a!, b!)
  }, [one, other, calcData, words])
  const shown = useMemo(
    (): Line[] =>
      rows
        .filter(({ a, b }) => !onlyOther || a !== b)
        .map((row, i, all) => ({
          ...row,
          key: `${row.title}-${row.label}-${i}`,
          first: all[i - 1]?.title !== row.title,
        })),
    [rows, onlyOther],
  )
  const columns = useMemo(
    (): TableColumn<Line>[] => [
      { id: 'what', title: 'What', stays: true, value: ({ label }) => label },
      { id: 'one', title: one.name, value: ({ a }) => a || 'none', className: weight },
      { id: 'other', title: other.name, value: ({ b }) => b || 'none', className: weight },
      {
        id: 'same',
        title: 'Same or other',
        quiet: true,
        value: ({ a, b }) => (a === b ? 'same' : 'other'),
        className: 'text-ink2',
      },
    ],
    [one.name, other.name],
  )
  return (
    <article className="p-4 md:p-5 grid gap-4 content-start" aria-labelledby="compare-title">
      <h1 id="compare-title" className="h1">
        {one.name} and {other.name}
      </h1>
      <div className="grid gap-4">
        {[one, other].map((profile) => (
          <section key={profile.id} aria-label={profile.name}>
            <h2 className="h3">
              <Link to={`${base}/${profile.id}`}>{profile.name}</Link>{' '}
              <span className="text-ink2 font-normal">{words.tell(profile.summary)}</span>
            </h2>
            <TerminalStrip profile={profile} />
          </section>
        ))}
      </div>
      <div className="overflow-x-auto" tabIndex={0} role="region" aria-label="Side by side">
        <DataTable
          label="Side by side"
          className="tight compare"
          rows={shown}
          columns={columns}
          idOf={({ key }) => key}
          find="Find a line"
          above={({ title, first }) =>
            first ? (
              <tr>
                <th scope="rowgroup" colSpan={4}>
                  {title}
                </th>
              </tr>
            ) : null
          }
          tools={
            <Tick checked={onlyOther} onChange={setOnlyOther}>
              Only what differs
            </Tick>
          }
          none="Nothing differs."
        />
      </div>
    </article>
  )
}

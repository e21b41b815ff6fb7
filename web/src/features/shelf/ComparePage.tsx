import { useMemo } from 'react'
import { Link } from 'react-router'
import type { DeviceProfile } from '@nachtigal/core/device/deviceProfile'
import { leaflet } from '@nachtigal/core/device/leaflet'
import { TerminalStrip } from '../../drawing/TerminalStrip'
import { useShelf } from './shelfContext'
import { sideBySide } from './sideBySide'

/** Two devices side by side, line by line; where they differ is marked in words and by weight. */
export function ComparePage({ one, other }: { one: DeviceProfile; other: DeviceProfile }) {
  const { calcData, words, base } = useShelf()
  const rows = useMemo(() => {
    const [a, b] = [one, other].map((profile) => leaflet(profile, calcData.parts, words))
    return sideBySide(a!, b!)
  }, [one, other, calcData, words])
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
              <span className="text-ink2 font-normal">{profile.summary}</span>
            </h2>
            <TerminalStrip profile={profile} />
          </section>
        ))}
      </div>
      <div className="overflow-x-auto" tabIndex={0} role="region" aria-label="Side by side">
        <table className="grid-table tight compare">
          <thead>
            <tr>
              <th>What</th>
              <th>{one.name}</th>
              <th>{other.name}</th>
              <th>
                <span className="sr-only">Same or other</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {rows.map(({ title, label, a, b }, i) => (
              <tr key={`${title}-${label}-${i}`}>
                <td>
                  {rows[i - 1]?.title !== title ? <span className="block lab">{title}</span> : null}
                  {label}
                </td>
                <td className={a === b ? '' : 'font-bold'}>{a || 'none'}</td>
                <td className={a === b ? '' : 'font-bold'}>{b || 'none'}</td>
                <td className="text-ink2">{a === b ? 'same' : 'other'}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </article>
  )
}

import { useMemo, useState } from 'react'
import { Link } from 'react-router'
import type { DeviceProfile } from '@nachtigal/core/device/deviceProfile'
import { categoryTitles } from '@nachtigal/core/device/leaflet'
import { kindFacts, loopKinds } from '@nachtigal/core/kinds/kinds'
import { DataTable, type TableColumn } from '../../design/table/DataTable'
import { useShelf } from './shelfContext'

/** Which loops a device is made for. */
const kindsOf = ({ kinds }: DeviceProfile) =>
  kinds === undefined
    ? 'any loop'
    : loopKinds
        .filter((kind) => kinds[kind])
        .map((kind) => kindFacts[kind].title)
        .join(', ')

/** The whole shelf as one table, to be sorted and searched. */
export function ShelfTable() {
  const { profiles, own, base, words } = useShelf()
  const [box, setBox] = useState<HTMLDivElement | null>(null)
  const columns = useMemo(
    (): TableColumn<DeviceProfile>[] => [
      {
        id: 'device',
        title: 'Device',
        stays: true,
        value: ({ name }) => name,
        cell: ({ id, name }) => <Link to={`${base}/${id}`}>{name}</Link>,
      },
      { id: 'type', title: 'Type', value: ({ category }) => categoryTitles[category] },
      { id: 'summary', title: 'What it is', value: ({ summary }) => words.tell(summary) },
      { id: 'for', title: 'For', value: kindsOf },
      {
        id: 'from',
        title: 'From',
        value: ({ id }) => (own.has(id) ? 'your own' : 'the shelf'),
        className: 'whitespace-nowrap',
      },
    ],
    [own, base, words],
  )
  return (
    <div ref={setBox} className="overflow-auto min-h-0 flex-1" tabIndex={0} role="region" aria-label="All devices">
      <DataTable
        label="All devices"
        className="tight whole-shelf"
        rows={profiles}
        columns={columns}
        idOf={({ id }) => id}
        find="Find in this table"
        scroller={box}
      />
    </div>
  )
}

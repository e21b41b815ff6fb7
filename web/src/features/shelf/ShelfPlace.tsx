import './shelf.css'
import { useContext, useMemo } from 'react'
import { useLocation, useParams } from 'react-router'
import type { DeviceProfile } from '@nachtigal/core/device/deviceProfile'
import { calcDataOf } from '@nachtigal/contract/api'
import type { UnitPreferences } from '@nachtigal/core/units/quantity'
import { wordsFor } from '@nachtigal/core/words/words'
import { useShelfQuery } from '../../state/api'
import { useAppSelector } from '../../state/store'
import { JobContext } from '../../loop/jobContext'
import { ComparePage } from './ComparePage'
import { DeviceForm } from './DeviceForm'
import { DevicePage } from './DevicePage'
import { PutBack } from './PutBack'
import { ShelfCatalogue } from './ShelfCatalogue'
import { ShelfContext, type ShelfInHand } from './shelfContext'
import { ShelfTable } from './ShelfTable'
import { jobAt } from '../../lib/addresses'
import { pageUnits } from '../../state/pageUnits'

/** Stands in the address where a device's id does. */
const NEW = 'new'

/** The shelf: every device as data, in a job's units or in this device's. */
export function ShelfPlace() {
  const job = useContext(JobContext)
  const unit = useAppSelector((state) => state.view.unit)
  const { data: shelf, isError, refetch } = useShelfQuery()
  const { device, other } = useParams()
  const { pathname, state } = useLocation()
  const page = pathname.endsWith('/change')
    ? 'change'
    : other !== undefined
      ? 'compare'
      : device === NEW
        ? 'new'
        : device === undefined
          ? 'list'
          : 'device'
  const takenOff = (state as { takenOff?: DeviceProfile } | null)?.takenOff
  const preferences = useMemo((): UnitPreferences => {
    if (job) return { temperatureUnit: unit ?? job.job.temperatureUnit, system: job.job.system }
    return pageUnits(unit)
  }, [job, unit])
  const inHand = useMemo(
    (): ShelfInHand | undefined =>
      shelf && {
        profiles: shelf.profiles,
        own: new Set(shelf.own),
        broken: shelf.broken ?? [],
        calcData: calcDataOf(shelf),
        words: wordsFor(preferences),
        preferences,
        base: job ? jobAt(job.job.id, 'shelf') : '/shelf',
      },
    [shelf, preferences, job],
  )
  if (!inHand)
    return (
      <main className="sheet p-4">
        {isError ? (
          <p role="alert">
            The server does not answer.{' '}
            <button type="button" className="third" onClick={() => void refetch()}>
              Try again
            </button>
          </p>
        ) : (
          <p role="status">Reading the shelf</p>
        )}
      </main>
    )
  const found = inHand.profiles.find(({ id }) => id === device)
  const second = inHand.profiles.find(({ id }) => id === other)
  // On a phone the way back for what was taken off stands in place of the list.
  const narrow = page !== 'list' || takenOff !== undefined
  return (
    <ShelfContext.Provider value={inHand}>
      <main className={`sheet shelf ${narrow ? 'has-device' : ''}`}>
        {narrow ? null : <h1 className="sr-only only-phone">Shelf</h1>}
        <ShelfCatalogue chosen={found?.id} />
        <div className="shelf-page">
          {page === 'new' ? (
            <DeviceForm key="new" />
          ) : page === 'list' ? (
            <section className={`p-4 min-h-0 h-full flex flex-col gap-2 ${takenOff ? '' : 'not-phone'}`}>
              <h1 className="h1">Shelf</h1>
              <p className="max-w-xl">
                {inHand.profiles.length} devices, {inHand.own.size} of your own. Choose one on the left, or type what
                you look for. A device in a job keeps the version it was used with.
              </p>
              {takenOff ? <PutBack profile={takenOff} /> : null}
              <ShelfTable />
            </section>
          ) : !found ? (
            <section className="p-6">
              <h1 className="h1">Not on the shelf</h1>
              <p>There is no device “{(device ?? '').slice(0, 60)}”. It may have been removed.</p>
            </section>
          ) : page === 'change' ? (
            <DeviceForm key={found.id} from={found} />
          ) : page === 'compare' && second ? (
            <ComparePage one={found} other={second} />
          ) : (
            <DevicePage key={found.id} profile={found} />
          )}
        </div>
      </main>
    </ShelfContext.Provider>
  )
}

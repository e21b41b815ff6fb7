import { ArrowLeft } from 'lucide-react'
import { Link, useMatch } from 'react-router'
import { useAppDispatch, useAppSelector } from '../../lib/store'
import { unitLookedAt } from '../../lib/viewSlice'
import { Mark, ThemeButton } from '../../ui/Frame'
import { ShelfPlace } from './ShelfPlace'

/** The shelf without a job, in this device's units. */
export function ShelfAlone() {
  const dispatch = useAppDispatch()
  const unit = useAppSelector((state) => state.view.unit)
  const top = useMatch('/shelf')
  return (
    <div className="shell alone">
      <header className="title-block">
        <Link to="/" className="brand not-phone" aria-label="Nachtigal, all jobs">
          <Mark />
          Nachtigal
        </Link>
        <Link to={top ? '/' : '/shelf'} className="only-phone back" aria-label="Back">
          <ArrowLeft size={20} strokeWidth={1.5} />
        </Link>
        <span className="title-cell flex-1">
          <span className="k">Without a job</span>
          <span className="font-bold">Shelf</span>
        </span>
        <button
          type="button"
          className="title-cell"
          onClick={() => dispatch(unitLookedAt(unit === 'F' ? null : 'F'))}
          aria-label={`Units: ${unit === 'F' ? 'degrees Fahrenheit, US' : 'degrees Celsius, metric'}. Turn`}
        >
          <span className="k">Units</span>
          <span>{unit === 'F' ? '°F, US' : '°C, metric'}</span>
        </button>
        <ThemeButton />
      </header>
      <ShelfPlace />
    </div>
  )
}

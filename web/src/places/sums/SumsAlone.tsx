import { ArrowLeft } from 'lucide-react'
import { Link, useParams } from 'react-router'
import { useAppDispatch, useAppSelector } from '../../lib/store'
import { unitLookedAt } from '../../lib/viewSlice'
import { Mark, ThemeButton } from '../../ui/Frame'
import { SumsPlace } from './SumsPlace'

/** The sums without a job: a quick answer, in this device's units. */
export function SumsAlone() {
  const dispatch = useAppDispatch()
  const unit = useAppSelector((state) => state.view.unit)
  const { calc } = useParams()
  return (
    <div className="shell alone">
      <header className="title-block">
        <Link to="/" className="brand not-phone" aria-label="Nachtigal, all jobs">
          <Mark />
          Nachtigal
        </Link>
        <Link to={calc === undefined ? '/' : '/sums'} className="only-phone back" aria-label="Back">
          <ArrowLeft size={20} strokeWidth={1.5} />
        </Link>
        <span className="title-cell flex-1">
          <span className="k">Without a job</span>
          <span className="font-bold">Sums</span>
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
      <SumsPlace />
    </div>
  )
}

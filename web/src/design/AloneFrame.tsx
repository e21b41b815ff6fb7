import { ArrowLeft } from 'lucide-react'
import type { ReactNode } from 'react'
import { Link } from 'react-router'
import { useAppDispatch, useAppSelector } from '../state/store'
import { unitLookedAt } from '../state/viewSlice'
import { Mark, ThemeButton } from './Frame'

interface Props {
  readonly title: string
  /** Where a phone goes back to. */
  readonly back: string
  readonly children: ReactNode
}

/** A place without a job, in this device's units. */
export function AloneFrame({ title, back, children }: Props) {
  const dispatch = useAppDispatch()
  const unit = useAppSelector((state) => state.view.unit)
  return (
    <div className="shell alone">
      <header className="title-block">
        <Link to="/" className="brand not-phone" aria-label="Nachtigal, all jobs">
          <Mark />
          Nachtigal
        </Link>
        <Link to={back} className="only-phone back" aria-label="Back">
          <ArrowLeft size={20} strokeWidth={1.5} />
        </Link>
        <span className="title-cell flex-1">
          <span className="k">Without a job</span>
          <span className="font-bold">{title}</span>
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
      {children}
    </div>
  )
}

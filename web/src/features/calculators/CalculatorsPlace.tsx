import './calculators.css'
import { useContext, useEffect, useMemo, useRef, useState } from 'react'
import { NavLink, useNavigate, useParams } from 'react-router'
import { calcDataOf } from '@nachtigal/contract/api'
import type { Calculation } from '@nachtigal/core/calc/calculation'
import { calculationGroups, findCalculation } from '@nachtigal/core/calc/registry'
import type { UnitPreferences } from '@nachtigal/core/units/quantity'
import { useShelfQuery } from '../../state/api'
import { useAppSelector } from '../../state/store'
import { JobContext } from '../../loop/jobContext'
import { Field } from '../../design/Field'
import { searchCalculators } from './searchCalculators'
import { Calculators, type CalculatorsContext } from './calculatorsContext'
import { CalculationSheet } from './CalculationSheet'
import { jobAt } from '../../lib/addresses'
import { pageUnits } from '../../state/pageUnits'

/** Every calculation on its own, found by what one types. Inside a job in its units, without one in this device's. */
export function CalculatorsPlace() {
  const job = useContext(JobContext)
  const unit = useAppSelector((state) => state.view.unit)
  const { data: shelf, isError, refetch } = useShelfQuery()
  const { calc } = useParams()
  const preferences = useMemo((): UnitPreferences => {
    if (job) return { temperatureUnit: unit ?? job.job.temperatureUnit, system: job.job.system }
    return pageUnits(unit)
  }, [job, unit])
  const calcData = useMemo(() => job?.calcData ?? (shelf ? calcDataOf(shelf) : undefined), [job, shelf])
  const base = job ? jobAt(job.job.id, 'calculators') : '/calculators'
  const context = useMemo(
    (): CalculatorsContext | undefined => calcData && { calcData, preferences, job, base },
    [calcData, preferences, job, base],
  )
  const entry = calc === undefined ? undefined : findCalculation(calc)
  if (!context)
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
          <p role="status">Reading the curves</p>
        )}
      </main>
    )
  return (
    <Calculators.Provider value={context}>
      <main className={`sheet calculators ${entry ? 'has-sum' : ''}`}>
        {entry ? null : <h1 className="sr-only only-phone">Calculators</h1>}
        <CalculatorsList base={base} chosen={entry?.id} />
        {entry ? (
          <CalculationSheet key={entry.id} entry={entry} />
        ) : (
          <section className="p-6 not-phone">
            <h1 className="h1">Calculators</h1>
            <p className="max-w-md pt-2">
              {calc === undefined
                ? 'Type what you look for: pt1000, 4-20, swing, how long to heat. The answer stands as you type.'
                : `There is no calculator "${calc.slice(0, 40)}". Find one on the left.`}
            </p>
          </section>
        )}
      </main>
    </Calculators.Provider>
  )
}

/** The list of calculators, in groups, or what was found. Arrow keys walk, Enter opens the first. */
function CalculatorsList({ base, chosen }: { base: string; chosen: string | undefined }) {
  const [query, setQuery] = useState('')
  const navigate = useNavigate()
  const search = useRef<HTMLInputElement>(null)
  const list = useRef<HTMLDivElement>(null)
  const found = useMemo(() => (query.trim() === '' ? undefined : searchCalculators(query)), [query])
  // Come here to type, unless a sum was opened already or a thumb would call up the keyboard over the list.
  useEffect(() => {
    if (chosen === undefined && matchMedia('(min-width: 768px)').matches) search.current?.focus()
  }, [chosen])
  const groups = found ? [{ title: `Found ${found.length}`, entries: found }] : calculationGroups
  const walk = (event: React.KeyboardEvent) => {
    if (event.key !== 'ArrowDown' && event.key !== 'ArrowUp') return
    const links = [...(list.current?.querySelectorAll('a') ?? [])]
    const at = links.indexOf(document.activeElement as HTMLAnchorElement)
    const next = event.key === 'ArrowDown' ? at + 1 : at - 1
    event.preventDefault()
    if (next < 0) search.current?.focus()
    else links[Math.min(next, links.length - 1)]?.focus()
  }
  return (
    <nav className="calculators-list" aria-label="Calculators" onKeyDown={walk}>
      <div className="p-3 pb-2">
        <Field label="Find a calculator" text>
          {(ids) => (
            <input
              {...ids}
              ref={search}
              type="search"
              data-find-sum
              autoComplete="off"
              maxLength={100}
              placeholder="pt1000, 4-20, swing …"
              value={query}
              onChange={(event) => setQuery(event.target.value)}
              onKeyDown={(event) => {
                if (event.key === 'Enter' && found?.[0]) void navigate(`${base}/${found[0].id}`)
                else if (event.key === 'Escape') setQuery('')
              }}
            />
          )}
        </Field>
      </div>
      <div ref={list} className="overflow-auto min-h-0 flex-1 pb-3">
        {groups.map(({ title, entries }) => (
          <section key={title} aria-label={title}>
            <h2 className="lab px-3 pt-3 pb-1 sticky top-0 bg-paper" aria-live={found ? 'polite' : undefined}>
              {title}
            </h2>
            <ul>
              {entries.map((entry: Calculation) => (
                <li key={entry.id}>
                  <NavLink to={`${base}/${entry.id}`} className="sum-row">
                    {entry.title}
                  </NavLink>
                </li>
              ))}
            </ul>
          </section>
        ))}
        {found?.length === 0 ? (
          <p className="px-3 text-ink2">Nothing like that. Try the name of what you hold: probe, relay, valve, pool.</p>
        ) : null}
      </div>
    </nav>
  )
}

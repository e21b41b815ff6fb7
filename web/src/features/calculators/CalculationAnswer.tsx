import type { ReactNode } from 'react'
import type { Field, Fields, Tone } from '@nachtigal/core/calc/field'
import { sayField } from '@nachtigal/core/calc/workedLines'
import { Shape } from '../../design/Shape'
import { useCalculators } from './calculatorsContext'

interface Props {
  readonly outputs: Fields
  readonly output: Readonly<Record<string, unknown>>
}

/** Rows that are shown of a long table; copying and command line give them all. */
const MOST_ROWS = 64

const toneOf = (field: Field, value: unknown): Tone | undefined => {
  // Why there is no answer is worth a second look whatever it is.
  if (field.title === 'Reason') return 'look'
  if (field.type === 'choice') return field.tones?.[String(value)]
  if (field.type === 'boolean') return field.tones?.[value === true ? 'yes' : 'no']
  return undefined
}

const isList = (field: Field) => field.type === 'list' && ['object', 'boolean', 'number'].includes(field.of.type)

/** Lists, and groups that hold one, stand below as tables. */
const isTable = (field: Field, value: unknown) =>
  (isList(field) && Array.isArray(value)) ||
  (field.type === 'object' && value !== null && Object.values(field.fields).some(isList))

const shownOf = ({ outputs, output }: Props) => Object.entries(outputs).filter(([name]) => output[name] !== undefined)

/** What came out, but for the tables: the first figure large, the others beside their names. */
export function CalculationAnswer(props: Props) {
  const { output } = props
  const facts = shownOf(props)
    .filter(([name, field]) => !isTable(field, output[name]))
    .sort(([a], [b]) => Number(b === 'reason') - Number(a === 'reason'))
  if (facts.length === 0) return null
  return (
    <dl className="sum-answer" aria-live="polite">
      {facts.map(([name, field], i) => (
        <div key={name} className="contents">
          <dt>{field.title}</dt>
          <dd className={i === 0 && field.type === 'number' && output[name] !== null ? 'first' : ''}>
            <Value field={field} value={output[name]} />
          </dd>
        </div>
      ))}
    </dl>
  )
}

/** The lists that came out, as tables. */
export function SumTables(props: Props) {
  const { output } = props
  return (
    <>
      {shownOf(props)
        .filter(([name, field]) => isTable(field, output[name]))
        .map(([name, field]) =>
          field.type === 'object' ? (
            <section key={name} aria-label={field.title} className="grid gap-1">
              <h3 className="h3">{field.title}</h3>
              <CalculationAnswer outputs={field.fields} output={output[name] as Props['output']} />
              <SumTables outputs={field.fields} output={output[name] as Props['output']} />
            </section>
          ) : (
            <Rows key={name} field={field} rows={output[name] as readonly unknown[]} />
          ),
        )}
    </>
  )
}

function Value({ field, value }: { field: Field; value: unknown }) {
  const { preferences } = useCalculators()
  const tone = toneOf(field, value)
  const said = sayField(field, value, preferences)
  if (tone === undefined) return <>{said}</>
  return (
    <span className="inline-flex items-center gap-2">
      <Shape kind={tone} size={18} />
      <b>{said}</b>
    </span>
  )
}

interface Column {
  readonly key: string
  readonly title: string
  readonly cell: (row: unknown) => ReactNode
}

/** Columns of a list: the fields of its rows; a group keyed by names opens into a column for each. */
function columnsOf(of: Field, rows: readonly unknown[]): Column[] {
  if (of.type !== 'object') return [{ key: 'value', title: of.title, cell: (row) => <Value field={of} value={row} /> }]
  const at = (row: unknown, name: string) => (row as Readonly<Record<string, unknown>>)[name]
  return Object.entries(of.fields).flatMap(([name, field]): Column[] => {
    if (field.type === 'map') {
      const keys = Object.keys((at(rows[0], name) ?? {}) as object)
      return keys.map((key) => ({
        key: `${name}.${key}`,
        title: key,
        cell: (row: unknown) => ((at(row, name) as Readonly<Record<string, boolean>>)[key] ? 'closed' : 'open'),
      }))
    }
    // A curve in full says nothing in a column; its name stands beside it.
    if (field.type === 'variant' || !rows.some((row) => at(row, name) !== undefined)) return []
    return [
      {
        key: name,
        title: field.title,
        cell: (row: unknown) => (at(row, name) === undefined ? '' : <Value field={field} value={at(row, name)} />),
      },
    ]
  })
}

function Rows({ field, rows }: { field: Field; rows: readonly unknown[] }) {
  if (field.type !== 'list') return null
  if (rows.length === 0)
    return (
      <p>
        <span className="text-ink2">{field.title} </span>none
      </p>
    )
  const columns = columnsOf(field.of, rows)
  const numbered = field.of.type !== 'object' || !('stage' in field.of.fields)
  return (
    <div className="overflow-x-auto" tabIndex={0} role="region" aria-label={field.title}>
      <table className="grid-table tight">
        <caption className="h3 text-left pb-1">{field.title}</caption>
        <thead>
          <tr>
            {numbered ? <th>no.</th> : null}
            {columns.map(({ key, title }) => (
              <th key={key}>{title}</th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.slice(0, MOST_ROWS).map((row, i) => (
            <tr key={i}>
              {numbered ? <td className="text-ink2">{i + 1}</td> : null}
              {columns.map(({ key, cell }) => (
                <td key={key}>{cell(row)}</td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      {rows.length > MOST_ROWS ? <p className="small text-ink2 pt-1">and {rows.length - MOST_ROWS} more rows</p> : null}
    </div>
  )
}

import { useTable } from '@tanstack/react-table'
import { useVirtualizer } from '@tanstack/react-virtual'
import { ArrowDown, ArrowUp } from 'lucide-react'
import { Fragment, type HTMLAttributes, type ReactNode, useMemo, useState } from 'react'
import { features } from './tableFeatures'
import { TableTools } from './TableTools'
import { tableText } from './tableText'

export interface TableColumn<Row> {
  readonly id: string
  readonly title: string
  /** What the column is sorted by; none where it holds only buttons. */
  readonly value?: (row: Row) => string | number | undefined
  /** What it is searched and copied by, in the units that are shown; the value itself when left out. */
  readonly text?: (row: Row) => string
  /** What stands in it; what only makes sense in the first order looks at `inOrder`. */
  readonly cell?: (row: Row, inOrder: boolean) => ReactNode
  /** Its head is told to a reader only. */
  readonly quiet?: boolean
  /** It is never hidden. */
  readonly stays?: boolean
  /** Of its cells and its head; of its cells alone where a function answers it. */
  readonly className?: string | ((row: Row) => string)
}

interface Props<Row> {
  readonly label: string
  readonly rows: readonly Row[]
  readonly columns: readonly TableColumn<Row>[]
  readonly idOf: (row: Row) => string
  readonly className?: string
  readonly rowProps?: (row: Row) => HTMLAttributes<HTMLTableRowElement> & Readonly<Record<`data-${string}`, unknown>>
  /** A whole row drawn by its owner, who is told which columns are shown. */
  readonly drawRow?: (row: Row, shown: readonly string[]) => ReactNode
  /** A row of its own above one, while all stand in the first order: the head of a group. */
  readonly above?: (row: Row) => ReactNode
  /** A row of its own below one. */
  readonly below?: (row: Row) => ReactNode
  /** Label of the field that rows are sought by; without one there is none. */
  readonly find?: string
  /** What else stands beside search, columns and copy. */
  readonly tools?: ReactNode
  /** Said while the rows do not stand all in the first order, where that order means something. */
  readonly outOfOrder?: string
  readonly busy?: boolean
  /** What rows scroll in: long tables draw only what is in sight. */
  readonly scroller?: HTMLElement | null
  readonly none?: ReactNode
}

const textOf = <Row,>({ text, value }: TableColumn<Row>, row: Row) => (text ?? value)?.(row)

/** Longer tables draw only the rows in sight. */
const WHOLE_UP_TO = 100
const ROW_PX = 36

/**
 * A table of many rows: sorted by a tap on a head, searched, with a choice of columns, and copied as a spreadsheet
 * takes it. The third tap on a head brings the first order back.
 */
export function DataTable<Row extends object>(props: Props<Row>) {
  const { label, rows, columns, idOf, className = '', find, tools, outOfOrder, busy, none, scroller } = props
  const [sought, setSought] = useState('')
  const held = useMemo(
    () =>
      columns.map(({ id, value, stays }) => ({
        id,
        accessorFn: (row: Row) => value?.(row),
        enableSorting: value !== undefined,
        enableHiding: stays !== true,
        sortFn: 'auto' as const,
        sortDescFirst: false,
        sortUndefined: 'last' as const,
      })),
    [columns],
  )
  const byId = useMemo(() => new Map(columns.map((column) => [column.id, column])), [columns])
  const table = useTable({
    features,
    columns: held,
    data: rows as Row[],
    getRowId: idOf,
    globalFilterFn: (row, columnId, text: string) =>
      String(textOf(byId.get(columnId)!, row.original) ?? '')
        .toLowerCase()
        .includes(text.toLowerCase()),
    getColumnCanGlobalFilter: ({ id }) => byId.get(id)?.value !== undefined,
  })
  const shownIds = table.getVisibleLeafColumns().map(({ id }) => id)
  const shown = columns.filter(({ id }) => shownIds.includes(id))
  const found = table.getRowModel().rows
  const inOrder = table.state.sorting.length === 0 && sought.trim() === ''
  const copied = () => {
    const told = shown.filter(({ value }) => value !== undefined)
    return tableText(
      told.map(({ title }) => title),
      found.map(({ original }) => told.map((column) => textOf(column, original))),
    )
  }
  const seek = (text: string) => {
    setSought(text)
    table.setGlobalFilter(text.trim() === '' ? undefined : text.trim())
  }
  const span = shown.length
  const draw = (row: Row) => <DrawnRow {...props} row={row} shown={shown} inOrder={inOrder} />
  return (
    <>
      <TableTools
        find={find}
        sought={sought}
        onSeek={seek}
        count={sought === '' ? undefined : found.length}
        columns={columns.filter(({ stays, quiet }) => !stays && !quiet)}
        shown={shownIds}
        onShow={(id, on) => table.getColumn(id)?.toggleVisibility(on)}
        copied={copied}
      >
        {tools}
      </TableTools>
      {outOfOrder !== undefined && !inOrder ? (
        <p className="small" role="note">
          {outOfOrder}
        </p>
      ) : null}
      <table className={`grid-table ${className}`} aria-label={label} aria-busy={busy} aria-rowcount={found.length + 1}>
        <thead>
          <tr>
            {shown.map(({ id, title, quiet, value, className: look }) => {
              const column = table.getColumn(id)
              const way = column?.getIsSorted()
              return (
                <th
                  key={id}
                  scope="col"
                  className={typeof look === 'string' ? look : undefined}
                  aria-sort={way ? (way === 'asc' ? 'ascending' : 'descending') : undefined}
                >
                  {quiet ? (
                    <span className="sr-only">{title}</span>
                  ) : value ? (
                    <button type="button" className="sort" onClick={column?.getToggleSortingHandler()}>
                      {title}
                      {way ? (
                        way === 'asc' ? (
                          <ArrowDown size={14} strokeWidth={1.5} aria-hidden />
                        ) : (
                          <ArrowUp size={14} strokeWidth={1.5} aria-hidden />
                        )
                      ) : null}
                    </button>
                  ) : (
                    title
                  )}
                </th>
              )
            })}
          </tr>
        </thead>
        {found.length > WHOLE_UP_TO && scroller ? (
          <InSight rows={found} span={span} scroller={scroller} draw={({ original }) => draw(original)} />
        ) : (
          <tbody>
            {found.map(({ id, original }) => (
              <Fragment key={id}>{draw(original)}</Fragment>
            ))}
          </tbody>
        )}
      </table>
      {found.length === 0 && (none ?? sought !== '') ? (
        <p className="py-2">{sought === '' ? none : `Nothing here has “${sought}”.`}</p>
      ) : null}
    </>
  )
}

function DrawnRow<Row extends object>({
  row,
  shown,
  inOrder,
  rowProps,
  drawRow,
  above,
  below,
}: Props<Row> & { row: Row; shown: readonly TableColumn<Row>[]; inOrder: boolean }) {
  return (
    <>
      {inOrder ? above?.(row) : null}
      {drawRow ? (
        drawRow(
          row,
          shown.map(({ id }) => id),
        )
      ) : (
        <tr {...rowProps?.(row)}>
          {shown.map(({ id, value, text, cell, className }) => (
            <td key={id} className={typeof className === 'function' ? className(row) : className}>
              {cell ? cell(row, inOrder) : (text ?? value)?.(row)}
            </td>
          ))}
        </tr>
      )}
      {below?.(row)}
    </>
  )
}

interface InSightProps<Row> {
  readonly rows: readonly Row[]
  readonly span: number
  readonly scroller: HTMLElement
  readonly draw: (row: Row) => ReactNode
}

/** The rows in sight, between two empty ones as high as those that are not. */
function InSight<Row extends { readonly id: string }>({ rows, span, scroller, draw }: InSightProps<Row>) {
  const virtual = useVirtualizer({
    count: rows.length,
    getScrollElement: () => scroller,
    estimateSize: () => ROW_PX,
    getItemKey: (index) => rows[index]!.id,
    overscan: 12,
  })
  const items = virtual.getVirtualItems()
  const before = items[0]?.start ?? 0
  const after = virtual.getTotalSize() - (items.at(-1)?.end ?? 0)
  const empty = (height: number) => (
    <tr aria-hidden>
      <td colSpan={span} style={{ height, padding: 0, border: 0 }} />
    </tr>
  )
  return (
    <tbody>
      {before > 0 ? empty(before) : null}
      {items.map(({ key, index }) => (
        <Fragment key={key}>{draw(rows[index]!)}</Fragment>
      ))}
      {after > 0 ? empty(after) : null}
    </tbody>
  )
}

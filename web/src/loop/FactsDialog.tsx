import { useMemo, useState } from 'react'
import { factsOfKind } from '@nachtigal/core/kinds/kinds'
import { type Fact, loopFacts, sayFact } from '@nachtigal/core/loop/facts'
import { madeFrom } from '@nachtigal/core/loop/madeFrom'
import { figureSources } from '@nachtigal/core/survey/figureSources'
import { formatQuantity, formatValue } from '@nachtigal/core/units/quantity'
import { DataTable, type TableColumn } from '../design/table/DataTable'
import { Dialog } from '../design/Dialog'
import { useLoop } from './loopContext'

/** Where a fact comes from, in a word. */
const sources: Readonly<Record<Fact['source'], string>> = {
  ...figureSources,
  worked: 'worked out',
  planned: 'planned',
}

/** Every figure of the loop once: what it is, where it comes from, and which answers move it. */
export function FactsDialog() {
  const [open, setOpen] = useState(false)
  return (
    <>
      <button type="button" className="third min-h-8 max-md:min-h-12 text-left" onClick={() => setOpen(true)}>
        Every figure, and what it is made from
      </button>
      <Dialog
        open={open}
        onClose={() => setOpen(false)}
        title="Every figure of this loop"
        wide
        about="Each counts once, on every step and sheet. Change an answer, and what is made from it follows."
      >
        {open ? <FactsTable /> : null}
      </Dialog>
    </>
  )
}

function FactsTable() {
  const context = useLoop()
  const { loop, words, preferences } = context
  const facts = useMemo(() => [...loopFacts(context).values()], [context])
  const made = useMemo(() => madeFrom(context), [context])
  const columns = useMemo(() => {
    const titles = new Map(factsOfKind(loop.kind).questions.map(({ id, title }) => [id, title]))
    const range = ({ low, high, quantity }: Fact) =>
      low === undefined || high === undefined || low === high
        ? ''
        : `${formatValue(low, quantity, preferences)} to ${formatQuantity(high, quantity, preferences)}`
    const from = ({ id }: Fact) =>
      (made.get(id) ?? [])
        .filter((question) => question !== id)
        .map((question) => titles.get(question)?.toLowerCase())
        .join(', ')
    return [
      { id: 'title', title: 'Figure', value: ({ title }) => title, stays: true },
      {
        id: 'value',
        title: 'Counts as',
        value: ({ value }) => value,
        text: (fact) => sayFact(fact, words),
        cell: (fact) => <span data-fact={fact.id}>{sayFact(fact, words)}</span>,
        className: 'num',
      },
      { id: 'range', title: 'Low to high', value: range, className: 'max-md:hidden' },
      { id: 'source', title: 'From', value: ({ source }) => sources[source], className: 'max-md:hidden' },
      { id: 'made', title: 'Made from', value: from },
    ] satisfies readonly TableColumn<Fact>[]
  }, [loop.kind, made, preferences, words])
  return (
    <DataTable
      label="Every figure of this loop"
      rows={facts}
      columns={columns}
      idOf={({ id }) => id}
      find="Find a figure"
      none="No figures yet: the survey waits for answers."
    />
  )
}

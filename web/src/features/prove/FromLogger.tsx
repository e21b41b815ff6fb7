import Papa from 'papaparse'
import { useState } from 'react'
import type { ProofTest } from '@nachtigal/core/commissioning/proofTest'
import { loggedAt, loggerReadings } from '@nachtigal/core/series/loggerReadings'
import { quantityView, shownText } from '@nachtigal/core/units/quantity'
import { useLoop } from '../../loop/loopContext'
import { useKeepReadings } from '../../loop/useKeepReading'

const MOST_BYTES = 20_000_000

/** Readings of a test that is made over time, taken from a logger's file: the times and figures of its first two columns. */
export function FromLogger({ test }: { test: ProofTest }) {
  const { reading, preferences } = useLoop()
  const keep = useKeepReadings()
  const [says, setSays] = useState<{ text: string; wrong: boolean }>()
  const take = async (file: File | undefined) => {
    if (!file) return
    const refuse = (text: string) => setSays({ text: `${file.name.slice(0, 60)}: ${text}.`, wrong: true })
    if (file.size > MOST_BYTES) return refuse('it is larger than 20 MB')
    const { data } = Papa.parse<string[]>(await file.text(), { skipEmptyLines: true })
    const found = loggerReadings(data)
    if (!found.ok) return refuse(found.message)
    const made = test.steps.flatMap(({ id, at, main }) => {
      const value = at?.afterS === undefined ? undefined : loggedAt(found.points, at.afterS)
      if (value === undefined || main.ask.kind !== 'number') return []
      return [{ step: id, reading: reading(shownText(value), main.ask.quantity), supersedes: main.reading?.id }]
    })
    if (made.length === 0) return refuse('it does not reach to any of the times of this test')
    const refused = keep(test.id, made, `From ${file.name.slice(0, 80)}`)
    setSays(
      refused
        ? { text: refused, wrong: true }
        : {
            text: `${made.length} of ${test.steps.length} readings taken from ${found.points.length} rows${found.left > 0 ? `, ${found.left} left out` : ''}.`,
            wrong: false,
          },
    )
  }
  return (
    <div className="grid gap-1">
      <label className="third min-h-8 max-md:min-h-12 cursor-pointer inline-flex items-center">
        From a logger file: time, {quantityView('temperature', preferences).label}
        <input
          type="file"
          accept=".csv,.txt,.tsv,text/csv,text/plain"
          className="sr-only"
          onChange={(event) => {
            void take(event.target.files?.[0])
            event.target.value = ''
          }}
        />
      </label>
      {says ? (
        <p
          role={says.wrong ? 'alert' : 'status'}
          aria-label={says.wrong ? undefined : 'Logger file'}
          className={says.wrong ? 'error' : 'small'}
        >
          {says.text}
        </p>
      ) : null}
    </div>
  )
}

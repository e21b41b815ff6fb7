import Papa from 'papaparse'
import { useState } from 'react'
import type { ProofReading } from '@nachtigal/core/job/documents'
import { nextReadingOrder } from '@nachtigal/core/job/proofReadings'
import type { ProofTest } from '@nachtigal/core/proof/proofTest'
import { loggedAt, loggerReadings } from '@nachtigal/core/series/loggerReadings'
import { shownText } from '@nachtigal/core/units/quantity'
import { useLoop } from '../../loop/loopContext'

const MOST_BYTES = 20_000_000

/** Readings of a test that is made over time, taken from a logger's file: the times and figures of its first two columns. */
export function FromLogger({ test }: { test: ProofTest }) {
  const { loop, change, reading } = useLoop()
  const [says, setSays] = useState<{ text: string; wrong: boolean }>()
  const take = async (file: File | undefined) => {
    if (!file) return
    const refuse = (text: string) => setSays({ text: `${file.name.slice(0, 60)}: ${text}.`, wrong: true })
    if (file.size > MOST_BYTES) return refuse('it is larger than 20 MB')
    const { data } = Papa.parse<string[]>(await file.text(), { skipEmptyLines: true })
    const found = loggerReadings(data)
    if (!found.ok) return refuse(found.message)
    let order = nextReadingOrder(loop)
    const made = test.steps.flatMap(({ id, at, main }): [string, ProofReading][] => {
      const value = at?.afterS === undefined ? undefined : loggedAt(found.points, at.afterS)
      if (value === undefined || main.ask.kind !== 'number') return []
      const kept = reading(shownText(value), main.ask.quantity)
      return [
        [
          crypto.randomUUID(),
          {
            ...kept,
            order: order++,
            test: test.id,
            step: id,
            ...(main.reading ? { supersedes: main.reading.id } : {}),
            ...(test.take > 1 ? { take: test.take } : {}),
          },
        ],
      ]
    })
    if (made.length === 0) return refuse('it does not reach to any of the times of this test')
    const readings = { ...loop.proof.readings, ...Object.fromEntries(made) }
    const refused = change(
      { loop: { ...loop, proof: { ...loop.proof, readings } } },
      { why: `From ${file.name.slice(0, 80)}` },
    )
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
        From a logger file
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

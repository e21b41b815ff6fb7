import { useAct } from '../../loop/useAct'
import { keyValues } from '@nachtigal/core/actions/keyValues'
import { useCallback } from 'react'
import type { Reading } from '@nachtigal/core/document/documents'
import type { KeyingRow } from '@nachtigal/core/commissioning/keyingSheet'
import { parseNumber } from '@nachtigal/core/units/parseNumber'
import { useLoop } from '../../loop/loopContext'

/** A clock as typed, in hours; nothing for what is none. */
function clockHours(text: string): number | undefined {
  const parts = /^([01]?\d|2[0-3])[:.]([0-5]\d)$/.exec(text.trim())
  return parts ? Number(parts[1]) + Number(parts[2]) / 60 : undefined
}

/** What is wrong with a value as it is typed into the sheet; out of range is taken, text in a number is not. */
export function wrongKeyed(row: KeyingRow, label: string, typed: string): string | undefined {
  if (typed === '' || row.choices) return undefined
  const ok = row.quantity === 'clock' ? clockHours(typed) !== undefined : parseNumber(typed).ok
  return ok
    ? undefined
    : `${label} is \u201c${typed.slice(0, 20)}\u201d: it takes a ${row.quantity === 'clock' ? 'time' : 'number'}, such as ${row.planned}.`
}

/** Ways to write on the keying sheet: as found and as left, each one command. */
export function useKeying() {
  const { job, reading } = useLoop()
  const act = useAct()
  const typed = useCallback(
    (row: KeyingRow, text: string): Reading => {
      const made = reading(text, row.quantity, job)
      const hours = row.quantity === 'clock' ? clockHours(text) : undefined
      return { ...made, unit: row.unit, ...(hours === undefined ? {} : { value: hours }) }
    },
    [reading, job],
  )
  const write = useCallback(
    (
      side: 'asFound' | 'asLeft',
      device: string,
      entries: Readonly<Record<string, Reading | undefined>>,
      why?: string,
    ) => {
      const values = Object.fromEntries(
        Object.entries(entries).flatMap(([code, value]) => (value ? [[code, value] as const] : [])),
      )
      const none = Object.keys(entries).filter((code) => !entries[code])
      return act(keyValues, { side, device, values, none }, why === undefined ? {} : { why })
    },
    [act],
  )
  const ticked = useCallback(
    (device: string, row: KeyingRow, on: boolean) =>
      write('asLeft', device, { [row.code]: on ? typed(row, row.planned) : undefined }),
    [write, typed],
  )
  return { write, typed, ticked }
}

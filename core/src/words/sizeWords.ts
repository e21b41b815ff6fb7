import { convert } from '../units/convert'
import type { Practice } from '../units/practice'

/** Nearest trade gauge of the sizes used here, for the list in US practice. */
export const gaugeOf: Readonly<Record<string, string>> = {
  '0.52': '20 AWG',
  '0.82': '18 AWG',
  '1.31': '16 AWG',
  '2.08': '14 AWG',
  '3.31': '12 AWG',
  '5.26': '10 AWG',
  '8.37': '8 AWG',
  '13.3': '6 AWG',
  '21.2': '4 AWG',
  '26.7': '3 AWG',
  '33.6': '2 AWG',
  '42.4': '1 AWG',
}

/** What is printed where a table ends. */
export const OUTSIDE_TABLE = 'outside this table'

/** A section as this practice says it. */
export const sizeWords = (practice: Practice, mm2: number | null): string =>
  mm2 === null ? OUTSIDE_TABLE : practice === 'us' ? (gaugeOf[String(mm2)] ?? nearGauge(mm2)) : `${mm2}\u00a0mm\u00b2`

/** The trade gauge that a section of another standard comes nearest to. */
function nearGauge(mm2: number): string {
  const gauge = Math.round(convert(mm2, 'mm2', 'AWG'))
  return `about ${gauge > 0 ? gauge : `${1 - gauge}/0`}\u00a0AWG`
}

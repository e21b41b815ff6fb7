/** A figure that was measured, and what it should be. */
export interface Measured {
  readonly what: string
  readonly figure: number
  readonly unit: string
  /** At most this; nothing where it is only told. */
  readonly goal?: number
}

const measured: Measured[] = []

/** Says a figure and keeps it for the table at the end. */
export function told(what: string, figure: number, unit: string, goal?: number) {
  measured.push({ what, figure, unit, ...(goal === undefined ? {} : { goal }) })
  const shown = figure < 10 ? figure.toFixed(2) : figure.toFixed(0)
  console.log(`${what.padEnd(60)} ${shown} ${unit}${goal === undefined ? '' : ` (at most ${goal})`}`)
}

/** How far a figure may be over its goal before the run counts as failed. */
const FIFTH = 1.2

/** The table of figures, goals, met or not. @returns whether none is missed by more than a fifth */
export function goalsMet(): boolean {
  const rows = measured.filter(({ goal }) => goal !== undefined)
  console.table(
    rows.map(({ what, figure, unit, goal }) => ({
      what,
      figure: Number(figure.toPrecision(3)),
      unit,
      'at most': goal,
      met: figure <= goal! ? 'met' : figure <= goal! * FIFTH ? 'nearly' : 'missed',
    })),
  )
  return rows.every(({ figure, goal }) => figure <= goal! * FIFTH)
}

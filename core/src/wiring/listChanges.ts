import type { RowChange, RowState } from '../document/documents'
import type { WireRow } from './wireRow'

/** A wire in words: its number, its two ends, its core. */
const sayRow = ({ number, from, to, conductor }: WireRow) =>
  `${number}: ${from.tag} ${from.label} to ${to.tag} ${to.label}, ${conductor.colourName}`

const ends = ({ from, to }: WireRow) => [from, to].map(({ device, terminal }) => `${device}:${terminal}`)

/**
 * What a change of the chain did to a list that is being worked through: rows that came, went, or moved with one end. Nothing while no
 * wire was landed, tested or noted yet.
 * @param before and after rows of the old and of the new chain
 * @param states what is kept of each row, by row
 * @param known changes not seen yet; what came and went again is forgotten
 */
export function listChanges(
  before: readonly WireRow[],
  after: readonly WireRow[],
  states: Readonly<Record<string, RowState>>,
  known: Readonly<Record<string, RowChange>> = {},
): Readonly<Record<string, RowChange>> {
  if (!before.some(({ id }) => states[id] !== undefined)) return known
  const had = new Map(before.map((row) => [row.id, row]))
  const has = new Map(after.map((row) => [row.id, row]))
  const gone = before.filter(({ id }) => !has.has(id))
  const fresh = after.filter(({ id }) => !had.has(id))
  const changes: Record<string, RowChange> = Object.fromEntries(
    Object.entries(known).filter(([id, { what }]) => (what === 'went' ? !has.has(id) : has.has(id))),
  )
  let order = Object.values(known).reduce((most, each) => Math.max(most, each.order), 0)
  const left = [...gone]
  for (const row of fresh) {
    const mine = new Set(ends(row))
    const at = left.findIndex((old) => old.role === row.role && ends(old).filter((each) => mine.has(each)).length === 1)
    const [old] = at < 0 ? [] : left.splice(at, 1)
    const landed = old !== undefined && states[old.id]?.landed === true
    changes[row.id] = {
      order: ++order,
      what: old ? 'moved' : 'came',
      says: old ? `${sayRow(row)}; it was ${sayRow(old)}` : sayRow(row),
      ...(landed ? { landed: true } : {}),
    }
  }
  for (const row of left) {
    if (known[row.id]?.what === 'came' && !states[row.id]?.landed) continue
    changes[row.id] = {
      order: ++order,
      what: 'went',
      says: sayRow(row),
      ...(states[row.id]?.landed ? { landed: true } : {}),
    }
  }
  return changes
}

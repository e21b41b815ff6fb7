import { type Judging, type Refusal, verdictOf } from './check'

/** How much a body may hold before anything else is asked of it. */
export interface Bounds {
  /** Keys and entries of lists, all together. */
  readonly keys: number
  readonly depth: number
}

/** A change of a job: a whole loop with its readings fits. */
export const COMMAND_BOUNDS: Bounds = { keys: 20_000, depth: 24 }
/** A document of a job file: a record of many years stays in one loop. */
export const DOCUMENT_BOUNDS: Bounds = { keys: 400_000, depth: 24 }
/** Devices for the shelf, two hundred at once. */
export const SHELF_BOUNDS: Bounds = { keys: 200_000, depth: 24 }

/** Keys of one object at most: to list those of a wider one takes longer than others should wait. */
export const MOST_WIDE = 30_000

/**
 * Counts keys and depth before any schema is asked: what is far too much is refused at the cost of counting it. Walks without
 * calling itself, so that no depth breaks it.
 */
export const overBounds = (value: unknown, bounds: Bounds): Refusal | undefined => verdictOf(judgeBounds(value, bounds))

/** The same in steps: one object at a time. */
export function* judgeBounds(value: unknown, { keys, depth }: Bounds): Judging {
  let counted = 0
  let level: unknown[] = [value]
  for (let deep = 0; level.length > 0; deep++) {
    if (deep > depth) return { field: '', message: `what was sent is nested more than ${depth} deep` }
    const next: unknown[] = []
    for (const each of level) {
      if (each === null || typeof each !== 'object') continue
      const inner = Object.values(each as object)
      counted += inner.length
      if (counted > keys) return { field: '', message: `what was sent holds more than ${keys} values` }
      for (const value of inner) if (value !== null && typeof value === 'object') next.push(value)
      yield undefined
    }
    level = next
  }
  return undefined
}

import { refusal, type Refusal } from './check'
import type { Part } from './parts'

interface Mended<T> {
  readonly document: T
  /** What was wrong, each with the place that was taken out for it. */
  readonly taken: readonly (Refusal & { readonly out: readonly string[] })[]
}

type Tree = Readonly<Record<string, unknown>>
const isTree = (value: unknown): value is Tree => value !== null && typeof value === 'object'
/** A document that needs more than this is not mended but spoilt. */
const MOST_TAKEN = 200

/**
 * Takes out of a document what its schema refuses, and no more: the value that is wrong, or the least part around it without which the
 * rest is sound. Nothing is put in the place of what goes.
 * @returns nothing where the document cannot be made sound by taking things out
 */
export function mended<T>(schema: Part, document: T): Mended<T> | undefined {
  const taken: Mended<T>['taken'][number][] = []
  let state: unknown = document
  for (let wrong = refusal(schema, state); wrong; wrong = refusal(schema, state)) {
    if (taken.length === MOST_TAKEN) return undefined
    const step = withoutWrong(schema, state, wrong)
    if (!step) return undefined
    taken.push({ ...wrong, out: step.out })
    state = step.state
  }
  return { document: state as T, taken }
}

function withoutWrong(schema: Part, state: unknown, wrong: Refusal) {
  const path = pathOf(state, wrong.field)
  for (let depth = path.length; depth > 0; depth--) {
    const out = path.slice(0, depth)
    const rest = without(state, out)
    if (rest === state) continue
    const next = refusal(schema, rest)
    const field = out.join('.')
    if (!next || !(next.field === field || next.field.startsWith(`${field}.`))) return { out, state: rest }
  }
  return undefined
}

/** Keys that lead to a field; names of entries may hold the dot that stands between them. */
function pathOf(state: unknown, field: string): readonly string[] {
  if (field === '') return []
  const keys = isTree(state) ? Object.keys(state) : []
  const [own] = keys.filter((key) => field === key || field.startsWith(`${key}.`)).sort((a, b) => b.length - a.length)
  if (own === undefined) return [field]
  return [own, ...pathOf((state as Tree)[own], field.slice(own.length + 1))]
}

/** The same without what stands at a place; the very same where nothing does. */
function without(state: unknown, [key, ...rest]: readonly string[]): unknown {
  if (!isTree(state) || Array.isArray(state) || key === undefined || !Object.hasOwn(state, key)) return state
  const { [key]: held, ...others } = state
  if (rest.length === 0) return others
  const inner = without(held, rest)
  return inner === held ? state : { ...state, [key]: inner }
}

import { forbiddenKeys } from './forbiddenKeys'
import { sameValue } from './canonicalJson'
import type { Change, Command } from './command'

type Tree = { readonly [key: string]: unknown }

const isTree = (value: unknown): value is Tree => value !== null && typeof value === 'object' && !Array.isArray(value)

/** The value at a path, or undefined when there is none on the way. */
export function valueAt(root: unknown, path: readonly string[]): unknown {
  let here: unknown = root
  for (const key of path) {
    if (!isTree(here) || !Object.hasOwn(here, key)) return undefined
    here = here[key]
  }
  return here
}

/**
 * The document with one path set, sharing everything that did not change. `null` takes the key away.
 * Missing steps on the way are made; emptied ones stay, so that undo gives the document back exactly only with its parents.
 * @throws RangeError when the path is forbidden or runs through something that is no object
 */
export function setAt(root: unknown, path: readonly string[], to: unknown): unknown {
  const [key, ...rest] = path
  if (key === undefined) return to ?? undefined
  if (forbiddenKeys.has(key)) throw new RangeError(`path holds ${key}, which is no key of a document`)
  if (root !== undefined && !isTree(root)) throw new RangeError(`path runs through a value at ${key}`)
  const tree = root ?? {}
  const child = Object.hasOwn(tree, key) ? tree[key] : undefined
  const next = setAt(child, rest, to)
  const copy: Record<string, unknown> = { ...tree }
  if (next === undefined) delete copy[key]
  else copy[key] = next
  return copy
}

export interface Clash extends Change {
  /** What stands there now. */
  readonly is: unknown
}

export type Documents = Readonly<Record<string, unknown>>

type Applied =
  { readonly ok: true; readonly documents: Documents } | { readonly ok: false; readonly clashes: readonly Clash[] }

/**
 * Applies a command's changes in order to a set of documents. Only a `from` that no longer holds is a clash; then nothing
 * is applied and every clash is told with both sides.
 * @throws RangeError when a path is forbidden
 */
export function applyCommand(documents: Documents, command: Pick<Command, 'change'>): Applied {
  const clashes: Clash[] = []
  let next = documents
  for (const change of command.change) {
    const { document, path, from, to } = change
    const is = valueAt(next[document], path)
    if (!sameValue(is, from)) {
      clashes.push({ ...change, is: is ?? null })
      continue
    }
    const changed = setAt(next[document], path, to)
    const copy = { ...next }
    if (changed === undefined) delete copy[document]
    else copy[document] = changed
    next = copy
  }
  return clashes.length > 0 ? { ok: false, clashes } : { ok: true, documents: next }
}

import { sameValue } from './canonicalJson'
import type { Change } from './command'

const isTree = (value: unknown): value is Record<string, unknown> =>
  value !== null && typeof value === 'object' && !Array.isArray(value)

/**
 * The smallest list of changes that turns one state of a document into another, branch by branch.
 * Whole branches that come or go are one change; `atomic` stops the walk at values that belong together.
 */
export function changesBetween(
  document: string, before: unknown, after: unknown, atomic: (path: readonly string[]) => boolean = () => false,
  path: readonly string[] = [],
): Change[] {
  if (sameValue(before, after)) return []
  if (!isTree(before) || !isTree(after) || atomic(path))
    return [{ document, path, from: before ?? null, to: after ?? null }]
  const keys = [...new Set([...Object.keys(before), ...Object.keys(after)])].sort()
  return keys.flatMap((key) => changesBetween(document, before[key], after[key], atomic, [...path, key]))
}

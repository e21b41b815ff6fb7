import { sameValue } from './canonicalJson'
import { atomicPath, growingPath } from './atomicPath'
import type { Change } from './command'

const isTree = (value: unknown): value is Record<string, unknown> =>
  value !== null && typeof value === 'object' && !Array.isArray(value)

/**
 * The smallest list of changes that turns one state of a document into another, branch by branch.
 * Empty maps on the way are walked into, so that two who add to the same new map do not clash; `atomicPath` stops the walk.
 */
export function changesBetween(
  document: string,
  before: unknown,
  after: unknown,
  path: readonly string[] = [],
): Change[] {
  if (sameValue(before, after)) return []
  // A map that comes into being is told member by member, a whole document or a value as one.
  const grows =
    path.length > 0 && before === undefined && isTree(after) && growingPath(path) && Object.keys(after).length > 0
  if ((!isTree(before) && !grows) || !isTree(after) || atomicPath(path))
    return [{ document, path, from: before ?? null, to: after ?? null }]
  const held = isTree(before) ? before : {}
  const keys = [...new Set([...Object.keys(held), ...Object.keys(after)])].sort()
  return keys.flatMap((key) => changesBetween(document, held[key], after[key], [...path, key]))
}

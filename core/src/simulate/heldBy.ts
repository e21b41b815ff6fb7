import type { Expression } from './scenario'

/** Names of an expression in the order in which they stand, each once. */
export function namesOf(expression: Expression): readonly string[] {
  if (typeof expression === 'string') return [expression]
  const parts = 'not' in expression ? [expression.not] : 'and' in expression ? expression.and : expression.or
  return [...new Set(parts.flatMap(namesOf))]
}

/** Whether contacts in series and parallel carry, each as `holds` says. */
export function carries(expression: Expression, holds: (name: string) => boolean): boolean {
  if (typeof expression === 'string') return holds(expression)
  if ('not' in expression) return !carries(expression.not, holds)
  return 'and' in expression
    ? expression.and.every((part) => carries(part, holds))
    : expression.or.some((part) => carries(part, holds))
}

/**
 * Contacts that keep a line from carrying: each that would let it carry by itself alone; where none would, each without which it cannot.
 * Empty while it carries.
 */
export function heldBy(expression: Expression, holds: (name: string) => boolean): readonly string[] {
  if (carries(expression, holds)) return []
  const names = namesOf(expression)
  const turned = (name: string) => (each: string) => (each === name) !== holds(each)
  const alone = names.filter((name) => carries(expression, turned(name)))
  if (alone.length > 0) return alone
  // Several are in the way: those of them that stand against it with all others turned its way.
  const others = (name: string) => (each: string) => (each === name ? holds(each) : true)
  const needed = names.filter((name) => !carries(expression, others(name)))
  return needed.length > 0 ? needed : names.filter((name) => !holds(name))
}

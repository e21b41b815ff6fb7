import { carries, contactsOf } from '../wiring/contactLogic'
import type { Expression } from './scenario'

/**
 * Contacts that keep a line from carrying: each that would let it carry by itself alone; where none would, each without which it cannot.
 * Empty while it carries.
 */
export function heldBy(expression: Expression, holds: (name: string) => boolean): readonly string[] {
  if (carries(expression, holds)) return []
  const names = contactsOf(expression)
  const turned = (name: string) => (each: string) => (each === name) !== holds(each)
  const alone = names.filter((name) => carries(expression, turned(name)))
  if (alone.length > 0) return alone
  // Several are in the way: those of them that stand against it with all others turned its way.
  const others = (name: string) => (each: string) => (each === name ? holds(each) : true)
  const needed = names.filter((name) => !carries(expression, others(name)))
  return needed.length > 0 ? needed : names.filter((name) => !holds(name))
}

/** A contact by its name, or contacts in series (and), in parallel (or), or one that opens when it is made (not). */
export type ContactExpression =
  | string
  | { readonly and: readonly ContactExpression[] }
  | { readonly or: readonly ContactExpression[] }
  | { readonly not: ContactExpression }

interface LogicRow {
  readonly inputs: Readonly<Record<string, boolean>>
  readonly runs: boolean
}

export interface ContactLogic {
  readonly contacts: readonly string[]
  readonly rows: readonly LogicRow[]
  /** Contacts without which it never runs: they stay in series whatever else is closed. */
  readonly mustClose: readonly string[]
  /** A contact that is made ineffective while another is closed. */
  readonly bypasses: readonly { readonly contact: string; readonly by: string }[]
  /** Contacts that never make a difference. */
  readonly idle: readonly string[]
}

/** Ten contacts make 1024 rows: more than anyone reads, and more than any loop has. */
export const mostContacts = 10
const DEEPEST = 20

/** Names of an expression in the order in which they stand. */
export function contactsOf(expression: ContactExpression): string[] {
  const names = new Set<string>()
  const walk = (each: ContactExpression, depth: number) => {
    if (depth > DEEPEST) throw new RangeError(`expression is nested more than ${DEEPEST} deep`)
    if (typeof each === 'string') names.add(each)
    else if ('not' in each) walk(each.not, depth + 1)
    else for (const inner of 'and' in each ? each.and : each.or) walk(inner, depth + 1)
  }
  walk(expression, 0)
  return [...names]
}

/** Whether contacts in series and parallel carry, each as `holds` says. */
export function carries(expression: ContactExpression, holds: (name: string) => boolean): boolean {
  if (typeof expression === 'string') return holds(expression)
  if ('not' in expression) return !carries(expression.not, holds)
  return 'and' in expression
    ? expression.and.every((part) => carries(part, holds))
    : expression.or.some((part) => carries(part, holds))
}

/** Whether the line is through with these contacts closed. */
export const runs = (expression: ContactExpression, closed: ReadonlySet<string>): boolean =>
  carries(expression, (name) => closed.has(name))

/**
 * What contacts in series and parallel do: truth table, which must close, and which one defeats which.
 * A contact is by-passed by another when, with that one closed, it runs whatever the contact does, though with that one open it matters.
 * @throws RangeError when there is no contact, there are more than ten, or it is nested too deep
 */
export function contactLogic(expression: ContactExpression): ContactLogic {
  const contacts = contactsOf(expression)
  if (contacts.length === 0) throw new RangeError('expression names no contact: at least one is needed')
  if (contacts.length > mostContacts)
    throw new RangeError(`expression names ${contacts.length} contacts: at most ${mostContacts} are worked out`)
  const bit = (i: number, contact: number) => ((i >> (contacts.length - 1 - contact)) & 1) === 1
  const table = Array.from({ length: 2 ** contacts.length }, (_, i) =>
    runs(expression, new Set(contacts.filter((_name, contact) => bit(i, contact)))),
  )
  /** Whether a contact makes a difference anywhere, with another held closed, held open, or left free. */
  const matters = (contact: number, held?: readonly [number, boolean]) => {
    const mask = 1 << (contacts.length - 1 - contact)
    return table.some((on, i) => (!held || bit(i, held[0]) === held[1]) && on !== table[i ^ mask])
  }
  const all = contacts.map((_, i) => i)
  return {
    contacts,
    rows: table.map((on, i) => ({
      inputs: Object.fromEntries(contacts.map((name, contact) => [name, bit(i, contact)])),
      runs: on,
    })),
    mustClose: contacts.filter((_, contact) => table.some(Boolean) && table.every((on, i) => !on || bit(i, contact))),
    bypasses: all.flatMap((contact) =>
      all
        .filter(
          (by) =>
            by !== contact &&
            !matters(contact, [by, true]) &&
            matters(contact, [by, false]) &&
            table.some((on, i) => on && bit(i, by)),
        )
        .map((by) => ({ contact: contacts[contact]!, by: contacts[by]! })),
    ),
    idle: contacts.filter((_, contact) => !matters(contact)),
  }
}

import type { ContactExpression } from './contactLogic'

type ParsedExpression =
  { readonly ok: true; readonly expression: ContactExpression } | { readonly ok: false; readonly message: string }

const TOKEN = /\s*([()]|[^\s()]+)/y
const LONGEST = 1000
const DEEPEST = 18

/**
 * Reads contacts as a fitter writes them: `limit and (thermostat or override)`, `not stop`. `and` binds tighter than `or`. Words that follow
 * one another are one name: `high limit`.
 */
export function parseExpression(text: string): ParsedExpression {
  if (text.length > LONGEST) return { ok: false, message: `at most ${LONGEST} characters` }
  const tokens: string[] = []
  TOKEN.lastIndex = 0
  for (let found = TOKEN.exec(text); found; found = TOKEN.exec(text)) tokens.push(found[1]!)
  let at = 0
  const word = () => tokens[at]?.toLowerCase()
  const isName = (token: string | undefined) => token !== undefined && !['and', 'or', 'not', '(', ')'].includes(token)
  const refuse = (message: string): never => {
    throw new RangeError(message)
  }
  const joined = (key: 'and' | 'or', depth: number, next: (depth: number) => ContactExpression): ContactExpression => {
    const parts = [next(depth)]
    while (word() === key) {
      at++
      parts.push(next(depth))
    }
    return parts.length === 1 ? parts[0]! : key === 'and' ? { and: parts } : { or: parts }
  }
  const any = (depth: number): ContactExpression => joined('or', depth, (inner) => joined('and', inner, one))
  const one = (depth: number): ContactExpression => {
    if (depth > DEEPEST) return refuse('too many brackets inside one another')
    if (word() === 'not') {
      at++
      return { not: one(depth + 1) }
    }
    if (word() === '(') {
      at++
      const inner = any(depth + 1)
      if (word() !== ')') return refuse('a bracket is not closed')
      at++
      return inner
    }
    const names: string[] = []
    while (isName(word())) names.push(tokens[at++]!)
    const name = names.join(' ')
    if (name === '')
      return refuse(
        at < tokens.length ? `"${tokens[at]!}" stands where a contact's name belongs` : "a contact's name is missing",
      )
    if (name.length > 40) return refuse('a name has at most 40 characters')
    return name
  }
  try {
    if (tokens.length === 0) return { ok: false, message: "a contact's name is missing" }
    const expression = any(0)
    if (at < tokens.length) return { ok: false, message: `"${tokens[at]!}" is one too many` }
    return { ok: true, expression }
  } catch (error) {
    if (!(error instanceof RangeError)) throw error
    return { ok: false, message: error.message }
  }
}

/** The same in words; what `parseExpression` reads back. */
export function sayExpression(expression: ContactExpression): string {
  const say = (each: ContactExpression, inside: 'and' | 'or' | 'not' | 'top'): string => {
    if (typeof each === 'string') return each
    if ('not' in each) return `not ${say(each.not, 'not')}`
    const key = 'and' in each ? 'and' : 'or'
    const parts = 'and' in each ? each.and : each.or
    if (parts.length === 1) return say(parts[0]!, inside)
    const text = parts.map((part) => say(part, key)).join(` ${key} `)
    return inside === 'top' || (inside === 'or' && key === 'and') ? text : `(${text})`
  }
  return say(expression, 'top')
}

import { type AnyObjectSchema, type Schema, ValidationError } from 'yup'
import { memberOf, type Part, wholeCheckOf } from './parts'

export interface Refusal {
  /** Path of the field that is wrong. */
  readonly field: string
  /** What is wrong and what is allowed. */
  readonly message: string
}

/** Answers what is wrong at the end; stops on the way wherever a caller may want to let others in between. */
export type Judging = Generator<undefined, Refusal | undefined>

type Tree = Readonly<Record<string, unknown>>
const isTree = (value: unknown): value is Tree => value !== null && typeof value === 'object' && !Array.isArray(value)
const own = (tree: unknown, key: string) => (isTree(tree) && Object.hasOwn(tree, key) ? tree[key] : undefined)
const joined = (path: string, key: string) => (path === '' ? key : `${path}.${key}`)

/**
 * Holds a value against a schema; answers what is wrong first, or nothing. Casts nothing.
 * @param before what stood there and was found good: parts that are the very same are not looked at again
 */
export const refusal = (schema: Part, value: unknown, before?: unknown): Refusal | undefined =>
  verdictOf(judge(schema, value, before))

/** Judges without a stop. */
export function verdictOf(judging: Judging): Refusal | undefined {
  for (;;) {
    const step = judging.next()
    if (step.done) return step.value
  }
}

/** The same in steps: one entry of a map at a time, so that a long document holds nobody up. */
export function* judge(part: Part, value: unknown, before?: unknown, path = ''): Judging {
  if (value !== undefined && value === before) return undefined
  const member = memberOf(part)
  if (member) {
    const wrong = plainly(part as Schema, value, path)
    if (wrong || !isTree(value)) return wrong
    for (const [key, entry] of Object.entries(value)) {
      yield undefined
      const bad = yield* judge(member, entry, own(before, key), joined(path, key))
      if (bad) return bad
    }
    return undefined
  }
  const schema = concrete(part, value)
  const fields = fieldsOf(schema)
  const wrong =
    fields && isTree(value) && isTree(before) && own(value, 'kind') === own(before, 'kind')
      ? yield* changedFields(fields, value, before, path)
      : (plainly(schema, value, path) ?? (yield* entriesWithin(schema, value, path)))
  const between = wrong ?? (isTree(value) ? wholeRefusal(part, value, path) : undefined)
  // What was wrong between its parts before does not keep anyone from changing another part, least of all from mending it.
  return between && !wrong && isTree(before) && wholeRefusal(part, before, path) ? undefined : between
}

function wholeRefusal(part: Part, value: Tree, path: string): Refusal | undefined {
  const wrong = wholeCheckOf(part)?.(value as never)
  return (
    wrong && { field: joined(path, wrong.field), message: path === '' ? wrong.message : `${path}: ${wrong.message}` }
  )
}

/** Of an object that stood there before only what moved. */
function* changedFields(fields: Readonly<Record<string, Part>>, value: Tree, before: Tree, path: string): Judging {
  const unknown = Object.keys(value).filter((key) => !Object.hasOwn(fields, key))
  if (unknown.length > 0)
    return { field: path, message: `${path || 'the document'} has unknown fields: ${unknown.slice(0, 5).join(', ')}` }
  for (const [key, field] of Object.entries(fields)) {
    const now = own(value, key)
    if (now === own(before, key)) continue
    const wrong = yield* judge(field, now, own(before, key), joined(path, key))
    if (wrong) return wrong
  }
  return undefined
}

/** The maps below a value whose own shape holds: their entries are judged here, one by one. */
function* entriesWithin(schema: Schema, value: unknown, path: string): Judging {
  const fields = fieldsOf(schema)
  if (!fields || !isTree(value)) return undefined
  for (const [key, field] of Object.entries(fields)) {
    const inner = own(value, key)
    if (!isTree(inner)) continue
    const at = joined(path, key)
    const wrong = memberOf(field)
      ? yield* judge(field, inner, undefined, at)
      : ((yield* entriesWithin(concrete(field, inner), inner, at)) ?? wholeRefusal(field, inner, at))
    if (wrong) return wrong
  }
  return undefined
}

/** The schema itself, where it is chosen by the value. */
const concrete = (part: Part, value: unknown): Schema =>
  'resolve' in part
    ? (part as unknown as { resolve(o: { value: unknown }): Schema }).resolve({ value })
    : (part as Schema)

const fieldsOf = (schema: Schema) =>
  schema.type === 'object'
    ? ((schema as AnyObjectSchema).fields as unknown as Readonly<Record<string, Part>>)
    : undefined

function plainly(schema: Schema, value: unknown, path: string): Refusal | undefined {
  try {
    // The library takes a path to start from, but does not say so in its types.
    schema.validateSync(value, { strict: true, abortEarly: true, ...(path === '' ? {} : { path }) } as object)
    return undefined
  } catch (error) {
    if (error instanceof ValidationError)
      return { field: error.path ?? '', message: error.message.replace(/^this\b/, 'the document') }
    throw error
  }
}

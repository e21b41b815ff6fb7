import { forbiddenKeys } from '@nachtigal/core/document/forbiddenKeys'
import { type AnyObjectSchema, boolean, type ISchema, lazy, mixed, number, object, setLocale, string } from 'yup'

setLocale({ mixed: { required: '${path} is missing' } })

// A map's members are only known when the value is there, so nothing narrower holds for a part.
// eslint-disable-next-line @typescript-eslint/no-explicit-any
export type Part = ISchema<any, any, any, any>

/** Most entries a map of a document may hold; keeps hostile documents small. */
const MOST_ENTRIES = 500
const KEY = /^[\w .:>~/-]{1,200}$/

/** Whether a text can be the key of an entry. */
const isId = (text: string) => KEY.test(text) && !forbiddenKeys.has(text)

/** Whether a date of this shape is in the calendar: the platform would take the 31st of February for the 3rd of March. */
function isDay(iso: string): boolean {
  const date = new Date(`${iso.slice(0, 10)}T00:00:00Z`)
  return !Number.isNaN(date.getTime()) && date.toISOString().slice(0, 10) === iso.slice(0, 10)
}
const isMoment = (iso: string) => !Number.isNaN(new Date(iso).getTime()) && isDay(iso)

/** A finite number within plausible bounds; text is refused, Infinity too. */
export const finite = (low = -1e12, high = 1e12) =>
  number()
    .typeError(`\${path} must be a number from ${low} to ${high}, not "\${originalValue}"`)
    .test('finite', `\${path} must be a finite number`, (value) => value === undefined || Number.isFinite(value))
    .min(low, `\${path} is \${value}: it must be ${low} or more`)
    .max(high, `\${path} is \${value}: it must be ${high} or less`)

/** A number that must be over a bound and cannot be the bound itself. */
export const over = (bound: number, high = 1e12) =>
  finite(bound, high).test(
    'over',
    `\${path} is \${value}: it must be over ${bound}`,
    (value) => value === undefined || value > bound,
  )

/** Text of so many characters at most. */
export const text = (most = 200) => string().max(most, `\${path} is too long: ${most} characters at most`)
/** The same, and not empty. */
export const filledText = (most = 200) =>
  text(most)
    .required('${path} is missing')
    .trim('${path} starts or ends with a space')
    .matches(/\S/, '${path} is empty')
/** One of these. */
export const oneOf = <T extends string>(values: readonly T[]) =>
  mixed<T>().oneOf([...values], `\${path} is "\${value}": it must be one of ${values.join(', ')}`)
/** True, or left out. */
export const flag = () => boolean().oneOf([true], '${path} is true or left out')
/** An instant as ISO text, and one that there is: no 32nd of a month, no hour 99. */
export const instant = () =>
  string()
    .matches(/^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d(\.\d{1,9})?(Z|[+-]\d\d:\d\d)$/, '${path} must be an ISO instant')
    .test('instant', '${path} is ${value}: there is no such moment', (value) => value === undefined || isMoment(value))
/** A day as ISO text, and one that there is. */
export const day = () =>
  string()
    .matches(/^\d{4}-\d\d-\d\d$/, '${path} must be a day like 2026-03-31')
    .test('day', '${path} is ${value}: there is no such day', (value) => value === undefined || isDay(value))
/** An id that may be a key of a document. */
export const id = () => string().test('id', '${path} is no id', (value) => value === undefined || isId(value))

/** An object with just these fields. */
export const shape = (fields: Record<string, Part>): AnyObjectSchema =>
  object(fields as never)
    .noUnknown('${path} has unknown fields: ${unknown}')
    .strict()

/** A part that may be left out. */
export const optional = (part: AnyObjectSchema): AnyObjectSchema => part.default(undefined)

/** An object whose fields are judged elsewhere: plain values and one level of them, never code. */
export const anyFields = () => object().strict().required()

/** What a map's entries are held to: its own schema says only that it is a map, how long, and with which keys. */
const members = new WeakMap<object, Part>()

/** The schema of the entries of a map, or nothing where a part is no map. The walk in `check` holds the entries to it. */
export const memberOf = (part: object): Part | undefined => members.get(part)

/** What must hold between the parts of a value, asked once each part has its shape. */
export type WholeCheck = (value: never) => { readonly field: string; readonly message: string } | undefined
const wholes = new WeakMap<object, WholeCheck>()

/** The check of a record as a whole that was laid beside it, if any. */
export const wholeCheckOf = (part: object): WholeCheck | undefined => wholes.get(part)

/** The same schema, with what must hold between the parts of its values. */
export const wholly = (part: AnyObjectSchema, check: WholeCheck): AnyObjectSchema => {
  const made = part.clone()
  wholes.set(made, check)
  return made
}

const isTree = (value: unknown): value is Readonly<Record<string, unknown>> =>
  value !== null && typeof value === 'object' && !Array.isArray(value)

/** The same for a part that is chosen by the value, and is no object schema itself. */
export function alsoWhole<V>(part: Part, check: (value: V) => ReturnType<WholeCheck>): Part {
  wholes.set(part, check as WholeCheck)
  return part
}

const map = (member: Part, most: number, missing: boolean): Part => {
  const made = mixed()
    .test('given', '${path} is missing', (value) => missing || value !== undefined)
    .test('map', '${path} must be an object', (value) => value === undefined || isTree(value))
    .test(
      'entries',
      `\${path} holds more than ${most} entries`,
      (value) => !isTree(value) || Object.keys(value).length <= most,
    )
    .test(
      'keys',
      '${path} holds a key that is no id',
      // One that is far too long was told already: its keys are not looked through.
      (value) => !isTree(value) || Object.keys(value).length > most || Object.keys(value).every(isId),
    )
  members.set(made, member)
  return made
}

/** A map by id whose members all follow one schema. @param most entries that it may hold */
export const mapOf = (member: Part, most = MOST_ENTRIES): Part => map(member, most, false)

/** The same, where the whole map may be left out. */
export const optionalMapOf = (member: Part, most = MOST_ENTRIES): Part => map(member, most, true)

/** One of several shapes, told apart by the member `kind`. */
export const byKind = (shapes: Readonly<Record<string, AnyObjectSchema>>): Part =>
  lazy((value: unknown) => {
    const said = value !== null && typeof value === 'object' ? (value as { kind?: unknown }).kind : undefined
    const kind = typeof said === 'string' ? said : ''
    const found = Object.hasOwn(shapes, kind) ? shapes[kind] : undefined
    return (
      found?.required() ??
      mixed()
        .required('${path} is missing')
        .test(
          'kind',
          `\${path}.kind is "${kind.slice(0, 40)}": it must be one of ${Object.keys(shapes).join(', ')}`,
          () => false,
        )
    )
  })

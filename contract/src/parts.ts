import { type AnyObjectSchema, boolean, type ISchema, lazy, mixed, number, object, setLocale, string } from 'yup'

setLocale({ mixed: { required: '${path} is missing' } })

// A map's members are only known when the value is there, so nothing narrower holds for a part.
// eslint-disable-next-line @typescript-eslint/no-explicit-any
export type Part = ISchema<any, any, any, any>

/** Most entries a map of a document may hold; keeps hostile documents small. */
const MOST_ENTRIES = 500
const KEY = /^[\w .:>~/-]{1,200}$/

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

export const text = (most = 200) => string().max(most, `\${path} is too long: ${most} characters at most`)
export const filledText = (most = 200) =>
  text(most)
    .required('${path} is missing')
    .trim('${path} starts or ends with a space')
    .matches(/\S/, '${path} is empty')
export const oneOf = <T extends string>(values: readonly T[]) =>
  mixed<T>().oneOf([...values], `\${path} is "\${value}": it must be one of ${values.join(', ')}`)
export const flag = () => boolean().oneOf([true], '${path} is true or left out')
/** An instant as ISO text. */
export const instant = () =>
  string().matches(/^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d(\.\d+)?(Z|[+-]\d\d:\d\d)$/, '${path} must be an ISO instant')
export const id = () => string().matches(KEY, '${path} is no id')

/** An object with just these fields. */
export const shape = (fields: Record<string, Part>): AnyObjectSchema =>
  object(fields as never)
    .noUnknown('${path} has unknown fields: ${unknown}')
    .strict()

/** A part that may be left out. */
export const optional = (part: AnyObjectSchema): AnyObjectSchema => part.default(undefined)

/** An object whose fields are judged elsewhere: plain values and one level of them, never code. */
export const anyFields = () => object().strict().required()

/** A finite number or a short text. */
export const numberOrText = () =>
  mixed<number | string>().test(
    'number or text',
    '${path} is ${value}: it must be a finite number or a text of 40 characters at most',
    (value) =>
      value === undefined ||
      (typeof value === 'number' && Number.isFinite(value)) ||
      (typeof value === 'string' && value.length > 0 && value.length <= 40),
  )

const entriesOf = (member: Part, value: unknown, most: number) => {
  const keys = value !== null && typeof value === 'object' && !Array.isArray(value) ? Object.keys(value) : []
  return shape(Object.fromEntries(keys.map((key) => [key, member])))
    .required('${path} is missing')
    .test('entries', `\${path} holds more than ${most} entries`, () => keys.length <= most)
    .test('keys', '${path} holds a key that is no id', () => keys.every((key) => KEY.test(key)))
}

/** A map by id whose members all follow one schema. @param most entries that it may hold */
export const mapOf = (member: Part, most = MOST_ENTRIES): Part =>
  lazy((value: unknown) => entriesOf(member, value, most))

/** The same, where the whole map may be left out. */
export const optionalMapOf = (member: Part): Part =>
  lazy((value: unknown) => (value === undefined ? mixed().notRequired() : entriesOf(member, value, MOST_ENTRIES)))

/** One of several shapes, told apart by the member `kind`. */
export const byKind = (shapes: Readonly<Record<string, AnyObjectSchema>>): Part =>
  lazy((value: unknown) => {
    const kind = value !== null && typeof value === 'object' ? String((value as { kind?: unknown }).kind) : ''
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

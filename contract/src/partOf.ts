import type { Field, NumberField } from '@nachtigal/core/schema/field'
import { type AnyObjectSchema, array, boolean, mixed, string, tuple } from 'yup'
import {
  alsoWhole,
  anyFields,
  byKind,
  day,
  filledText,
  finite,
  flag,
  id,
  instant,
  mapOf,
  oneOf,
  optional,
  optionalMapOf,
  over,
  type Part,
  shape,
  text,
  type WholeCheck,
  wholly,
} from './parts'

/** What must hold between the parts of a record, by the record. */
type WholeChecks = ReadonlyMap<Field, WholeCheck>

const numberPart = ({ min, max, over: above }: NumberField) =>
  above === undefined ? finite(min, max) : over(above, max)

function textPart(field: Extract<Field, { readonly type: 'text' }>) {
  const { form, longest } = field
  switch (form) {
    case 'any':
      return text(longest)
    case 'filled':
      return filledText(longest)
    case 'id':
      return id()
    case 'instant':
      return instant()
    case 'day':
      return day()
    case 'clock':
      return string().matches(/^([01]\d|2[0-3]):[0-5]\d$/, '${path} must be a time like 07:00')
    case 'weekdays':
      return string().matches(/^1?2?3?4?5?6?7?$/, '${path} must name days by 1 (Monday) to 7 (Sunday), in order')
    case 'sha256':
      return string().matches(/^[0-9a-f]{64}$/, '${path} is no SHA-256 in hex')
  }
}

/** Forms that may be empty: they must be there, and hold what they hold. */
const mayBeEmpty = new Set(['any', 'weekdays'])

function eitherPart({ number: { min, max }, words, longest }: Extract<Field, { readonly type: 'either' }>) {
  const [low, high] = [min ?? -1e12, max ?? 1e12]
  const allowed = words
    ? `a number from ${low} to ${high}, or ${words.join(' or ')}`
    : `a finite number or a text of ${longest} characters at most`
  return mixed<number | string>().test(
    'either',
    `\${path} is \${value}: it must be ${allowed}`,
    (value) =>
      value === undefined ||
      (typeof value === 'number' && Number.isFinite(value) && value >= low && value <= high) ||
      (typeof value === 'string' && (words?.includes(value) ?? (value.length > 0 && value.length <= longest))),
  )
}

/**
 * The schema of a field, made from its declaration: what is refused is what the field does not take, by its path, its value and what is
 * allowed.
 * @param checks what must hold between the parts of a record
 */
export function partOf(field: Field, checks: WholeChecks = new Map()): Part {
  const { optional: mayMiss } = field
  switch (field.type) {
    case 'number':
      return mayMiss ? numberPart(field) : numberPart(field).required()
    case 'constant': {
      const part = mixed<string | number>().oneOf([field.is], `\${path} is \${value}: it must be ${field.is}`)
      return mayMiss ? part : part.required()
    }
    case 'figure': {
      const part = mixed<number>().oneOf(
        [...field.among],
        `\${path} is \${value}: it must be one of ${field.among.join(', ')}`,
      )
      return mayMiss ? part : part.required()
    }
    case 'choice': {
      const part = oneOf(field.choices)
      // Nothing may be one of the choices.
      return mayMiss ? part : field.choices.includes('') ? part.defined('${path} is missing') : part.required()
    }
    case 'text': {
      const part = textPart(field)
      if (mayMiss) return part
      return mayBeEmpty.has(field.form) ? part.defined('${path} is missing') : part.required()
    }
    case 'flag':
      return mayMiss ? flag() : flag().required()
    case 'yes':
      return mayMiss ? boolean() : boolean().required()
    case 'either':
      return mayMiss ? eitherPart(field) : eitherPart(field).required()
    case 'open':
      return anyFields()
    case 'list': {
      const part = array()
        .of(partOf(field.of, checks) as never)
        .min(field.least, `\${path} needs ${field.least} entries or more`)
        .max(field.most, `\${path} holds more than ${field.most} entries`)
      return mayMiss ? part : part.required('${path} is missing')
    }
    case 'tuple': {
      const part = tuple(field.items.map((item) => partOf(item, checks)) as never)
      return mayMiss ? part : part.required()
    }
    case 'record': {
      const part = shape(
        Object.fromEntries(Object.entries(field.fields).map(([key, each]) => [key, partOf(each, checks)])),
      )
      const needed: AnyObjectSchema = mayMiss ? optional(part) : part.required()
      const check = checks.get(field)
      return check ? wholly(needed, check) : needed
    }
    case 'map': {
      const member = partOf(field.of, checks)
      return mayMiss ? optionalMapOf(member, field.most) : mapOf(member, field.most)
    }
    case 'variant': {
      const part = byKind(
        Object.fromEntries(
          Object.entries(field.of).map(([kind, record]) => [
            kind,
            shape({
              kind: string().required(),
              ...Object.fromEntries(Object.entries(record.fields).map(([key, each]) => [key, partOf(each, checks)])),
            }),
          ]),
        ),
      )
      return alsoWhole(part, (value: { readonly kind?: unknown }) => {
        const record = typeof value.kind === 'string' ? field.of[value.kind] : undefined
        return record && checks.get(record)?.(value as never)
      })
    }
  }
}

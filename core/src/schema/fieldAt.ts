import type { Field } from './field'

/** The field that stands at a path of a record; nothing where the record has no such place. */
export const fieldAt = (root: Field, path: readonly string[]): Field | undefined =>
  path.reduce<Field | undefined>((field, key) => field && stepInto(field, key), root)

function stepInto(field: Field, key: string): Field | undefined {
  switch (field.type) {
    case 'record':
      return own(field.fields, key)
    case 'map':
      return field.of
    case 'variant':
      return Object.values(field.of)
        .map(({ fields }) => own(fields, key))
        .find(Boolean)
    default:
      return undefined
  }
}

const own = (fields: Readonly<Record<string, Field>>, key: string) =>
  Object.hasOwn(fields, key) ? fields[key] : undefined

import type { Field } from './field'

/** The fields from a record down to what stands at a path: the first is the record itself. */
export function trailTo(root: Field, path: readonly string[]): readonly Field[] | undefined {
  const trail: Field[] = [root]
  for (const key of path) {
    const next = stepInto(trail.at(-1)!, key)
    if (!next) return undefined
    trail.push(next)
  }
  return trail
}

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

/** The field that stands at a path of a record; nothing where the record has no such place. */
export const fieldAt = (root: Field, path: readonly string[]): Field | undefined => trailTo(root, path)?.at(-1)

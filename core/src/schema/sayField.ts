import { spell } from '../time/spell'
import { formatQuantity, type UnitPreferences } from '../units/quantity'
import type { Field, NumberField, RecordField, VariantField } from './field'

const NOTHING = 'nothing'

type Tree = Readonly<Record<string, unknown>>
const isTree = (value: unknown): value is Tree => value !== null && typeof value === 'object' && !Array.isArray(value)
const isAbsent = (value: unknown): value is null | undefined => value === null || value === undefined

/** A number of a record in words: times as people say them, all else in the units that are read. */
function sayNumber({ quantity }: NumberField, value: number, preferences: UnitPreferences): string {
  if (quantity === 'seconds') return spell(value)
  if (quantity === 'factor' || quantity === 'count') return String(value)
  return formatQuantity(value, quantity, preferences)
}

/**
 * What stands in a field, in words: figures with their unit, choices in a fitter's words, a record by its parts. What an older program wrote
 * and the field no longer takes is said as it stands.
 */
export function sayField(field: Field, value: unknown, preferences: UnitPreferences): string {
  if (isAbsent(value)) return NOTHING
  switch (field.type) {
    case 'number':
      return typeof value === 'number' ? sayNumber(field, value, preferences) : plain(value)
    case 'either':
      return typeof value === 'number' ? sayNumber(field.number, value, preferences) : plain(value)
    case 'choice':
      return typeof value === 'string' && field.says && Object.hasOwn(field.says, value)
        ? field.says[value]!
        : plain(value)
    case 'flag':
    case 'yes':
      return value === true ? 'yes' : 'no'
    case 'record':
    case 'variant':
      return isTree(value) ? sayParts(field, value, preferences).join(', ') || NOTHING : plain(value)
    case 'map':
      return isTree(value) ? sayEntries(field.of, value, preferences) : plain(value)
    default:
      return plain(value)
  }
}

const plain = (value: unknown): string =>
  isTree(value) ? (typeof value['name'] === 'string' ? value['name'] : 'set') : String(value)

const sayEntries = (of: Field, entries: Tree, preferences: UnitPreferences) =>
  Object.entries(entries)
    .map(([key, each]) => {
      const said = sayField(of, each, preferences)
      return of.type === 'record' || of.type === 'variant' ? said : `${key} ${said}`
    })
    .join('; ') || NOTHING

const recordOf = (field: RecordField | VariantField, value: Tree): RecordField | undefined =>
  field.type === 'record' ? field : typeof value['kind'] === 'string' ? field.of[value['kind']] : undefined

/** Place in a list, ids of devices, and which port an output is, are the program's own. */
const untold = new Set(['order', 'kind', 'output', 'device'])

/** A record part by part, each with its word. */
function sayParts(field: RecordField | VariantField, value: Tree, preferences: UnitPreferences): readonly string[] {
  const record = recordOf(field, value)
  return Object.entries(record?.fields ?? {}).flatMap(([key, part]) =>
    untold.has(key) || !Object.hasOwn(value, key) || isAbsent(value[key])
      ? []
      : [sayPart(key, part, value, preferences)],
  )
}

const sayPart = (key: string, part: Field, value: Tree, preferences: UnitPreferences) =>
  `${part.word ?? key} ${sayField(part, Object.hasOwn(value, key) ? value[key] : undefined, preferences).replace(/^nothing$/, 'none')}`

/**
 * Both sides of a record that was changed, with the parts alone that differ; a new or a removed one in full.
 * @param derived what follows from a side and is said with it, each with its word
 */
export function saySides(
  field: RecordField | VariantField,
  from: unknown,
  to: unknown,
  preferences: UnitPreferences,
  derived: (side: Tree) => Readonly<Record<string, string>> = () => ({}),
): { readonly before: string; readonly after: string } {
  const whole = (side: unknown) =>
    isTree(side)
      ? [...sayParts(field, side, preferences), ...Object.entries(derived(side)).map(told)].join(', ') || NOTHING
      : isAbsent(side)
        ? NOTHING
        : plain(side)
  if (!isTree(from) || !isTree(to) || from['kind'] !== to['kind']) return { before: whole(from), after: whole(to) }
  const parts = Object.entries(recordOf(field, to)?.fields ?? {}).flatMap(([key, part]) => {
    if (untold.has(key)) return []
    const [before, after] = [from, to].map((side) => sayPart(key, part, side, preferences))
    return before === after ? [] : [[before!, after!] as const]
  })
  const [was, is] = [derived(from), derived(to)]
  const moved = Object.keys(is).flatMap((word) =>
    was[word] === is[word] ? [] : [[told([word, was[word] ?? 'none']), told([word, is[word]!])] as const],
  )
  const all = [...parts, ...moved]
  return { before: all.map(([before]) => before).join(', '), after: all.map(([, after]) => after).join(', ') }
}

const told = ([word, said]: readonly [string, string]) => `${word} ${said}`

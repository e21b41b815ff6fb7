import { wordsFor } from '../words/words'
import type { Calculation } from './calculation'
import { allowed } from './checkField'
import type { Field, Fields } from './field'
import { calculationGroups } from './registry'
import { storedUnit } from '../schema/storedUnit'

const { tell } = wordsFor({ temperatureUnit: 'C', system: 'metric' })

/** A cell of a table: nothing in it may end the cell or the row. */
const cell = (text: string) => text.replaceAll('|', '\\|').replaceAll('\n', ' ')

/** What a field takes, with what is inside it. */
function takes(field: Field): string {
  switch (field.type) {
    case 'list':
      return `${allowed(field)}: ${takes(field.of)}`
    case 'object':
      return `{ ${Object.entries(field.fields)
        .map(([name, of]) => `${name}${of.optional ? '?' : ''}`)
        .join(', ')} }`
    case 'tuple':
      return `[${field.items.map(({ title }) => title.toLowerCase()).join(', ')}]`
    case 'variant':
      return Object.entries(field.of)
        .map(([kind, fields]) => `{ kind: ${kind}, ${Object.keys(fields).join(', ')} }`)
        .join(' or ')
    default:
      return allowed(field)
  }
}

/** What an output is: its unit, the words it can be, what its rows hold. */
function is(field: Field): string {
  switch (field.type) {
    case 'number': {
      const unit = storedUnit(field.quantity)
      return `${unit === '' ? 'a number' : unit}${field.nullable ? ', or null' : ''}`
    }
    case 'list':
      return `a list of ${is(field.of)}`
    case 'choice':
      return `${field.choices.join(', ')}${field.nullable ? ', or null' : ''}`
    case 'text':
      return 'text'
    default:
      return takes(field)
  }
}

const usual = (field: Field) => ('default' in field && field.default !== undefined ? String(field.default) : '')

const table = (fields: Fields, withDefault: boolean) =>
  [
    withDefault ? '| field | what | takes | unless given |' : '| field | what | is |',
    withDefault ? '| --- | --- | --- | --- |' : '| --- | --- | --- |',
    ...Object.entries(fields).map(([name, field]) => {
      const cells = [
        `\`${name}\`${field.optional ? '?' : ''}`,
        `${field.title}${field.symbol ? ` (${field.symbol})` : ''}${field.hint ? `. ${field.hint}` : ''}`,
        withDefault ? takes(field) : is(field),
        ...(withDefault ? [usual(field)] : []),
      ]
      return `| ${cells.map(cell).join(' | ')} |`
    }),
  ].join('\n')

const example = ({ given, gives, source }: Calculation['examples'][number]) =>
  `- \`${JSON.stringify(given)}\` gives \`${JSON.stringify(gives)}\`: ${source}`

const section = ({ id, title, formula, source, cautions = [], inputs, outputs, examples }: Calculation) =>
  [
    `### ${title}`,
    `\`${id}\``,
    `${formula}.`,
    `Source: ${tell(source)}.`,
    ...(cautions.length > 0 ? [cautions.map((caution) => `> ${tell(caution)}`).join('\n>\n')] : []),
    table(inputs, true),
    table(outputs, false),
    examples.map(example).join('\n'),
  ].join('\n\n')

/** The reference of every calculation as one page of Markdown, made from the registry alone. */
export const referencePage = (): string =>
  [
    '# Calculations',
    'Made from the registry by `npm run reference`; a test fails when it is stale. Each runs as `bin/nachtigal calc <id>`, as `POST /api/calc/<id>` and on the page Calculators. Units are those that the core stores; `null` with a `reason` stands for what cannot happen. Examples run as tests: their expected values come from print or by hand, never from the program.',
    ...calculationGroups.flatMap(({ title, entries }) => [`## ${title}`, ...entries.map(section)]),
  ].join('\n\n') + '\n'

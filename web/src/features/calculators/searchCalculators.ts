import MiniSearch from 'minisearch'
import type { Calculation } from '@nachtigal/core/calc/calculation'
import type { Field } from '@nachtigal/core/calc/field'
import { calculations } from '@nachtigal/core/calc/registry'

/** Every title and choice of a field, for finding. */
const wordsOf = (field: Field): string => {
  switch (field.type) {
    case 'choice':
      return `${field.title} ${field.choices.join(' ')} ${Object.values(field.says ?? {}).join(' ')}`
    case 'list':
      return `${field.title} ${wordsOf(field.of)}`
    case 'object':
      return `${field.title} ${Object.values(field.fields).map(wordsOf).join(' ')}`
    default:
      return field.title
  }
}

const index = new MiniSearch<{ id: string; title: string; find: string; fields: string }>({
  fields: ['title', 'id', 'find', 'fields'],
  // "0-10V" and "4-20mA" are words of their own; so are their figures.
  tokenize: (text) =>
    text
      .toLowerCase()
      .split(/[^\p{L}\p{N}]+/u)
      .filter((word) => word !== ''),
  searchOptions: {
    boost: { title: 4, id: 2, find: 3 },
    prefix: (term) => term.length > 1 || /\d/.test(term),
    fuzzy: (term) => (term.length > 4 ? 0.2 : false),
  },
})
index.addAll(
  calculations.map(({ id, title, find, inputs, outputs }) => ({
    id,
    title,
    find,
    fields: [...Object.values(inputs), ...Object.values(outputs)].map(wordsOf).join(' '),
  })),
)
const byId = new Map(calculations.map((entry) => [entry.id, entry]))

/** Calculators that have this score or more of the best are worth showing. */
const WORTH = 0.2

/** Finds calculations by what one looks for: "pt1000", "4-20", "how long to heat". Best first. */
export function searchCalculators(query: string): readonly Calculation[] {
  const found = index.search(query)
  const best = found[0]?.score ?? 0
  return found.filter(({ score }) => score >= best * WORTH).map(({ id }) => byId.get(String(id))!)
}

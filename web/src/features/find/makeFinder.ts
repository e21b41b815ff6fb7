import MiniSearch from 'minisearch'
import { type FindEntry, type FindKind, findKinds } from '@nachtigal/core/find/findEntry'
import { otherWord, type OtherWord } from '@nachtigal/core/find/otherWords'
import type { Practice } from '@nachtigal/core/units/practice'

/** An entry with what only the page knows: an address of its own. */
export interface Findable extends FindEntry {
  readonly href?: string
}

export interface FoundGroup {
  readonly kind: FindKind
  readonly count: number
  readonly entries: readonly Findable[]
}

export interface Found {
  readonly groups: readonly FoundGroup[]
  readonly count: number
  /** What was typed has another word in this job: both are looked for. */
  readonly word?: OtherWord | undefined
}

/** Rows of one kind that stand there before more are asked for. */
const MOST_ROWS = 4

const tokens = (text: string) =>
  text
    .normalize('NFKD')
    .replace(/\p{M}+/gu, '')
    .toLowerCase()
    .split(/[^\p{L}\p{N}.]+/u)
    .filter((word) => word !== '')

/**
 * Finds by what one types, forgiving of spelling and of another practice's words.
 * @returns what is found for a query, by kind: the kind of the best first
 */
export function makeFinder(entries: readonly Findable[], practice: Practice) {
  const index = new MiniSearch<Findable>({
    fields: ['what', 'where', 'words'],
    idField: 'id',
    tokenize: tokens,
    searchOptions: {
      boost: { what: 4, where: 1.5 },
      combineWith: 'AND',
      prefix: true,
      fuzzy: (term) => (term.length > 4 && !/\d/.test(term) ? 0.2 : false),
    },
  })
  const byId = new Map(entries.map((entry) => [entry.id, entry]))
  index.addAll([...byId.values()])
  return (query: string, whole?: FindKind): Found => {
    const word = otherWord(query, practice)
    if (tokens(query).length === 0) return { groups: [], count: 0 }
    const found = word ? index.search({ combineWith: 'OR', queries: [query, word.here] }) : index.search(query)
    const byKind = new Map<FindKind, Findable[]>()
    for (const { id } of found) {
      const entry = byId.get(String(id))!
      const list = byKind.get(entry.kind)
      if (list) list.push(entry)
      else byKind.set(entry.kind, [entry])
    }
    const groups = findKinds
      .filter((kind) => byKind.has(kind) && (whole === undefined || kind === whole))
      .map((kind) => {
        const all = byKind.get(kind)!
        return { kind, count: all.length, entries: kind === whole ? all.slice(0, 60) : all.slice(0, MOST_ROWS) }
      })
    // Where one kind is met by what was typed far better than any other, it leads.
    const best = found[0] ? byId.get(String(found[0].id))!.kind : undefined
    groups.sort((a, b) => Number(b.kind === best) - Number(a.kind === best))
    return { groups, count: found.length, word }
  }
}

import { Fragment } from 'react'

const escaped = (text: string) => text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')

/** A text in which what was looked for is marked. */
export function Marked({ text, query, also }: { text: string; query: string; also?: string | undefined }) {
  const words = `${query} ${also ?? ''}`.split(/[^\p{L}\p{N}]+/u).filter((word) => word.length > 1)
  if (words.length === 0) return text
  const parts = text.split(new RegExp(`(${words.map(escaped).join('|')})`, 'iu'))
  return parts.map((part, i) =>
    i % 2 === 1 ? (
      <mark key={i} className="find-mark">
        {part}
      </mark>
    ) : (
      <Fragment key={i}>{part}</Fragment>
    ),
  )
}

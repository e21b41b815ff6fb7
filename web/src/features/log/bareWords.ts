import type { Change } from '@nachtigal/core/document/command'

const letters = (value: unknown) => (JSON.stringify(value) ?? 'nothing').slice(0, 60)

/** A change in its own letters, where it cannot be put into words. */
export const bareWords = ({ path, from, to }: Change) => ({
  what: path.map(String).join(' ').slice(0, 100),
  before: letters(from),
  after: letters(to),
})

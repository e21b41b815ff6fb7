import type { Change, Command } from './command'

const isReading = ({ path }: Change) => path[0] === 'proof' && path[1] === 'readings' && path.length === 3

/**
 * The changes that take a command back, last first, with its two sides swapped.
 * Readings are superseded, never undone: taking one back appends a reading that says there is none, so that the record keeps both.
 * @param withdrawn makes the id and the stamp of a withdrawn reading
 */
export function inverseChanges(
  command: Pick<Command, 'change'>,
  withdrawn: () => { readonly id: string; readonly at: string; readonly by: string },
): Change[] {
  return [...command.change].reverse().map((change) => {
    if (!isReading(change) || change.from !== null) return { ...change, from: change.to, to: change.from }
    const { id, at, by } = withdrawn()
    const reading = change.to as { readonly order: number }
    return {
      document: change.document,
      path: ['proof', 'readings', id],
      from: null,
      to: {
        ...reading,
        order: reading.order + 1,
        text: '',
        state: 'none',
        value: undefined,
        supersedes: change.path[2],
        at,
        by,
      },
    }
  })
}

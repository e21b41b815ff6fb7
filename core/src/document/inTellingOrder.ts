import type { Change } from './command'

/** What follows from a choice stands after it: connections, then the copy of a profile that the job keeps. */
const weight = ({ path }: Pick<Change, 'path'>): number =>
  path[0] === 'profiles' ? 2 : path[0] === 'chain' && path[1] === 'connections' ? 1 : 0

/** The changes of a command as they are told: what was meant first, what came of it after. */
export const inTellingOrder = <C extends Pick<Change, 'path'>>(changes: readonly C[]): readonly C[] =>
  [...changes].sort((a, b) => weight(a) - weight(b))

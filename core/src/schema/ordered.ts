import { remembered } from '../memory/remembered'

const byOrder = (a: { order: number; id: string }, b: { order: number; id: string }) =>
  a.order - b.order || (a.id < b.id ? -1 : 1)

interface Placed {
  readonly order: number
}

const inOrder = remembered((map: Readonly<Record<string, Placed>>) =>
  Object.entries(map)
    .map(([id, item]) => ({ ...item, id }))
    .sort(byOrder),
)

/** A map with order keys as a list, each with its id; ties broken by id. */
export const ordered = <T extends Placed>(map: Readonly<Record<string, T>>) =>
  inOrder(map) as readonly Placed[] as readonly (T & { readonly id: string })[]

/** The order key that the next entry of a map takes. */
export const nextOrder = (map: Readonly<Record<string, { readonly order: number }>> = {}): number =>
  Object.values(map).reduce((most, { order }) => Math.max(most, order), 0) + 1

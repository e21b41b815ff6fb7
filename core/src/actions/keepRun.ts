import { nextOrder } from '../schema/ordered'
import { keptRunRecord } from '../document/fields/loopFields'
import { record } from '../schema/field'
import { defineAction, named, withLoop } from './action'

const { title, choice, planned, starts, energyKwh, lowestC, highestC } = keptRunRecord.fields

/** Keeps a simulated run: what it was made of, and what came out. */
export const keepRun = defineAction({
  id: 'keep-run',
  did: 'kept a run',
  input: record('run', { title, choice, planned, starts, energyKwh, lowestC, highestC }),
  run: (edited, run, hand) => {
    const { trial } = edited.loop
    const kept = { ...run, order: nextOrder(trial?.runs ?? {}), at: hand.at, by: named(hand) }
    return withLoop(edited, { trial: { ...trial, runs: { ...trial?.runs, [hand.newId()]: kept } } })
  },
})

import type { BoxPlan } from '../document/documents'
import { boxRecord } from '../document/fields/wiringFields'
import { id, list, maybe, record } from '../schema/field'
import { defineAction, withLoop, without } from './action'

/** Writes what the box is, part by part, and takes parts away. */
export const writeBox = defineAction({
  id: 'write-box',
  did: 'described the box',
  input: record('box', { box: boxRecord, none: maybe(list('taken away', id('key'), 0, 500)) }),
  run: (edited, { box, none }) => {
    const { wiring } = edited.loop
    const held: BoxPlan = { ...wiring.box, ...box }
    const kept = without(held as Readonly<Record<string, unknown>>, ...(none ?? [])) as BoxPlan
    return withLoop(edited, { wiring: { ...wiring, box: kept } })
  },
})

import { nextOrder } from '../schema/ordered'
import { filled, record } from '../schema/field'
import { defineAction, withLoop } from './action'

/** Signs a loop as handed over. A signature of before stays in the record. Whether it may be signed is the gate's to say. */
export const signLoop = defineAction({
  id: 'sign',
  did: 'signed the hand-over',
  input: record('signing', { by: filled('name', 80), instrument: filled('instrument', 400) }),
  run: (edited, { by, instrument }, { at, newId }) => {
    const { signed, reopened: _again, past = {}, ...rest } = edited.loop.handover
    return withLoop(edited, {
      handover: {
        ...rest,
        ...(signed ? { past: { ...past, [newId()]: { ...signed, order: nextOrder(past) } } } : {}),
        signed: { by: by.trim(), at, instrument: instrument.trim() },
      },
    })
  },
})

import type { LoopDocument } from '../document/documents'
import { loopKinds } from '../kinds/ids'
import { choice, record } from '../schema/field'
import { Refused } from '../units/refused'
import { defineAction, withLoop } from './action'

/** What depends on the kind of a loop already, in a fitter's words; nothing while the kind can still be another. */
export function hangsOnKind({ survey, chain, settings, proof }: LoopDocument): string | undefined {
  if (Object.keys(survey.answers).length > 0) return 'its survey has answers'
  if (Object.keys(chain.devices).length > 0) return 'devices are chosen for it'
  if (Object.keys(settings.planned).length > 0) return 'it has settings'
  if (Object.keys(proof.readings).length > 0) return 'it has readings'
  return undefined
}

/** Makes the loop one of another kind, as long as nothing depends on which it is. */
export const changeKind = defineAction({
  id: 'change-kind',
  did: 'changed the kind of the loop',
  input: record('kind of loop', { kind: choice('kind', loopKinds) }),
  run: (edited, { kind }) => {
    const depends = hangsOnKind(edited.loop)
    if (depends !== undefined)
      throw new Refused('kind', { must: 'other', says: `cannot be changed any more: ${depends}` })
    return withLoop(edited, { kind })
  },
})

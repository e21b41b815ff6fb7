import { findingKey } from '../check/finding'
import { id, maybe, record } from '../schema/field'
import { Refused } from '../units/refused'
import { defineAction } from './action'
import { findingOfConnection, openIn, triedRemedy } from './triedRemedy'

/** Carries out the remedy of a finding, or of a connection that does not fit: what was tried on a copy, and helps. */
export const carryOutRemedy = defineAction({
  id: 'carry-out',
  did: 'carried out a remedy',
  input: record('remedy', { finding: maybe(id('finding')), connection: maybe(id('connection')) }),
  run: (edited, { finding, connection }, hand) => {
    const field = finding === undefined ? 'connection' : 'finding'
    const named = finding ?? connection ?? ''
    const open = openIn(edited, hand)
    const found =
      finding === undefined ? findingOfConnection(open, named) : open.find((each) => findingKey(each) === finding)
    if (!found)
      throw new Refused(field, { must: 'other', says: `"${named.slice(0, 60)}" is nothing that is open here` })
    const tried = triedRemedy(edited, found, hand)
    if (!tried)
      throw new Refused(field, { must: 'other', says: 'has no remedy that one tap carries out, and that helps here' })
    return tried.edited
  },
})

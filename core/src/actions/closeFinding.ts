import { checkLoop } from '../check/checkLoop'
import { loopContext } from '../loop/context'
import { findingKey, mayBeClosed } from '../check/finding'
import { filled, id, record } from '../schema/field'
import { Refused } from '../units/refused'
import { defineAction, named, withLoop } from './action'

/** Closes a plain finding with a name and a reason; one of safety and a failed test are mended, not reasoned away. */
export const closeFinding = defineAction({
  id: 'close-finding',
  did: 'closed a finding with a reason',
  input: record('closing a finding', { finding: id('finding'), reason: filled('reason', 400) }),
  run: (edited, { finding, reason }, hand) => {
    const { open } = checkLoop(loopContext(edited.job, edited.loop, hand.data))
    const found = open.find((each) => findingKey(each) === finding)
    if (found && !mayBeClosed(found))
      throw new Refused('finding', { must: 'other', says: `cannot be reasoned away: ${found.head} ${found.remedy}` })
    return withLoop(edited, {
      waivers: { ...edited.loop.waivers, [finding]: { by: named(hand), reason: reason.trim() } },
    })
  },
})

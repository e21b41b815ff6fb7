import { checkLoop } from '../check/checkLoop'
import { findingKey } from '../check/finding'
import { applyFix } from '../check/fix'
import { loopContext } from '../loop/context'
import { id, maybe, record } from '../schema/field'
import type { Fix } from '../shapes/fix'
import { placing } from '../survey/placing'
import { Refused } from '../units/refused'
import { defineAction } from './action'
import { asRefusal, chainChanged } from './chainParts'

/** Carries out the remedy of a finding, or of a connection that does not fit. */
export const carryOutRemedy = defineAction({
  id: 'carry-out',
  did: 'carried out a remedy',
  input: record('remedy', { finding: maybe(id('finding')), connection: maybe(id('connection')) }),
  run: (edited, { finding, connection }, hand) => {
    const { job, loop } = edited
    const context = loopContext(job, loop, hand.data, job, hand.loops)
    const field = finding === undefined ? 'connection' : 'finding'
    const named = finding ?? connection ?? ''
    const fixes: readonly (Fix | undefined)[] =
      finding === undefined
        ? context.judgedConnections.filter((each) => each.connection === connection).map(({ fix }) => fix)
        : checkLoop(context).open.flatMap((each) => (findingKey(each) === finding ? [each.fix] : []))
    if (fixes.length === 0)
      throw new Refused(field, { must: 'other', says: `"${named.slice(0, 60)}" is nothing that is open here` })
    const fix = fixes.find((each) => each !== undefined)
    const made =
      fix &&
      asRefusal(field, () =>
        applyFix(edited, fix, hand.shelf ?? [], hand.newId, (profile) => placing(loop, profile, hand.data)),
      )
    if (!made) throw new Refused(field, { must: 'other', says: 'has no remedy that one tap carries out' })
    return chainChanged(edited, made, hand)
  },
})

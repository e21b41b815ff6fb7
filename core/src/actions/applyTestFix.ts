import type { Behaviour } from '../settings/behaviour'
import { filled, record } from '../schema/field'
import { Refused } from '../units/refused'
import { defineAction, withLoop } from './action'
import { testOf } from './testOf'

/** Puts into the plan what a test's readings say mends it. */
export const applyTestFix = defineAction({
  id: 'apply-test-fix',
  did: 'changed the plan by what a test showed',
  input: record('test', { test: filled('test') }),
  run: (edited, { test: id }, hand) => {
    const { fix } = testOf(edited, id, hand).result
    const { settings } = edited.loop
    const plan = fix && settings.planned[fix.plan]
    if (!plan)
      throw new Refused('test', { must: 'other', says: `"${id.slice(0, 60)}" says nothing that mends the plan` })
    const mended = { ...plan, ...fix.change } as Behaviour
    return withLoop(edited, { settings: { ...settings, planned: { ...settings.planned, [fix.plan]: mended } } })
  },
})

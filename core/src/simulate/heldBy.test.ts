import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { carries, contactsOf } from '../wiring/contactLogic'
import { heldBy } from './heldBy'
import type { Expression } from './scenario'

const closed =
  (...names: readonly string[]) =>
  (name: string) =>
    names.includes(name)

describe('which contact holds a line off', () => {
  it.each<readonly [string, Expression, readonly string[], readonly string[]]>([
    ['none while it carries', { and: ['A1', 'F1'] }, ['A1', 'F1'], []],
    ['the one that is open', { and: ['A1', 'F1'] }, ['A1'], ['F1']],
    ['both where both are', { and: ['A1', 'F1', 'S1'] }, ['A1'], ['F1', 'S1']],
    ['either of a group of which none is closed', { and: [{ or: ['A1', 'S1'] }, 'F1'] }, ['F1'], ['A1', 'S1']],
    ['one that has to be open', { and: ['A1', { not: 'S1' }] }, ['A1', 'S1'], ['S1']],
    ['the limiter before the group', { and: [{ or: ['A1', 'S1'] }, 'F1'] }, ['S1'], ['F1']],
    ['the limiter, not the other way round it', { and: [{ or: ['A1', 'S1'] }, 'F1'] }, [], ['F1']],
  ])('%s', (_says, expression, names, held) => expect(heldBy(expression, closed(...names))).toEqual(held))

  const leaf = fc.constantFrom('a', 'b', 'c', 'd')
  const { expression } = fc.letrec<{ expression: Expression }>((tie) => ({
    expression: fc.oneof(
      { maxDepth: 3 },
      leaf,
      fc.array(tie('expression'), { minLength: 1, maxLength: 3 }).map((and) => ({ and })),
      fc.array(tie('expression'), { minLength: 1, maxLength: 3 }).map((or) => ({ or })),
      tie('expression').map((not) => ({ not })),
    ),
  }))
  it('names some of its own contacts exactly while it does not carry', () =>
    fc.assert(
      fc.property(expression, fc.subarray(['a', 'b', 'c', 'd']), (each, names) => {
        const held = heldBy(each, closed(...names))
        if (carries(each, closed(...names))) expect(held).toEqual([])
        else for (const name of held) expect(contactsOf(each)).toContain(name)
      }),
    ))
  it('one alone that is named lets it carry once it is turned', () =>
    fc.assert(
      fc.property(expression, fc.subarray(['a', 'b', 'c', 'd']), (each, names) => {
        const [name, ...more] = heldBy(each, closed(...names))
        if (name === undefined || more.length > 0) return
        const turned = names.includes(name) ? names.filter((other) => other !== name) : [...names, name]
        const alone = carries(each, closed(...turned))
        // It may be the one that stands against it however the others are turned.
        const all = (holds: (other: string) => boolean) =>
          carries(each, (other) => (other === name ? names.includes(name) : holds(other)))
        expect(alone || !all(() => true)).toBe(true)
      }),
    ))
})

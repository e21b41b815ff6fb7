import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { actions } from '@nachtigal/core/actions/registry'
import type { Hand } from '@nachtigal/core/actions/action'
import { documentSchema } from './documentSchemas'
import { changesBetween } from '@nachtigal/core/document/changesBetween'
import { chained } from '@nachtigal/core/testing/chains'
import { fieldData } from '@nachtigal/core/testing/fieldData'
import { shelf } from '@nachtigal/core/testing/loops'
import type { Field, RecordField } from '@nachtigal/core/schema/field'
import { Refused } from '@nachtigal/core/units/refused'
import { refusal } from './check'
import { inputRefusal } from './inputRefusal'

const floor = chained('floor')
const handOf = (): Hand => {
  let made = 0
  return {
    by: 'Ann',
    at: '2026-01-05T08:00:00.000Z',
    newId: () => `made-${++made}`,
    data: fieldData,
    shelf,
    loops: [floor.loop],
  }
}

/** Ids that are there, that are not, and those that an object has by itself. */
const ids = fc.constantFrom(
  ...Object.keys(floor.loop.chain.devices),
  ...Object.keys(floor.loop.chain.connections),
  ...Object.keys(floor.loop.settings.planned),
  ...Object.keys(floor.job.devices),
  ...['dipper', 'shrike', 'none', 'constructor', '__proto__', 'toString'],
)

/** What a field may hold, mostly: so that inputs get past their fields and into what the action does. */
function anyOf(field: Field): fc.Arbitrary<unknown> {
  switch (field.type) {
    case 'number':
      return fc.oneof(fc.double({ min: 0, max: 100, noNaN: true }), fc.constantFrom(-1, 1e300, NaN))
    case 'text':
      return fc.oneof(ids, fc.string({ maxLength: 12 }), fc.constant('2026-01-05'))
    case 'choice':
      return fc.constantFrom(...field.choices, 'none')
    case 'record':
      return recordOf(field)
    case 'map':
      return fc.dictionary(ids, anyOf(field.of), { maxKeys: 2, noNullPrototype: true })
    case 'list':
      return fc.array(anyOf(field.of), { maxLength: 2 })
    default:
      return fc.anything({ maxDepth: 1 })
  }
}
const recordOf = ({ fields }: RecordField) =>
  fc.record(Object.fromEntries(Object.entries(fields).map(([name, of]) => [name, anyOf(of)])), { requiredKeys: [] })

const frozen = JSON.stringify(floor)

describe('whatever is put into an action', () => {
  it.each(actions.map((action) => [action.id, action] as const))(
    '%s: it is refused by name, or the documents after it are sound; those before stay',
    (_, action) => {
      fc.assert(
        fc.property(
          fc.oneof({ arbitrary: recordOf(action.input), weight: 6 }, { arbitrary: fc.anything(), weight: 1 }),
          (input) => {
            const wrong = inputRefusal(action, input)
            if (wrong) {
              expect(wrong.message.length).toBeGreaterThan(3)
              return
            }
            try {
              const after = action.run(floor, input, handOf())
              for (const [id, was, is] of [
                [floor.job.id, floor.job, after.job],
                [floor.loop.id, floor.loop, after.loop],
              ] as const)
                if (changesBetween(id, was, is).length > 0)
                  expect(refusal(documentSchema(id, floor.job.id), is, was)).toBeUndefined()
            } catch (error) {
              // An error that is none of its own would come as a fault of the program.
              if (!(error instanceof Refused)) throw error
              expect(error.field).not.toBe('')
            }
          },
        ),
        // Looking through the whole shelf takes a second, and its input is empty.
        { numRuns: action.id === 'start-chain' ? 1 : Number(process.env['NACHTIGAL_RUNS'] ?? 60) },
      )
      expect(JSON.stringify(floor)).toBe(frozen)
    },
  )
})

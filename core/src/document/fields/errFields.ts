import { maybe, number, record } from '../../schema/field'
import { quantities, type Quantity } from '../../units/quantity'

const err = (quantity: Quantity) =>
  maybe(
    record(quantity, {
      fixed: maybe(number('by', 'factor', { min: 0, max: 1e6 })),
      percent: maybe(number('by a share', 'percent', { min: 0, max: 100 })),
    }),
  )

/** How much an instrument may err, by what it reads: an amount in the unit of the quantity and a share of the reading. */
export const errRecord = record(
  'may err',
  Object.fromEntries(quantities.map((each) => [each, err(each)])) as Readonly<Record<Quantity, ReturnType<typeof err>>>,
)

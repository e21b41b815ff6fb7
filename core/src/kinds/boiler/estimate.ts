import { fieldValue } from '../../plant/fieldValue'
import { storedJPerK } from '../../plant/water'
import { type Estimator, spaceOf } from '../estimator'

/** Load at which water content is reckoned: 32 K between room and design day, as the loss figures are. */
const DESIGN_K = 32
const spaceEstimate = spaceOf('boiler')

/** Loss and stored heat from what a fitter can see: the space that is heated, and the system water that a burner's cycle sees. */
export const estimate: Estimator = (input, data) => {
  const space = spaceEstimate(input, data)
  const content = fieldValue(data, 'water.system')
  const waterOf = (lossWPerK: number, litresPerKw: number) => storedJPerK((lossWPerK * DESIGN_K * litresPerKw) / 1e6)
  return {
    ...space,
    quickCapacityJPerK: waterOf(space.lossWPerK, content.typical),
    low: { ...space.low, quickCapacityJPerK: waterOf(space.low.lossWPerK, content.low) },
    high: { ...space.high, quickCapacityJPerK: waterOf(space.high.lossWPerK, content.high) },
    why: `${space.why.replace(/, of which.*$/, '')}; a burner's cycle sees the system water, ${content.low} to ${content.high}, typically ${content.typical} ${content.unit} at ${DESIGN_K} K (${content.source})`,
  }
}

import { fieldValue } from '../../plant/fieldValue'
import { storedJPerK } from '../../plant/water'
import { exactly, needed, shellM2, times, type Estimator, estimateOf } from '../estimator'

/** Loss and stored heat from what a fitter can see. */
export const estimate: Estimator = ({ volumeM3, insulation }, data) => {
  const volume = needed('volumeM3', 'chiller', volumeM3)
  const wall = fieldValue(data, `u.tank.${insulation}`)
  const stored = exactly(storedJPerK(volume))
  return estimateOf({
    loss: times(wall, shellM2(volume)),
    capacity: stored,
    quick: stored,
    why: `${wall.what}: ${wall.low} to ${wall.high}, typically ${wall.typical} ${wall.unit} (${wall.source}); the liquid stores as water does, and what is pumped cycles as a whole`,
  })
}

import { fieldValue } from '../../plant/fieldValue'
import { KJ, needed, QUICK_SHARE, shellM2, times, type Estimator, estimateOf } from '../estimator'

/** Loss and stored heat from what a fitter can see. */
export const estimate: Estimator = ({ areaM2, volumeM3, insulation }, data) => {
  const area = needed('areaM2', 'enclosure', areaM2, volumeM3 === undefined ? undefined : shellM2(volumeM3))
  const wall = fieldValue(data, { poor: 'encl.k.steel', fair: 'encl.k.stainless', good: 'encl.k.plastic' }[insulation])
  const stored = fieldValue(data, 'cap.enclosure')
  const capacity = times(stored, area * KJ)
  return estimateOf({
    loss: times(wall, area),
    capacity,
    quick: times(capacity, QUICK_SHARE),
    why: `${wall.what}: ${wall.low} to ${wall.high}, typically ${wall.typical} ${wall.unit} of effective area (${wall.source}); ${stored.what}: ${stored.typical} ${stored.unit} (${stored.source})`,
  })
}
